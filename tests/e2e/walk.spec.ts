import { randomUUID } from 'node:crypto';
import { expect, type Page } from '@playwright/test';
import { isClean } from './clean';
import { comeIn, onPhone, test, toDemoStudent } from './people';

const isNew = { 'If-None-Match': '*' };
const judged = '2026-W19';
const planned = '2026-W20';

/** Drills of the shelf with steps, each counted by what is made. */
const drillIds = ['41', '43', '49'].map((end) => `d2111000-0000-7000-8000-0000000000${end}`);

interface Drill {
  name: string;
  phases: string[];
  intents: string[];
  places: string[];
  ladder: { name: string; goal: object }[];
}

const read = async <T>(page: Page, path: string) => (await (await page.request.get(path)).json()) as T;

/** A coach of their own, who looks after nobody yet. */
async function newCoach(owner: Page, page: Page, email: string) {
  const invited = await owner.request.post('/api/accounts/coach-invitations');
  const token = ((await invited.json()) as { path: string }).path.split('/').at(-1) ?? '';
  const data = { email, password: 'a made-up password', name: 'Ylva Strandholt', academyName: null, timeZone: 'UTC' };
  expect((await page.request.post(`/api/accounts/invitations/${token}/accept`, { data })).status()).toBe(200);
}

/** A plan of three drills on their first steps. */
async function savePlan(page: Page) {
  const drills = await Promise.all(drillIds.map((id) => read<{ drill: Drill }>(page, `/api/drills/${id}`)));
  const segments = drills.map(({ drill }, i) => ({
    kind: 'practice',
    id: randomUUID(),
    title: drill.name,
    phase: drill.phases[0],
    intent: drill.intents[0],
    place: drill.places[0],
    minutes: 15,
    balls: 20,
    focus: 'keep it going',
    exit: { kind: 'balls' },
    drill: { drillId: drillIds[i], drill, rung: 0, goal: drill.ladder[0]?.goal },
  }));
  const id = randomUUID();
  const data = { title: 'Three to judge', purpose: 'See what goes up', segments };
  expect((await page.request.put(`/api/plans/${id}`, { data, headers: isNew })).status()).toBe(200);
  return { id, segments: segments.map((s) => s.id) };
}

/** A student whose three sessions of the week came in on paper, all of them better than was asked. */
async function addPractised(page: Page, name: string, plan: { id: string; segments: string[] }, accountId: string) {
  const studentId = randomUUID();
  const student = { name, hand: 'right', level: 'improving', coachNote: '' };
  expect((await page.request.put(`/api/students/${studentId}`, { data: student, headers: isNew })).status()).toBe(200);
  const sessions = ['2026-05-04', '2026-05-05', '2026-05-06'].map((day) => ({ id: randomUUID(), day }));
  for (const { id, day } of sessions) {
    const data = { studentId, planId: plan.id, week: judged, day, requirement: 'must' };
    expect((await page.request.put(`/api/weeks/assignments/${id}`, { data, headers: isNew })).status()).toBe(200);
  }
  const published = await page.request.post(`/api/weeks/${judged}/publish`, { data: { students: [studentId] } });
  expect(published.status()).toBe(200);
  for (const { id: assignmentId, day } of sessions) {
    const entries: object[] = [];
    const add = (kind: string, more: object) =>
      entries.push({ kind, sequence: entries.length + 1, at: `${day}T08:00:00Z`, ...more });
    add('opened', { recording: 'paper' });
    for (const segmentId of plan.segments)
      for (let attempt = 1; attempt <= 20; attempt++)
        add('answered', { segmentId, flowVersion: 1, input: { kind: 'choice', attempt, value: 'made' } });
    add('rated', { confidence: 7, quality: 7 });
    add('finished', {});
    const path = `/api/sessions/logs/${randomUUID()}/entries`;
    const sent = await page.request.post(path, { data: { assignmentId, accountId, entries } });
    expect(await sent.text()).toContain('lastSequence');
  }
  return studentId;
}

test('twenty students are walked, judged and published with a handful of keys each', async ({
  page: owner,
  browser,
}) => {
  test.setTimeout(180_000);
  await comeIn(owner, 'coach');
  const coach = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await newCoach(owner, coach, 'ylva@walk.example');
  const { accountId } = (await read<{ person: { accountId: string } }>(coach, '/api/accounts/session')).person;
  const plan = await savePlan(coach);
  const students: string[] = [];
  for (let n = 1; n <= 20; n++)
    students.push(await addPractised(coach, `Walked ${String(n).padStart(2, '0')}`, plan, accountId));

  await coach.goto('/tee-line');
  await expect(coach.getByText('20 bays')).toBeVisible();
  let acts = 0;
  const press = async (key: string) => {
    acts++;
    await coach.keyboard.press(key);
  };
  await coach.keyboard.press('w');
  const suggestions = coach.getByRole('region', { name: 'Suggestions' });
  const perStudent: number[] = [];
  for (let n = 1; n <= 20; n++) {
    acts = 0;
    await expect(coach.getByText(`of 20, ${n - 1} seen`)).toBeVisible();
    await expect(suggestions.getByRole('listitem')).toHaveCount(3);
    if (n === 1) await isClean(coach, 'a stop of the walk');
    for (let change = 1; change <= 3; change++) {
      await press('t');
      await expect(suggestions.getByText('taken', { exact: true })).toHaveCount(change);
    }
    await press('p');
    await expect(coach.getByRole('region', { name: 'Next week' }).getByText('published')).toHaveCount(3);
    if (n === 3) {
      // Interrupted, it goes on where it was.
      await coach.goto('/walk');
      await expect(coach.getByText('stop 1 of 20, 2 seen')).toBeVisible();
      await expect(suggestions.getByText('taken', { exact: true })).toHaveCount(3);
    }
    await press('Enter');
    perStudent.push(acts);
  }
  await expect(coach.getByRole('heading', { name: 'All 20 seen' })).toBeVisible();
  // Twelve a student are allowed; five are needed.
  expect(perStudent).toHaveLength(20);
  expect(Math.max(...perStudent)).toBeLessThanOrEqual(12);

  for (const studentId of students) {
    const week = await read<{ sessions: { assignmentId: string; isPublished: boolean }[] }>(
      coach,
      `/api/weeks/${planned}/students/${studentId}`,
    );
    expect(week.sessions.map((s) => s.isPublished)).toEqual([true, true, true]);
  }
});

test('another step is taken than the one suggested', async ({ page: owner, browser }) => {
  await comeIn(owner, 'coach');
  const coach = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await newCoach(owner, coach, 'alva@walk.example');
  const { accountId } = (await read<{ person: { accountId: string } }>(coach, '/api/accounts/session')).person;
  await addPractised(coach, 'Otto Stromberg', await savePlan(coach), accountId);
  await coach.goto('/walk');
  const suggestions = coach.getByRole('region', { name: 'Suggestions' });
  await expect(suggestions.getByRole('listitem')).toHaveCount(3);
  await coach.keyboard.press('o');
  const dialog = coach.getByRole('dialog');
  // The step it stands on is no other one, and without one there is nothing to take.
  const options = dialog.getByLabel('Step').locator('option');
  await expect(options.first()).toHaveText('choose one');
  const steps = await options.allTextContents();
  await expect(dialog.getByRole('button', { name: 'Take this' })).toBeDisabled();
  await dialog.getByLabel('Step').selectOption(steps.at(-1) ?? '');
  await isClean(coach, 'another change');
  await dialog.getByRole('button', { name: 'Take this' }).click();
  await expect(suggestions.getByText(`now on: ${steps.at(-1)}.`)).toBeVisible();
});

test('a word is said on the walk, and the student answers it at the week', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const phone = await onPhone(browser);
  await comeIn(phone, 'student');
  await expect(phone.getByText('On Thursday I only have forty minutes.')).toBeVisible();
  const { studentId } = (await read<{ person: { studentId: string } }>(phone, '/api/accounts/session')).person;
  await coach.goto('/walk');
  await coach.getByRole('group', { name: /^Bays/ }).getByTitle('Otto Lanevik').click();
  await expect(coach.getByText('On Thursday I only have forty minutes.')).toBeVisible();
  await coach.keyboard.press('w');
  await coach.keyboard.type('Putts. The start line keeps until Saturday.');
  await coach.keyboard.press('Enter');
  await expect
    .poll(async () => (await read<{ word: string }>(coach, `/api/weeks/${judged}/students/${studentId}/word`)).word)
    .toContain('Putts.');
  await phone.reload();
  await expect(phone.getByText('Putts. The start line keeps until Saturday.')).toBeVisible();
  await phone.getByRole('button', { name: 'Answer' }).click();
  await phone.getByLabel('Your answer').fill('Good, then I bring the gate.');
  await phone.getByRole('button', { name: 'Send' }).click();
  await expect(phone.getByText('You answered:')).toBeVisible();
  await isClean(phone, 'the word at the week');
});

test('two coaches pass each other on the walk, and a decision that fails once is not lost', async ({
  page: owner,
  browser,
}) => {
  await comeIn(owner, 'coach');
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await newCoach(owner, other, 'signe@walk.example');
  await owner.goto('/walk');
  const where = (page: Page) => page.getByRole('heading', { level: 1 });
  await expect(owner.getByRole('region', { name: 'Suggestions' })).toBeVisible();
  const first = (await where(owner).textContent()) ?? '';
  await other.goto('/walk?whose=everybody');
  await expect(other.getByRole('region', { name: 'Suggestions' })).toBeVisible();
  await expect(where(other)).not.toHaveText(first);

  const suggestions = owner.getByRole('region', { name: 'Suggestions' });
  await owner.route('**/decision', (route) => route.abort(), { times: 1 });
  await owner.keyboard.press('t');
  await expect(owner.getByRole('alert')).toContainText('No connection');
  await expect(suggestions.getByText('taken', { exact: true })).toHaveCount(0);
  await owner.keyboard.press('t');
  await expect(suggestions.getByText('taken', { exact: true })).toHaveCount(1);
});

test('a report covers a span, prints alone, and holds nothing private of the coach; data goes out as tables', async ({
  page: coach,
}) => {
  await comeIn(coach, 'coach');
  await toDemoStudent(coach, 'Henrik Solmar');
  await coach.getByRole('link', { name: 'Report' }).click();
  const report = coach.getByRole('article');
  await expect(report).toContainText('Henrik Solmar');
  await expect(report).not.toContainText('Cleared by his physiotherapist');
  await expect(report).toContainText('in 12 weeks');
  await coach.getByLabel('Over').selectOption('4');
  await expect(report).toContainText('in 4 weeks');
  await coach.emulateMedia({ media: 'print' });
  await expect(coach.getByRole('button', { name: 'Print' })).toBeHidden();
  await coach.emulateMedia({ media: 'screen' });
  const everything = (await (
    await coach.request.get((await coach.getByRole('link', { name: 'Everything as JSON' }).getAttribute('href')) ?? '')
  ).json()) as Record<string, unknown>;
  expect(Object.keys(everything)).toEqual(expect.arrayContaining(['sessions', 'entries', 'results']));
  await coach.goto('/goals');
  await coach.getByRole('button', { name: 'Data' }).click();
  const [download] = await Promise.all([
    coach.waitForEvent('download'),
    coach.getByRole('menuitem', { name: /^results/ }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^morning-round-results-.*\.csv$/);
});
