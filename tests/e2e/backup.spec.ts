import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join as pathOf } from 'node:path';
import { expect, type APIRequestContext } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { addStudent, comeIn, join, onPhone, setAndPublish, test } from './people';

const root = pathOf(import.meta.dirname, '../..');

/** What screens are drawn from, as JSON. */
async function screens(api: APIRequestContext, base: string): Promise<string[]> {
  const students = (await (await api.get(`${base}/api/students`)).json()) as { id: string }[];
  const paths = [
    '/api/students',
    '/api/plans',
    '/api/review/goals',
    '/api/weeks/2026-W19/sheet',
    ...students.map((s) => `/api/exports/students/${s.id}`),
  ];
  const answers = [];
  for (const path of paths) {
    const answer = await api.get(base + path);
    expect(answer.status(), path).toBe(200);
    answers.push(await answer.text());
  }
  return answers;
}

/** Starts a second application on what a file holds, and says what it said once it answers. */
async function begunWith(
  option: '--restore' | '--academy',
  file: string,
  port: number,
): Promise<{ process: ChildProcess; said: string }> {
  const data = mkdtempSync(pathOf(tmpdir(), 'morning-round-restored-'));
  const started = spawn(
    pathOf(root, 'start'),
    [option, file, '--data', data, '--port', String(port), '--today', '2026-05-06'],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const said = await new Promise<string>((done, failed) => {
    let all = '';
    started.stdout.on('data', (part: Buffer) => {
      all += String(part);
      if (all.includes('Ctrl-C')) done(all);
    });
    started.on('exit', (code) => failed(new Error(`./start ${option} ended with ${String(code)}`)));
  });
  return { process: started, said };
}

test('a backup made while phones send holds what was acknowledged before it, and gives the same screens elsewhere', async ({
  browser,
  page,
}) => {
  await comeIn(page, 'coach');
  const phone = await onPhone(browser);
  await join(phone, await addStudent(page, 'Imke Vaart'), 'imke@osier-island.example');
  await setAndPublish(page, /Putts from both ends/, '2026-05-06');
  const week = (await (await phone.request.get('/api/accounts/session')).json()) as {
    person: { studentId: string; accountId: string };
  };
  const { sessions } = (await (
    await phone.request.get(`/api/weeks/2026-W19/students/${week.person.studentId}`)
  ).json()) as { sessions: { assignmentId: string }[] };
  const assignmentId = sessions[0]?.assignmentId ?? '';
  const { plan } = (await (await phone.request.get(`/api/sessions/${assignmentId}`)).json()) as {
    plan: { segments: { id: string }[] };
  };

  // A phone that never stops: each entry is acknowledged or not.
  const logId = randomUUID();
  let acknowledged = 0;
  let isOver = false;
  const sending = (async () => {
    for (let sequence = 1; !isOver && sequence < 400; sequence++) {
      const segmentId = plan.segments[0]?.id;
      const entry = { sequence, at: '2026-05-06T09:00:00Z', segmentId };
      const entries = [sequence === 1 ? { kind: 'entered', ...entry } : { kind: 'counted', ...entry, balls: 1 }];
      const sent = await phone.request.post(`/api/sessions/logs/${logId}/entries`, {
        data: { assignmentId, accountId: week.person.accountId, entries },
      });
      expect(sent.status(), await sent.text()).toBe(200);
      acknowledged = sequence;
    }
  })();
  await expect.poll(() => acknowledged).toBeGreaterThan(5);
  const before = acknowledged;
  const shownBefore = await screens(page.request, '');
  const file = pathOf(mkdtempSync(pathOf(tmpdir(), 'morning-round-backup-')), 'all.dump');
  await new Promise<void>((done, failed) =>
    spawn(pathOf(root, 'backup'), [file, '--data', process.env.E2E_DATA ?? ''], { stdio: 'inherit' }).on(
      'exit',
      (code) => (code === 0 ? done() : failed(new Error(`./backup ended with ${String(code)}`))),
    ),
  );
  isOver = true;
  await sending;
  const shownAfter = await screens(page.request, '');
  // Nobody else reads it.
  expect(statSync(file).mode & 0o077).toBe(0);

  const port = Number(process.env.E2E_PORT) + 1;
  const second = await begunWith('--restore', file, port);
  try {
    const base = `http://127.0.0.1:${port}`;
    // The keys of the cookies are in the backup: whoever was signed in still is.
    const theirs = await phone.request.get(`${base}/api/exports/students/${week.person.studentId}`);
    const held = ((await theirs.json()) as { entries: { logId: string }[] }).entries.filter((e) => e.logId === logId);
    expect(held.length).toBeGreaterThanOrEqual(before);
    expect(held.length).toBeLessThanOrEqual(acknowledged);
    const there = await screens(page.request, base);
    // What was the same before the backup and after it is the same in there, letter by letter.
    const unchanged = shownBefore.map((text, i) => (text === shownAfter[i] ? text : undefined));
    expect(unchanged.filter((text) => text !== undefined).length).toBeGreaterThan(5);
    unchanged.forEach((text, i) => text === undefined || expect(there[i]).toBe(text));
  } finally {
    second.process.kill('SIGINT');
  }
});

test('a backup goes nowhere half, and a broken one restores nothing', () => {
  const data = process.env.E2E_DATA ?? '';
  const fails = (command: string, ...args: string[]) => {
    try {
      execFileSync(pathOf(root, command), args, { stdio: 'pipe' });
      return '';
    } catch (e) {
      return String((e as { stderr: Buffer }).stderr);
    }
  };
  const folder = mkdtempSync(pathOf(tmpdir(), 'morning-round-broken-'));
  expect(fails('backup', pathOf(folder, 'none', 'x.dump'), '--data', data)).toContain('Nothing can be written');
  expect(fails('backup', pathOf(folder, 'x.dump'), '--data', folder)).toContain('No Morning Round is running');
  const broken = pathOf(folder, 'broken.dump');
  writeFileSync(broken, 'not a backup at all');
  const restoring = fails('start', '--restore', broken, '--data', folder, '--port', '1');
  expect(restoring).toContain('could not be restored');
  expect(readFileSync(broken, 'utf8')).toBe('not a backup at all');
  expect(fails('start', '--restore', pathOf(folder, 'absent'), '--data', folder)).toContain('cannot be read');
  const moving = fails('start', '--academy', broken, '--data', pathOf(folder, 'moved'), '--port', '1');
  expect(moving).toContain('The archive is damaged or none of Morning Round');
});

test('an academy taken out by its owner begins another database, and the owner comes in by the link', async ({
  page,
  browser,
}) => {
  await comeIn(page, 'coach');
  await page.goto('/people');
  await page.getByRole('link', { name: 'What is kept', exact: true }).click();
  await page.getByLabel('What was practised').selectOption('2');
  await expect(page.getByText(/Nothing is older today/)).toBeVisible();
  await page.getByLabel('Security log').fill('9');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('From 30 to 730 days.')).toBeVisible();
  await page.getByLabel('Security log').fill('400');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();

  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: /The whole academy/ }).click();
  const file = pathOf(mkdtempSync(pathOf(tmpdir(), 'morning-round-moving-')), 'academy.zip');
  await (await saved).saveAs(file);
  const port = Number(process.env.E2E_PORT) + 1;
  const second = await begunWith('--academy', file, port);
  try {
    const link = /password: (http\S+)/.exec(second.said)?.[1] ?? '';
    const owner = await (await browser.newContext()).newPage();
    await owner.goto(link);
    await owner.getByLabel('New password').fill('reeds bend, dykes hold');
    await owner.getByRole('button', { name: 'Keep it and come in' }).click();
    await expect(owner.getByRole('heading', { name: 'Tee line' })).toBeVisible();
    await owner.goto(`http://127.0.0.1:${port}/people/data`);
    await expect(owner.getByLabel('Security log')).toHaveValue('400');
    await expect(owner.getByLabel('What was practised')).toHaveValue('2');
  } finally {
    second.process.kill('SIGINT');
  }
});

test.describe.configure({ mode: 'serial' });

test('a log goes on where it was, is turned when it is full, and loses no line', () => {
  const file = pathOf(mkdtempSync(pathOf(tmpdir(), 'morning-round-log-')), 'server.log');
  const keep = (lines: string[]) =>
    execFileSync('node', [pathOf(root, 'scripts/keep-log.mjs'), file, '1000'], { input: `${lines.join('\n')}\n` });
  const lines = Array.from({ length: 60 }, (_, i) => `line ${i} ${'x'.repeat(40)}`);
  keep(lines.slice(0, 10));
  keep(lines.slice(10));
  const kept = ['.2', '.1', ''].flatMap((end) => readFileSync(`${file}${end}`, 'utf8').trim().split('\n'));
  expect(kept).toEqual(lines);
  expect(statSync(file).mode & 0o077).toBe(0);
});
