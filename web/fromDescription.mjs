import { readFileSync, writeFileSync } from 'node:fs';

// What else the client takes from the server's description: its version, and what new things start as.
const { info, 'x-beginnings': beginnings } = JSON.parse(readFileSync('src/api/openapi.json', 'utf8'));

const write = (file, text) =>
  writeFileSync(file, `/** Made from the server's description; never edited. */\n${text}\n`);

// What is kept on a device is only read by a client of the same version.
write('src/api/version.ts', `export const apiVersion = ${Number(info.version)};`);
write('src/api/beginnings.ts', `export const beginnings = ${JSON.stringify(beginnings, null, 2)} as const;`);
