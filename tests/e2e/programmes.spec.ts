import { randomUUID } from 'node:crypto';
import { expect, type Page } from '@playwright/test';
import { comeIn, test } from './people';

const isNew = { 'If-None-Match': '*' };

/** A student in a squad of their own. */
async function newStudent(coach: Page, name: string): Promise<{ student: string; squad: string }> {
  const [student, squad] = [randomUUID(), randomUUID()];
  const put = (path: string, data: object) => coach.request.put(path, { data, headers: isNew });
  await put(`/api/students/${student}`, { name, hand: 'right', level: 'improving', coachNote: '' });
  expect((await put(`/api/squads/${squad}`, { name: `${name}’s squad`, members: [student] })).status()).toBe(200);
  return { student, squad };
}

test('a programme is written, started for a squad, put into the sheet, and waits a week', async ({ page }) => {
  await comeIn(page, 'coach');
  const { squad } = await newStudent(page, 'Programme Student');
  await page.goto('/programmes');
  await page.getByRole('link', { name: /^New programme/ }).click();
  await page.getByLabel('Name').fill('Doors for four weeks');
  await page.getByLabel('Weeks', { exact: true }).fill('4');
  await page.getByLabel('The first session of the week').selectOption({ label: 'Six before supper' });
  // From its second week on another step.
  await page.getByRole('button', { name: /^Six before supper, week 2: 24/ }).click();
  await page.getByRole('group', { name: 'Close the door' }).getByLabel('Step').selectOption({ label: 'Ten in a row' });
  await expect(page.getByRole('button', { name: /week 2: .* up to “Ten in a row”/ })).toBeVisible();
  await page.getByLabel('Measured by').selectOption({ label: 'Close the door: best run' });
  await page.getByRole('button', { name: /^Week 3/ }).click();
  await expect(page.getByRole('button', { name: /^Week 3 .*lighter/ })).toBeVisible();
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('saved');

  await page.getByRole('button', { name: 'Start it for somebody' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('For').selectOption({ label: 'Programme Student’s squad, 1 student' });
  await dialog.getByRole('button', { name: 'Start it' }).click();
  await expect(page.getByRole('region', { name: 'For whom it runs' })).toContainText('from week 20');

  await page.goto(`/week?week=2026-W21&squad=${squad}`);
  await expect(page.getByRole('rowheader', { name: /week 2 of 4/ })).toBeVisible();
  await page.keyboard.press('f');
  await expect(page.getByRole('status').first()).toHaveText(/^Put in 1.session from programmes/);
  await expect(page.locator('.chip')).toHaveCount(1);
  await page.getByRole('button', { name: 'Wait this week' }).click();
  await expect(page.getByRole('rowheader', { name: /programme waits/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('rowheader', { name: /week 2 of 4/ })).toBeVisible();
});

test('a session is changed for one student on the bench, before and after publishing', async ({ page }) => {
  await comeIn(page, 'coach');
  const { student, squad } = await newStudent(page, 'Own Text Student');
  const plans = ((await (await page.request.get('/api/plans')).json()) as { plans: { id: string; title: string }[] })
    .plans;
  const data = {
    planId: plans.find((p) => p.title === 'Six before supper')?.id,
    day: '2026-05-21',
    sessions: [{ id: randomUUID(), studentId: student }],
    isTailored: false,
  };
  expect((await page.request.post('/api/weeks/2026-W21/set', { data })).status()).toBe(200);
  await page.goto(`/week?week=2026-W21&squad=${squad}`);
  await page.locator('.chip').click();
  await page.getByRole('link', { name: 'Change it for Own' }).click();
  await expect(page.getByTestId('own-text')).toContainText('from the plan Six before supper');
  await page.getByRole('button', { name: 'Words and frame' }).click();
  await page.getByLabel('Title').fill('Six before breakfast');
  // A draft is saved by itself.
  await expect(page.getByTestId('save-state')).toHaveText('saved', { timeout: 10_000 });
  const publish = { data: { students: [student] } };
  expect((await page.request.post('/api/weeks/2026-W21/publish', publish)).status()).toBe(200);

  await page.reload();
  await expect(page.getByTestId('own-text')).toContainText('what you save is marked as changed');
  await page.getByRole('button', { name: 'Words and frame' }).click();
  await page.getByLabel('Title').fill('Six before lunch');
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
  // Once more, on what stands in its place now, and after opening it anew.
  await page.getByLabel('Title').fill('Six before tea');
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('save-state')).toHaveText('saved');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: 'Six before tea' })).toBeVisible();
  await page.goto(`/week?week=2026-W21&squad=${squad}`);
  await expect(page.locator('.chip')).toHaveCount(1);
  await expect(page.locator('.chip')).toContainText('Six before tea');
});
