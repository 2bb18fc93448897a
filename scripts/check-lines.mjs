// Says which lines of what people write are longer than 130 characters. Text that a test sends as it is may be.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

const longest = 130;
const written = /\.(cs|ts|tsx|mjs)$/;
const made = /Migrations\/|src\/api\/schema\.d\.ts|\.schema\.json/;
const files = execFileSync('git', ['ls-files'], { encoding: 'utf8' }).split('\n');
let wrong = 0;
for (const file of files.filter((f) => written.test(f) && !made.test(f))) {
  readFileSync(file, 'utf8')
    .split('\n')
    .forEach((line, i) => {
      if ([...line].length <= longest || line.includes('"""')) return;
      console.log(`${file}:${i + 1} has ${[...line].length} characters`);
      wrong++;
    });
}
process.exit(wrong === 0 ? 0 : 1);
