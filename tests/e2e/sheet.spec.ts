import { randomUUID } from 'node:crypto';
import { expect, type Page } from '@playwright/test';
import { addStudent, comeIn, setAndPublish, test, toStudent } from './people';

const isNew = { 'If-None-Match': '*' };

/** A squad of so many students, each with two sessions in a week. */
async function squadOf(coach: Page, name: string, size: number, week: string): Promise<string> {
  const plans = ((await (await coach.request.get('/api/plans')).json()) as { plans: { id: string; title: string }[] })
    .plans;
  const planOf = (title: string) => plans.find((p) => p.title === title)?.id;
  const members = Array.from({ length: size }, () => randomUUID());
  await Promise.all(
    members.map((id, i) =>
      coach.request.put(`/api/students/${id}`, {
        data: { name: `${name} ${String(i + 1).padStart(2, '0')}`, hand: 'right', level: 'improving', coachNote: '' },
        headers: isNew,
      }),
    ),
  );
  for (const title of ['Putts from both ends', 'Round Ferry green']) {
    const data = {
      planId: planOf(title),
      sessions: members.map((studentId) => ({ id: randomUUID(), studentId })),
      isTailored: false,
    };
    expect((await coach.request.post(`/api/weeks/${week}/set`, { data })).status()).toBe(200);
  }
  const squad = randomUUID();
  const made = await coach.request.put(`/api/squads/${squad}`, { data: { name, members }, headers: isNew });
  expect(made.status()).toBe(200);
  return squad;
}

const status = (page: Page) => page.getByRole('status').first();
const cell = (page: Page, row: number, column: number) => page.locator(`[data-cell="${row} ${column}"]`);

/** Drags a session from one cell into another. */
async function drag(page: Page, from: [number, number], to: [number, number]) {
  const start = await cell(page, ...from)
    .locator('.chip')
    .first()
    .boundingBox();
  const end = await cell(page, ...to).boundingBox();
  if (!start || !end) throw new Error('Nothing to drag.');
  await page.mouse.move(start.x + 20, start.y + 8);
  await page.mouse.down();
  await page.mouse.move(start.x + 40, start.y + 12);
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 4 });
  await page.mouse.up();
}

test('a week for twenty is copied, changed, placed and published in a few actions, by mouse and by keys', async ({
  page,
}) => {
  await comeIn(page, 'coach');
  const squad = await squadOf(page, 'Twenty', 20, '2026-W29');
  let actions = 0;
  const act = async (action: () => Promise<unknown>, said: RegExp) => {
    actions += 1;
    await action();
    await expect(status(page)).toHaveText(said);
  };
  const press = (name: RegExp) => () => page.getByRole('button', { name }).click();

  await page.goto(`/week?week=2026-W30&squad=${squad}`);
  await expect(page.getByRole('row')).toHaveCount(21);
  await act(press(/^Copy last week/), /^Copied 40.sessions/);
  for (const row of [0, 1, 2]) await act(() => drag(page, [row, 0], [row, 5]), /^Moved 1.session/);
  await act(press(/^Place for me/), /^Placed 37.sessions/);
  await expect(cell(page, 0, 5).locator('.chip')).toHaveCount(1);
  actions += 1;
  await press(/^Publish/)();
  const dialog = page.getByRole('dialog', { name: /Publish 40.sessions for 20.students/ });
  await act(() => dialog.getByRole('button', { name: 'Publish' }).click(), /^Published 40.sessions/);
  expect(actions).toBeLessThanOrEqual(25);

  // The week after, by keys alone.
  actions = 0;
  await page.goto(`/week?week=2026-W31&squad=${squad}`);
  await expect(page.getByRole('row')).toHaveCount(21);
  const key = async (name: string) => {
    actions += 1;
    await page.keyboard.press(name);
  };
  await act(() => page.keyboard.press('l'), /^Copied 40.sessions/);
  await key('ArrowRight');
  await key('ArrowRight');
  await expect(cell(page, 0, 1)).toBeFocused();
  for (const row of [0, 1, 2]) {
    await key(' ');
    await expect(status(page)).toHaveText(/^Carrying 1.session/);
    await key('ArrowRight');
    await act(() => page.keyboard.press(' '), /^Moved 1.session/);
    if (row < 2) await key('ArrowDown');
    if (row < 2) await key('ArrowLeft');
  }
  await act(() => page.keyboard.press('g'), /^Placed 37.sessions/);
  await key('p');
  await expect(page.getByRole('dialog', { name: /Publish 40/ })).toBeVisible();
  await act(() => page.keyboard.press('Enter'), /^Published 40.sessions/);
  expect(actions).toBeLessThanOrEqual(25);
});

test('everything on the sheet can be taken back, publishing too', async ({ page }) => {
  await comeIn(page, 'coach');
  const squad = await squadOf(page, 'Three', 3, '2026-W33');
  await page.goto(`/week?week=2026-W34&squad=${squad}`);
  await expect(page.getByRole('row')).toHaveCount(4);
  const chips = page.locator('.chip');
  const undo = async (said: RegExp) => {
    await page.keyboard.press('Control+z');
    await expect(status(page)).toHaveText(said);
  };
  await page.getByRole('button', { name: /^Copy last week/ }).click();
  await expect(chips).toHaveCount(6);

  // Two lines are selected; copied and put in beside, taken out, and all of it taken back.
  // Beside the sessions of the cell, so that none of them is taken by itself.
  await cell(page, 0, 0).click({ position: { x: 2, y: 2 } });
  await page.keyboard.press('c');
  await expect(status(page)).toHaveText(/^Copied 2.sessions/);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('v');
  await expect(status(page)).toHaveText(/^Put in 4.sessions/);
  await expect(chips).toHaveCount(10);
  await page.keyboard.press('x');
  await expect(status(page)).toHaveText(/^Took out 4.sessions/);
  await expect(chips).toHaveCount(6);
  await undo(/^Taken back: took out 4/);
  await expect(chips).toHaveCount(10);
  await undo(/^Taken back: put in 4/);
  await expect(chips).toHaveCount(6);

  await cell(page, 0, 0).click();
  await page.keyboard.press('p');
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.locator('.chip.published')).toHaveCount(6);
  await undo(/^Taken back: published 6/);
  await expect(page.locator('.chip.draft')).toHaveCount(6);
  await undo(/^Taken back: copied 6/);
  await expect(chips).toHaveCount(0);
});

test('a plan is put in from the drawer, made each one’s own, and another coach’s change is told', async ({ page }) => {
  await comeIn(page, 'coach');
  const squad = await squadOf(page, 'Two', 2, '2026-W36');
  await page.goto(`/week?week=2026-W36&squad=${squad}`);
  await expect(page.locator('.chip')).toHaveCount(4);
  await page.keyboard.press('d');
  const drawer = page.getByRole('region', { name: 'Plans' });
  await drawer.getByLabel('Words').fill('tee to the board');
  const plan = drawer.getByText('From the tee to the board');
  await expect(plan).toBeVisible();
  await expect(drawer.getByRole('button', { name: /^Put / })).toHaveCount(1);
  const start = await plan.boundingBox();
  const end = await cell(page, 1, 3).boundingBox();
  if (!start || !end) throw new Error('Nothing to drag.');
  await page.mouse.move(start.x + 10, start.y + 8);
  await page.mouse.down();
  await page.mouse.move(start.x - 30, start.y + 8);
  await page.mouse.move(end.x + 20, end.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(status(page)).toHaveText(/^Put in 1.session/);
  await cell(page, 1, 3).locator('.chip').click();
  await expect(page.getByRole('region', { name: 'In hand' })).toContainText('From the tee to the board');

  // Meanwhile, somewhere else, the session goes to Sunday.
  const sheet = (await (await page.request.get(`/api/weeks/2026-W36/sheet?squad=${squad}`)).json()) as {
    rows: { sessions: { assignmentId: string; version: number; day: string | null }[] }[];
  };
  const session = sheet.rows[1]?.sessions.find((s) => s.day === '2026-09-02');
  const data = { changes: [{ kind: 'move', id: session?.assignmentId, version: session?.version, day: '2026-09-06' }] };
  expect((await page.request.post('/api/weeks/changes', { data })).status()).toBe(200);
  await drag(page, [1, 3], [1, 4]);
  await expect(page.getByRole('alert')).toContainText(
    '“From the tee to the board” of Two 02: Somebody saved a newer version in the meantime. Nothing was overwritten.',
  );
  await expect(cell(page, 1, 7).locator('.chip')).toHaveCount(1);
});

test('one act excuses everybody’s day, a moved one leaves what needs no range, and it is taken back', async ({
  page,
}) => {
  await comeIn(page, 'coach');
  const squad = await squadOf(page, 'Storm', 2, '2026-W38');
  await page.goto(`/week?week=2026-W38&squad=${squad}`);
  await expect(page.locator('.chip')).toHaveCount(4);
  await page.keyboard.press('g');
  await expect(status(page)).toHaveText(/^Placed 4.sessions/);
  await page.getByRole('button', { name: 'Mon 14 Sept: move or excuse everybody’s' }).click();
  // Putts and chips need no range: a day that moves leaves them.
  await expect(page.getByRole('menuitem', { name: /2.sessions without a range stay/ })).toBeVisible();
  await expect(page.getByRole('menuitem', { name: /^Move/ })).toHaveCount(0);
  await page.getByRole('menuitem', { name: /excuse 2.sessions/ }).click();
  await expect(page.locator('.chip.excused')).toHaveCount(2);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.locator('.chip.excused')).toHaveCount(0);
});

test('a squad is made, filled and shown, and an empty one says what to do', async ({ page }) => {
  await comeIn(page, 'coach');
  await page.goto('/week');
  await page.getByRole('button', { name: 'Squads', exact: true }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'New squad' }).click();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toContainText('Please write something here.');
  await dialog.getByLabel('Name').fill('Rainy days');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await dialog.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Rainy days (0)' }).click();
  await expect(page.getByText('Nobody is in this squad')).toBeVisible();

  // Deleted, it waits with everything else that was.
  await page.getByRole('button', { name: 'Squads', exact: true }).click();
  await dialog.getByRole('button', { name: 'Change Rainy days' }).click();
  await dialog.getByRole('button', { name: 'Delete squad' }).click();
  await expect(page.getByTestId('deleted')).toContainText('“Rainy days” deleted.');
  await expect(page.getByRole('button', { name: 'Rainy days (0)' })).toHaveCount(0);
  await expect(page.getByRole('rowheader', { name: 'Carla Vintholm' })).toBeVisible();
  await page.getByRole('button', { name: 'Squads', exact: true }).click();
  await dialog.getByRole('link', { name: 'Recently deleted' }).click();
  const row = page.getByRole('listitem').filter({ hasText: 'Rainy days' });
  await expect(row).toContainText('Squad, deleted');
  await row.getByRole('button', { name: 'Restore' }).click();
  await expect(row).toHaveCount(0);
  await page.goto('/week');
  await expect(page.getByRole('button', { name: 'Rainy days (0)' })).toBeVisible();
});

test('a plan is drafted for whoever is selected, and put in', async ({ page }) => {
  await comeIn(page, 'coach');
  const squad = await squadOf(page, 'Drafted', 1, '2026-W37');
  await page.goto(`/week?week=2026-W38&squad=${squad}`);
  await cell(page, 0, 2).click();
  await page.keyboard.press('d');
  await page.getByRole('button', { name: 'Draft one' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Draft', exact: true }).click();
  await expect(status(page)).toHaveText(/^Put in 1.session/);
  await expect(cell(page, 0, 2).locator('.chip')).toHaveCount(1);
});

test('a student is handed to another coach, with the week and what is planned in it', async ({ page, browser }) => {
  await comeIn(page, 'coach');
  const invited = await page.request.post('/api/accounts/coach-invitations');
  const { path } = (await invited.json()) as { path: string };
  const other = await (await browser.newContext()).newPage();
  const accepted = await other.request.post(`/api/accounts/invitations/${path.split('/').at(-1) ?? ''}/accept`, {
    data: { email: 'vera@sheet.example', password: 'a made-up password', name: 'Vera Vertretung', timeZone: 'UTC' },
  });
  expect(accepted.status()).toBe(200);
  await addStudent(page, 'Uwe Übergabe');
  await setAndPublish(page, /Putts from both ends/, '2026-05-08');
  await toStudent(page);
  await page.getByRole('button', { name: 'Hand over' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('With the student go 1 session of this week');
  await dialog.getByLabel('To').selectOption({ label: 'Vera Vertretung' });
  await dialog.getByRole('button', { name: 'Hand over' }).click();
  await expect(page.getByText('another coach’s student')).toBeVisible();

  // The other one has this student, and the session, first; everybody else is one press away.
  await other.goto('/week');
  await expect(other.getByRole('rowheader')).toHaveText([/^Uwe Übergabe/]);
  await expect(other.locator('.chip')).toHaveText(/Putts from both ends/);
  await other.getByRole('button', { name: /^Everybody/ }).click();
  await expect(other.getByRole('row', { name: /^Otto Lanevik/ })).toBeVisible();
  await other.goto('/tee-line');
  await expect(other.getByRole('button', { name: 'Mine (1)' })).toHaveAttribute('aria-pressed', 'true');
  await page.goto('/week');
  await expect(page.getByRole('button', { name: /^Mine/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('row', { name: /^Uwe Übergabe/ })).toHaveCount(0);

  // And back: whoever looks after nobody has everybody’s.
  await toStudent(other, page);
  await other.getByRole('button', { name: 'Hand over' }).click();
  await other.getByRole('dialog').getByLabel('To').selectOption({ label: 'Maren Tolve' });
  await other.getByRole('dialog').getByRole('button', { name: 'Hand over' }).click();
  await expect(other.getByText('another coach’s student')).toBeVisible();
});
