import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

// What ships is compressed once, here, as tightly as it goes, and not anew at every request.
const worth = 1024;
for (const name of readdirSync('dist', { recursive: true })) {
  if (!/\.(js|css|html|svg|webmanifest)$/.test(name)) continue;
  const path = join('dist', name);
  const content = readFileSync(path);
  if (content.length < worth) continue;
  writeFileSync(`${path}.gz`, gzipSync(content, { level: 9 }));
  writeFileSync(`${path}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } }));
}
