import { expect, test, type Page } from '@playwright/test';
import { comeIn } from './people';

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
  await page.getByLabel('It is over').selectOption('until');
  await expect(page.getByRole('alert').filter({ hasText: 'Please write something here.' })).toBeVisible();
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('not saved yet');
  await page.getByLabel('Aim').fill('three are centred running');
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
});

test('changes that were not saved survive a closed tab', async ({ page }) => {
  await newPlan(page, 'Half written');
  await page.getByRole('link', { name: 'Tee line' }).click();
  await page.getByRole('button', { name: 'Leave' }).click();
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
