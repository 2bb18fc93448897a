import { expect, type Page } from '@playwright/test';
import { addStudent, comeIn, test } from './people';

const rows = (page: Page) => page.getByTestId('segment-row');
const titles = async (page: Page) =>
  (await rows(page).locator('button[aria-pressed] div div:first-child').allInnerTexts()).map((t) => t.trim());

async function newPlan(page: Page, title: string) {
  await comeIn(page, 'coach');
  await page.goto('/plans/new');
  await page.getByLabel('Title').fill(title);
  await page.getByLabel('Title').blur();
  for (const key of ['w', 'b', 'r']) await page.keyboard.press(key);
  await expect(rows(page)).toHaveCount(3);
}

test('segments are moved and resized by keys', async ({ page }) => {
  await newPlan(page, 'By keys');
  await page.keyboard.press('Alt+ArrowUp');
  expect(await titles(page)).toEqual(['Warm-up', 'Random', 'Block']);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Alt+ArrowRight');
  await page.keyboard.press('Alt+ArrowRight');
  // 10 + 2 minutes of warm-up, 15 of random, 15 of block.
  await expect(page.getByRole('region', { name: 'Totals' })).toContainText('42 min');
  await page.keyboard.press('Delete');
  await expect(rows(page)).toHaveCount(2);
  await page.keyboard.press('Control+z');
  expect(await titles(page)).toEqual(['Warm-up', 'Random', 'Block']);
});

test('segments are moved by dragging', async ({ page }) => {
  await newPlan(page, 'By dragging');
  await page.getByRole('button', { name: 'Move Random' }).scrollIntoViewIfNeeded();
  const handle = (await page.getByRole('button', { name: 'Move Random' }).boundingBox())!;
  const target = (await rows(page).first().boundingBox())!;
  await page.mouse.move(handle.x + 8, handle.y + 8);
  await page.mouse.down();
  await page.mouse.move(handle.x + 8, handle.y - 20, { steps: 5 });
  await page.mouse.move(target.x + 8, target.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect.poll(() => titles(page)).toEqual(['Random', 'Warm-up', 'Block']);
});

test('what a plan lacks is said at its field and before it can be published', async ({ page }) => {
  await newPlan(page, 'Lacking');
  await expect(page.getByRole('region', { name: 'Totals' })).toContainText('A session needs a purpose');
  await rows(page).getByText('Block', { exact: true }).click();
  await page.getByRole('tab', { name: 'How' }).click();
  await page.getByLabel('It is over').selectOption('until');
  await expect(page.getByRole('alert').filter({ hasText: 'Please write something here.' })).toBeVisible();
  // A part that is not shown says so too.
  await page.getByRole('tab', { name: 'Task' }).click();
  await page.getByRole('tab', { name: 'How (to mend)' }).click();
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('not saved yet');
  await page.getByLabel('Aim').fill('three are centred running');
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
});

test('changes that were not saved survive a closed tab', async ({ page }) => {
  await newPlan(page, 'Half written');
  await page.getByRole('link', { name: 'Tee line' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Leave' }).click();
  await page.goto('/plans/new');
  await expect(page.getByText('Changes you had not saved are back.')).toBeVisible();
  await expect(page.getByLabel('Title')).toHaveValue('Half written');
  await page.getByRole('button', { name: 'Drop them' }).click();
  await expect(page.getByLabel('Title')).toHaveValue('');
});

test('two coaches on one plan do not overwrite each other silently', async ({ page, context }) => {
  await newPlan(page, 'Shared');
  await page.keyboard.press('Control+s');
  await expect(page).toHaveURL(/\/plans\/[0-9a-f-]{36}$/);
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByLabel('Purpose').fill('From the other window');
  await other.keyboard.press('Control+s');
  await expect(other.getByTestId('save-state')).toHaveText('saved');

  await page.getByLabel('Purpose').fill('From this window');
  await page.keyboard.press('Control+s');
  await expect(page.getByText('Nothing was overwritten')).toBeVisible();
  await expect(page.getByLabel('Purpose')).toHaveValue('From this window');
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await expect(page.getByLabel('Purpose')).toHaveValue('From the other window');
});

test('what was typed on an older version and left is not saved over the newer one', async ({ page, context }) => {
  await newPlan(page, 'Left open');
  await page.keyboard.press('Control+s');
  await expect(page).toHaveURL(/\/plans\/[0-9a-f-]{36}$/);
  const address = page.url();
  // It cannot save itself before it is left, however long leaving takes.
  await page.route(/\/api\/plans\//, (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Purpose').fill('Typed and left');
  await page.getByLabel('Purpose').blur();
  await page.getByRole('link', { name: 'Tee line' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Leave' }).click();

  await page.unroute(/\/api\/plans\//);

  const other = await context.newPage();
  await comeIn(other, 'coach');
  const plan = address.replace(/^.*\/plans\//, '/api/plans/');
  const read = await other.request.get(plan);
  const { plan: newer } = (await read.json()) as { plan: object };
  const saved = await other.request.put(plan, {
    data: { ...newer, purpose: 'Newer' },
    headers: { 'If-Match': read.headers()['etag'] ?? '' },
  });
  expect(saved.status(), await saved.text()).toBe(200);

  await page.goto(address);
  await expect(page.getByText('Nothing was overwritten')).toBeVisible();
  await page.getByRole('button', { name: 'Words and frame' }).click();
  await expect(page.getByLabel('Purpose')).toHaveValue('Typed and left');
  await page.getByLabel('Title').fill('Left open too long');
  await page.keyboard.press('Control+s');
  await expect(page.getByText('Nothing was overwritten')).toBeVisible();
  const { plan: now } = (await (await other.request.get(plan)).json()) as { plan: { purpose: string } };
  expect(now.purpose).toBe('Newer');
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await expect(page.getByLabel('Purpose')).toHaveValue('Newer');
});

test('what was done is undone and done again; a segment is duplicated and parted', async ({ page }) => {
  await newPlan(page, 'Back and forth');
  await page.keyboard.press('Alt+d');
  await expect(rows(page)).toHaveCount(4);
  await page.keyboard.press('Alt+s');
  expect(await titles(page)).toEqual(['Warm-up', 'Block', 'Random', 'Random', 'Random']);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(rows(page)).toHaveCount(3);
  await page.getByRole('button', { name: /^Redo/ }).click();
  await expect(rows(page)).toHaveCount(4);
});

test('a segment is made longer and moved by dragging on the strip', async ({ page }) => {
  await newPlan(page, 'On the strip');
  const minutes = page.getByRole('region', { name: 'Totals' });
  await expect(minutes).toContainText('40 min');
  const edge = (await page.getByTestId('resize').nth(1).boundingBox())!;
  await page.mouse.move(edge.x + 5, edge.y + 60);
  await page.mouse.down();
  await page.mouse.move(edge.x + 155, edge.y + 60, { steps: 10 });
  await page.mouse.up();
  await expect(minutes).not.toContainText('40 min');
  await page.keyboard.press('Control+z');
  await expect(minutes).toContainText('40 min');

  const strip = page.getByRole('group', { name: 'Session strip' });
  const [first, last] = [
    await strip.getByRole('button').first().boundingBox(),
    await strip.getByRole('button').last().boundingBox(),
  ];
  await page.mouse.move(last!.x + 40, last!.y + 20);
  await page.mouse.down();
  await page.mouse.move(first!.x + 20, last!.y + 20, { steps: 8 });
  await page.mouse.up();
  expect(await titles(page)).toEqual(['Random', 'Warm-up', 'Block']);
});

test('the check points at a segment, its fix is one key away, and a reason keeps what the coach decides', async ({
  page,
}) => {
  await newPlan(page, 'Checked');
  await page.getByLabel('Purpose').fill('Start it on line');
  await page.getByLabel('Success test').fill('Seven of ten');
  const findings = page.getByTestId('finding');
  // Block is technique with balls, without a focus and without feedback; Random is aimed at nothing.
  await expect(findings).toHaveCount(3);
  await expect(findings.first()).toContainText('Nothing tells the student after each ball whether it was there.');
  await findings.first().getByRole('button', { name: 'Block' }).click();
  await expect(page.getByRole('textbox', { name: 'Segment' })).toHaveValue('Block');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('f');
  await expect(findings).toHaveCount(2);
  await page.getByRole('tab', { name: 'How' }).click();
  await expect(page.getByLabel('Feedback from')).toHaveValue('ownFeel');
  for (const left of [1, 0]) {
    await findings.first().getByRole('button', { name: 'Keep it like this' }).click();
    await findings.first().getByLabel('Why').fill('Only to warm to it');
    await findings.first().getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(findings).toHaveCount(left);
  }
  await expect(page.getByRole('heading', { name: 'Nothing stands against it' })).toBeVisible();
  await expect(page.getByText('Kept, because: Only to warm to it')).toHaveCount(2);
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
  await page.reload();
  await expect(page.getByText('Kept, because: Only to warm to it')).toHaveCount(2);
});

test('for the whole squad it is said who of them cannot do it', async ({ page }) => {
  await comeIn(page, 'coach');
  await page.goto('/plans/new');
  await page.getByRole('button', { name: /^Start line, then tee shots/ }).click();
  await page.getByLabel('For', { exact: true }).selectOption({ label: 'the whole squad' });
  await expect(page.getByTestId('plan-context')).toContainText('1 left-handed');
  await expect(page.getByTestId('plan-context')).toContainText('Not cleared: Nadia Ferrolin');
  await expect(
    page.getByTestId('finding').filter({ hasText: 'Nadia Ferrolin: It loads the lead shoulder' }).first(),
  ).toBeVisible();
});

test('what is left, and the strip, stay in sight while details are written further down', async ({ page }) => {
  await comeIn(page, 'coach');
  await page.goto('/plans/new');
  await page.getByRole('button', { name: /^Start line, then tee shots/ }).click();
  await expect(page.getByTestId('left-over')).toHaveText('0 min left · 0 balls left');
  await expect(page.getByTestId('in-sight')).toBeHidden();
  await page.getByRole('region', { name: 'Totals' }).scrollIntoViewIfNeeded();
  await expect(page.getByTestId('in-sight')).toContainText('0 min left · 0 balls left · nothing to look at');
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByTestId('in-sight')).toContainText('1 min too many');
});

test('every part of the segment in hand is in sight, and every field of it at most a dozen tabs away', async ({
  page,
}) => {
  await comeIn(page, 'coach');
  await page.goto('/plans');
  await page.getByRole('link', { name: 'Line first, then four holes' }).click();
  const editor = page.getByRole('region', { name: 'Segment' });
  // What the Tab key comes by.
  await page.evaluate(() => {
    document.addEventListener('focusin', (e) => (e.target as HTMLElement).setAttribute('data-met', ''));
  });
  // Between them they have all fields there are.
  for (const [title, parts] of [
    ['Start it between two', ['Task', 'Drill']],
    ['Somebody calls it', ['How', 'Clubs', 'Calls']],
    ['4 holes of the island', ['Aids', 'Counting']],
  ] as const) {
    await rows(page).getByText(title, { exact: true }).click();
    for (const part of parts) {
      const tab = editor.getByRole('tab', { name: part, exact: true });
      await page.evaluate(() => window.scrollTo(0, 0));
      await tab.click();
      const panel = editor.getByRole('tabpanel');
      await expect(panel.locator('input, select, textarea, button').first()).toBeVisible();
      const name = `${title}, ${part}`;
      for (const [width, height] of [
        [1280, 800],
        [1024, 768],
      ] as const) {
        await page.setViewportSize({ width, height });
        const shown = (await panel.boundingBox())!;
        expect(shown.y + shown.height, `${name} at ${width}`).toBeLessThanOrEqual(height);
        expect(await page.evaluate(() => window.scrollY)).toBe(0);
      }
      await page.getByRole('heading', { level: 1 }).click();
      await page.evaluate(() => document.querySelectorAll('[data-met]').forEach((e) => e.removeAttribute('data-met')));
      await page.keyboard.press('Enter');
      await expect(editor.getByLabel('Segment')).toBeFocused();
      for (let tabs = 0; tabs < 12; tabs++) await page.keyboard.press('Tab');
      const fields = editor.locator('input:visible, select:visible, textarea:visible');
      expect(await fields.count()).toBeGreaterThan(3);
      // Of the four phases one is the stop; the arrow keys go on from it.
      await expect(
        fields.and(page.locator(':not([data-met], [type=radio])')),
        `${name}: within a dozen tabs`,
      ).toHaveCount(0);
    }
  }
});

test('what is typed while a new plan is saved for the first time stays, and is saved after it', async ({ page }) => {
  await newPlan(page, 'Typed meanwhile');
  let answerNow = () => {};
  const asked = new Promise<void>((resolve) => (answerNow = resolve));
  await page.route(/\/api\/plans\//, async (route) => {
    if (route.request().method() === 'PUT') await asked;
    await route.continue();
  });
  await page.keyboard.press('Control+s');
  await page.getByLabel('Purpose').fill('Typed before the answer');
  answerNow();
  await expect(page).toHaveURL(/\/plans\/[0-9a-f-]{36}$/);
  await expect(page.getByLabel('Purpose')).toHaveValue('Typed before the answer');
  await expect(page.getByTestId('save-state')).toHaveText('saved', { timeout: 10_000 });
  await page.reload();
  await page.getByRole('button', { name: 'Words and frame' }).click();
  await expect(page.getByLabel('Purpose')).toHaveValue('Typed before the answer');
  await page.goto('/plans/new');
  await expect(page.getByLabel('Title')).toHaveValue('');
});

test('a copy that was saved is found again by going back and forward', async ({ page }) => {
  await newPlan(page, 'The first');
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
  await expect(page).toHaveURL(/\/plans\/[0-9a-f-]{36}$/);
  const first = page.url();
  await page.getByRole('link', { name: 'Copy' }).click();
  await expect(page.getByLabel('Title')).toHaveValue('The first, copy');
  await page.getByLabel('Title').fill('The copy');
  await page.keyboard.press('Control+s');
  await expect(page).toHaveURL(/\/plans\/[0-9a-f-]{36}$/);
  await page.goBack();
  await expect(page).toHaveURL(first);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The first');
  await page.goForward();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The copy');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
  await expect(rows(page)).toHaveCount(3);
});

test('a plan that was saved once is saved by itself', async ({ page }) => {
  await newPlan(page, 'By itself');
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
  let saveNow = () => {};
  const seen = new Promise<void>((resolve) => (saveNow = resolve));
  await page.route(/\/api\/plans\//, async (route) => {
    if (route.request().method() === 'PUT') await seen;
    await route.continue();
  });
  await page.getByLabel('Purpose').fill('Keep it without a thought');
  await expect(page.getByTestId('save-state')).toHaveText(/not saved yet|saving/);
  saveNow();
  await expect(page.getByTestId('save-state')).toHaveText('saved', { timeout: 10_000 });
  await page.reload();
  await expect(page.getByRole('region', { name: 'What it is for' })).toContainText('Keep it without a thought');
  await page.getByRole('button', { name: 'Words and frame' }).click();
  await expect(page.getByLabel('Purpose')).toHaveValue('Keep it without a thought');
});

test('from nothing to a published hour without a finding in at most ten actions', async ({ page }) => {
  await comeIn(page, 'coach');
  await addStudent(page, 'Dora Entwurf');
  await page.goto('/plans');
  await expect(page.getByRole('link', { name: 'Putts from both ends' })).toBeVisible();
  let actions = 0;
  const act = async (action: Promise<unknown>) => {
    await action;
    actions++;
  };
  await act(page.keyboard.press('n'));
  await expect(page.getByRole('region', { name: 'Templates' })).toBeVisible();
  await act(page.getByLabel('For', { exact: true }).selectOption({ label: 'Dora Entwurf' }));
  await act(page.keyboard.press('g'));
  await act(page.getByRole('button', { name: 'Draft', exact: true }).click());
  await expect(page.getByRole('region', { name: 'Draft', exact: true })).toBeVisible();
  await expect(page.getByTestId('left-over')).toContainText('0 min left');
  await expect(page.getByRole('heading', { name: 'Nothing stands against it' })).toBeVisible();
  await act(page.keyboard.press('Control+s'));
  await act(page.getByRole('button', { name: 'Set for students' }).click());
  await act(page.getByLabel('Dora Entwurf').check());
  await act(page.getByRole('button', { name: 'Put it in the week' }).click());
  await act(page.getByRole('button', { name: /^Publish/ }).click());
  await act(page.getByRole('dialog').getByRole('button', { name: 'Publish', exact: true }).click());
  await expect(page.getByTestId('session-tile')).toContainText('to come, 60 min');
  expect(actions).toBeLessThanOrEqual(10);
});

test('another draft is a different one, and going back gives the first again', async ({ page }) => {
  await comeIn(page, 'coach');
  await page.goto('/plans/new');
  await page.getByRole('button', { name: /^Draft one/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Range', exact: true }).click();
  await dialog.getByRole('button', { name: 'Draft', exact: true }).click();
  await expect(dialog.getByRole('alert')).toContainText('Name at least one place.');
  await dialog.getByRole('button', { name: 'Putting green' }).click();
  await dialog.getByRole('button', { name: 'Draft', exact: true }).click();
  await expect(page.getByText('Drafted. Everything can be changed.')).toBeVisible();
  const first = await titles(page);
  const seen = new Set([first.join()]);
  for (let n = 2; n <= 4; n++) {
    await page.getByRole('button', { name: 'Another', exact: true }).click();
    await expect(page.getByText(`Draft ${n}.`)).toBeVisible();
    seen.add((await titles(page)).join());
  }
  expect(seen.size).toBeGreaterThan(1);
  for (let n = 3; n >= 1; n--) await page.getByRole('button', { name: 'The one before' }).click();
  await expect(page.getByText('Drafted. Everything can be changed.')).toBeVisible();
  expect(await titles(page)).toEqual(first);
});

test('calls are looked at with how much they change, rolled again, and kept', async ({ page }) => {
  await newPlan(page, 'Called');
  await rows(page).getByText('Random', { exact: true }).click();
  await page.getByRole('tab', { name: 'Clubs' }).click();
  for (const club of ['7 iron', '9 iron', 'Hybrid'])
    await page.getByRole('group', { name: 'Clubs' }).getByRole('button', { name: club, exact: true }).click();
  await page.getByRole('tab', { name: 'Calls' }).click();
  await page.getByRole('button', { name: 'Write the calls down' }).click();
  await expect(page.getByTestId('variety')).toContainText('the club changes 100');
  const list = page.getByRole('list').filter({ hasText: 'iron, ' }).last();
  const before = await list.innerText();
  await page.getByRole('button', { name: 'Roll again' }).click();
  await expect(list).not.toHaveText(before, { useInnerText: true });
  await page.getByRole('button', { name: 'Take this list' }).click();
  await expect(page.getByRole('button', { name: '15 calls written down' })).toBeVisible();
});
