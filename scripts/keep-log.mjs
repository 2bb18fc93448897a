// Keeps what comes in on standard input in a file: `... | node scripts/keep-log.mjs FILE`. What is there already stays. A file
// that has grown to ten megabytes becomes FILE.1, the one before FILE.2, and so on; the fifth is thrown away.
import { appendFileSync, existsSync, renameSync, statSync } from 'node:fs';
import { createInterface } from 'node:readline';

const [file, largest = String(10_000_000)] = process.argv.slice(2);
if (!file) throw new Error('Which file?');
const kept = 5;

let size = existsSync(file) ? statSync(file).size : 0;

function turn() {
  for (let i = kept - 1; i >= 0; i--) {
    const from = i === 0 ? file : `${file}.${i}`;
    if (existsSync(from)) renameSync(from, `${file}.${i + 1}`);
  }
  size = 0;
}

// It ends with what it listens to: whoever is told to stop still says so.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => undefined);

for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
  if (size > 0 && size + line.length > Number(largest)) turn();
  try {
    appendFileSync(file, `${line}\n`, { mode: 0o600 });
  } catch {
    // A full disk loses lines of the log; it must not stop the server.
  }
  size += Buffer.byteLength(line) + 1;
}
