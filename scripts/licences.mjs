// Lists what ships with the application and under which licence, with the notices that have to go along: writes
// web/public/licences.txt. `--check` only says whether it is current. Asks nobody: everything stands in the packages themselves.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const target = join(root, 'web/public/licences.txt');
const read = (...path) => readFileSync(join(...path), 'utf8');
const json = (...path) => JSON.parse(read(...path));

const noticeIn = (folder) =>
  readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.isFile() && /^(licen[cs]e|copying|notice)/i.test(entry.name))
    .map((entry) => entry.name)
    .sort()
    .map((name) => read(folder, name).replaceAll('\r', '').trim())
    .join('\n\n');

/** What the web application is built of, as the lock file says; what only builds or tests it does not ship. */
function fromNpm() {
  return Object.entries(json(root, 'package-lock.json').packages)
    .filter(([path, p]) => path.includes('node_modules/') && !p.dev && !p.link && !p.devOptional && !p.optional)
    .map(([path, p]) => ({
      name: path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length),
      version: p.version,
      licence: p.license ?? 'see its notice',
      notice: existsSync(join(root, path)) ? noticeIn(join(root, path)) : '',
    }));
}

/** What the server is built of. */
function fromNuGet() {
  const packages = process.env.NUGET_PACKAGES ?? join(homedir(), '.nuget/packages');
  const locked = json(root, 'src/MorningRound.Server/packages.lock.json').dependencies;
  return Object.entries(Object.assign({}, ...Object.values(locked)))
    .filter(([, p]) => p.type !== 'Project')
    .map(([name, { resolved: version }]) => {
      const folder = join(packages, name.toLowerCase(), version);
      const about = read(folder, `${name.toLowerCase()}.nuspec`);
      const licence = /<license type="expression">([^<]+)</.exec(about)?.[1] ?? 'see its notice';
      const owner = /<copyright>([^<]+)</.exec(about)?.[1] ?? /<authors>([^<]+)</.exec(about)?.[1] ?? '';
      return { name, version, licence, notice: noticeIn(folder) || owner };
    });
}

/** Taken into the source itself. */
const taken = {
  name: 'common-passwords.txt, from @zxcvbn-ts/language-common',
  version: '3.0.4',
  licence: 'MIT',
  notice: 'Copyright (c) 2012-2016 Dan Wheeler and Dropbox, Inc.\nCopyright (c) 2021 MrWook',
};

const everything = [...fromNpm(), ...fromNuGet(), taken].sort((a, b) =>
  a.name.toLowerCase() < b.name.toLowerCase() ? -1 : 1,
);
const notices = new Map();
for (const { name, notice } of everything.filter((p) => p.notice))
  notices.set(notice, [...(notices.get(notice) ?? []), name]);
const text = [
  'Morning Round is built of these, with thanks.',
  '',
  ...everything.map((p) => `${p.name} ${p.version}: ${p.licence}`),
  ...[...notices].flatMap(([notice, names]) => ['', '='.repeat(100), names.join(', '), '', notice]),
  '',
  '='.repeat(100),
  'The MIT licence, for those above that say no more than whose they are',
  '',
  // Our own is the same, with another name above it.
  read(root, 'LICENSE').slice(read(root, 'LICENSE').indexOf('Permission is')).trim(),
  '',
].join('\n');

if (process.argv.includes('--check')) {
  if (!existsSync(target) || readFileSync(target, 'utf8') !== text) {
    console.error('web/public/licences.txt is not current. Run node scripts/licences.mjs and commit what it writes.');
    process.exit(1);
  }
} else {
  writeFileSync(target, text);
  console.log(`${everything.length} packages, ${notices.size} notices, ${Math.round(text.length / 1000)} kB`);
}
