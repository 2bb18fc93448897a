import { readFileSync, writeFileSync } from 'node:fs';

// The version of the API that the client was made from: what is kept on a device is only read by a client of the same one.
const { info } = JSON.parse(readFileSync('src/api/openapi.json', 'utf8'));
writeFileSync(
  'src/api/version.ts',
  `/** Made from the server's description; never edited. */\nexport const apiVersion = ${Number(info.version)};\n`,
);
