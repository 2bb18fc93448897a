// Changes the core in one small place at a time and sees whether a test notices: how sharp the tests are, told by what they miss.
// Works in a copy of the tree, so that the own one stays as it is. Usage:
//   node scripts/mutate.mjs Plans/Checks [--sample 60] [--seed 1] [--tests "MorningRound.Core.Tests.Plans*"]
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { parseArgs } from 'node:util';

const { values: options, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    sample: { type: 'string', default: '60' },
    seed: { type: 'string', default: '1' },
    tests: { type: 'string' },
    minutes: { type: 'string', default: '45' },
  },
});
const folder = positionals[0];
if (!folder) {
  console.error('Usage: node scripts/mutate.mjs FOLDER-OF-THE-CORE [--sample N] [--seed N] [--tests NAMESPACE]');
  process.exit(2);
}
const root = execFileSync('git', ['rev-parse', '--show-toplevel'], { encoding: 'utf8' }).trim();

/** What is looked for, and what it becomes. Each stands for a mistake that a person makes. */
const operators = [
  [/ >= /g, ' > '],
  [/ <= /g, ' < '],
  [/(?<![=<-]) > (?=[^=])/g, ' >= '],
  [/ < (?=[^=])/g, ' <= '],
  [/ == /g, ' != '],
  [/ != /g, ' == '],
  [/ && /g, ' || '],
  [/ \|\| /g, ' && '],
  [/ \+ (?!")/g, ' - '],
  [/ - /g, ' + '],
  [/ \* /g, ' / '],
  [/ \/ (?!\/)/g, ' * '],
  [/ is not null/g, ' is null'],
  [/ is null/g, ' is not null'],
  [/\btrue\b/g, 'false'],
  [/\bfalse\b/g, 'true'],
  [/\.Any\(/g, '.All('],
  [/\.All\(/g, '.Any('],
  [/\.Max\(/g, '.Min('],
  [/\.Min\(/g, '.Max('],
  [/\.First(?=OrDefault\(|\()/g, '.Last'],
  [/\.Last(?=OrDefault\(|\()/g, '.First'],
  [/(?<![\w.{])\d+(?![\w.}])/g, (number) => String(Number(number) + 1)],
  [/\?\? 0\b/g, '?? 1'],
];

/** Every place of a file that can be changed. Comments, attributes, and words on the screen are left alone. */
function mutantsOf(file, text) {
  const found = [];
  let offset = 0;
  for (const line of text.split('\n')) {
    const code = line.trimStart();
    if (!/^(\/\/|\[|using |namespace )/.test(code) && !/new\("/.test(code)) {
      const strings = [...line.matchAll(/"(?:[^"\\]|\\.)*"/g)].map((m) => [m.index, m.index + m[0].length]);
      const comment = line.indexOf(' // ');
      for (const [pattern, become] of operators) {
        for (const match of line.matchAll(pattern)) {
          const isInText = strings.some(([from, to]) => match.index >= from && match.index < to);
          if (isInText || (comment >= 0 && match.index >= comment)) continue;
          const mutated = typeof become === 'string' ? become : become(match[0]);
          found.push({
            file,
            at: offset + match.index,
            was: match[0],
            mutated,
            line: text.slice(0, offset).split('\n').length,
          });
        }
      }
    }
    offset += line.length + 1;
  }
  return found;
}

/** The generator of the core's own tests would do as well; this one needs no build. */
function shuffled(items, seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const out = [...items];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(next() * (i + 1));
    [out[i], out[j]] = [out[j], out[i]];
  }
  return out;
}

const copy = mkdtempSync(join(tmpdir(), 'mutants-'));
const files = execFileSync(
  'git',
  [
    'ls-files',
    '-co',
    '--exclude-standard',
    'src/MorningRound.Core',
    'tests/MorningRound.Core.Tests',
    'tests/fixtures',
    'docs',
    '*.props',
    'global.json',
    '.editorconfig',
    'MorningRound.slnx',
    'src/MorningRound.Server/Drills/starting-shelf.json',
  ],
  { cwd: root, encoding: 'utf8' },
);
execFileSync('tar', ['-cf', join(copy, 'tree.tar'), '--ignore-failed-read', '-T', '-'], {
  cwd: root,
  input: files,
  stdio: ['pipe', 'ignore', 'ignore'],
});
execFileSync('tar', ['-xf', 'tree.tar'], { cwd: copy });

const build = () =>
  spawnSync(
    'dotnet',
    [
      'build',
      'tests/MorningRound.Core.Tests',
      '-v',
      'q',
      '--nologo',
      '-p:RunAnalyzers=false',
      '-p:TreatWarningsAsErrors=false',
    ],
    { cwd: copy, timeout: 180_000 },
  ).status === 0;
const test = () =>
  spawnSync(
    'tests/MorningRound.Core.Tests/bin/Debug/net10.0/MorningRound.Core.Tests',
    ['--no-ansi', '--stop-on-fail', 'on', ...(options.tests ? ['--filter-namespace', options.tests] : [])],
    { cwd: copy, timeout: 180_000 },
  ).status === 0;

if (!build() || !test()) {
  console.error('The tests do not pass as they are.');
  process.exit(1);
}

const source = join(copy, 'src/MorningRound.Core', folder);
const all = readdirSync(source, { recursive: true })
  .filter((name) => name.endsWith('.cs'))
  .flatMap((name) => mutantsOf(join(source, name), readFileSync(join(source, name), 'utf8')));
const deadline = Date.now() + Number(options.minutes) * 60_000;
let killed = 0;
let run = 0;
const survivors = [];
for (const mutant of shuffled(all, Number(options.seed))) {
  if (run === Number(options.sample) || Date.now() > deadline) break;
  const text = readFileSync(mutant.file, 'utf8');
  writeFileSync(mutant.file, text.slice(0, mutant.at) + mutant.mutated + text.slice(mutant.at + mutant.was.length));
  // What the compiler refuses is no mutant.
  if (build()) {
    run++;
    if (!test()) killed++;
    else
      survivors.push(
        `${relative(source, mutant.file)}:${mutant.line}  "${mutant.was.trim()}" → "${mutant.mutated.trim()}"`,
      );
  }
  writeFileSync(mutant.file, text);
}
rmSync(copy, { recursive: true, force: true });
const share = Math.round((100 * killed) / Math.max(1, run));
console.log(`${folder}: ${killed} of ${run} killed (${share} %), of ${all.length} places; seed ${options.seed}`);
for (const survivor of survivors) console.log(`  survived  ${survivor}`);
