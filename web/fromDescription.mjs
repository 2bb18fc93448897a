import { readFileSync, writeFileSync } from 'node:fs';

// What else the client takes from the server's description: its version, and what new things start as.
const { info, 'x-beginnings': described } = JSON.parse(readFileSync('src/api/openapi.json', 'utf8'));

const write = (file, text) =>
  writeFileSync(file, `/** Made from the server's description; never edited. */\n${text}\n`);

const { ranges, ...beginnings } = described;

// What is kept on a device is only read by a client of the same version.
write('src/api/version.ts', `export const apiVersion = ${Number(info.version)};`);
write('src/api/beginnings.ts', `export const beginnings = ${JSON.stringify(beginnings, null, 2)} as const;`);
// A file of its own: a student's number fields need no more than this.
write('src/api/ranges.ts', `export const ranges = ${JSON.stringify(ranges, null, 2)} as const;`);
