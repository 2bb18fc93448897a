import { expect, type Page } from '@playwright/test';
import { isClean } from './clean';
import { comeIn, onPhone, test } from './people';

/** Opens the demo's test day and sets it for today. */
async function setToday(page: Page) {
  await page.goto('/test-days');
  await page.getByRole('link', { name: 'Saturday on Poplar green' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Saturday on Poplar green' })).toBeVisible();
  const id = page.url().split('/').at(-1) ?? '';
  const set = await page.request.post(`/api/test-days/${id}/days`, { data: { day: '2026-05-06' } });
  expect(await set.json()).toEqual({ set: 4, notPublished: [] });
  await page.reload();
  await page.getByRole('link', { name: 'Score today' }).click();
  return id;
}

const pad = (page: Page) => page.getByTestId('flow');
const counts = (page: Page) => page.getByTestId('flow-counts');

test('a coach scores children one after the other, without a signal too, and sees them beside the last time', async ({
  browser,
}) => {
  const coach = await onPhone(browser);
  await comeIn(coach, 'coach');
  const id = await setToday(coach);
  const cell = (name: string) => coach.getByRole('group', { name }).getByRole('link', { name: /^To the fringe/ });
  await expect(cell('Jonne Weilander')).toContainText('to do');
  await isClean(coach, 'scoring');
  await cell('Jonne Weilander').click();
  await expect(coach.getByRole('heading', { name: 'Jonne Weilander' })).toBeVisible();
  for (let n = 1; n <= 13; n++) {
    await pad(coach).getByRole('button', { name: 'Made' }).click();
    await expect(counts(coach)).toContainText(`${n} of 13`);
  }
  await isClean(coach, 'the pad of a test day');
  // The next one stands ready; the signal goes while she putts.
  await coach.getByRole('button', { name: 'Done, then Nadia Ferrolin' }).click();
  await expect(coach.getByRole('heading', { name: 'Nadia Ferrolin' })).toBeVisible();
  await expect(pad(coach)).toBeVisible();
  await coach.context().setOffline(true);
  for (let n = 1; n <= 13; n++) {
    await pad(coach)
      .getByRole('button', { name: n % 2 ? 'Made' : 'Missed' })
      .click();
    await expect(counts(coach)).toContainText(`${n} of 13`);
  }
  await coach.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(cell('Nadia Ferrolin')).toContainText('kept here');
  await coach.context().setOffline(false);
  await expect
    .poll(
      async () => {
        const view = (await (await coach.request.get(`/api/test-days/${id}`)).json()) as {
          students: { name: string; lines: { results: { day: string; text: string }[] }[] }[];
        };
        const nadia = view.students.find((s) => s.name === 'Nadia Ferrolin');
        return nadia?.lines[0]?.results.find((r) => r.day === '2026-05-06')?.text ?? '';
      },
      { timeout: 30_000 },
    )
    .toMatch(/^54 %, somewhere from/);
  await coach.goto(`/test-days/${id}`);
  const jonne = coach.getByRole('region', { name: 'Jonne Weilander' });
  await expect(jonne).toContainText('against');
  await expect(jonne).toContainText('Against the last time');
});

test('a test day is made from a plan for a squad, and what it needs is named', async ({ page: coach }) => {
  await comeIn(coach, 'coach');
  await coach.goto('/test-days');
  await coach.getByRole('button', { name: 'New test day' }).click();
  const dialog = coach.getByRole('dialog');
  await dialog.getByLabel('What is done').selectOption({ label: 'Putts from both ends, 54 min' });
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await expect(dialog.getByText('Name at least one student.')).toBeVisible();
  await isClean(coach, 'a new test day');
  await dialog.getByRole('button', { name: 'Cup team' }).click();
  await dialog.getByLabel('Name').fill('Cup putting');
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await expect(coach.getByRole('heading', { name: 'Cup putting' })).toBeVisible();
  await expect(coach.getByText('Nobody has done it yet')).toBeVisible();
  await coach.getByRole('button', { name: 'Set and publish' }).click();
  await expect(coach.getByRole('status').getByText(/has it in the week|have it in the week/)).toBeVisible();
  await coach.getByRole('button', { name: 'Delete test day' }).click();
  await expect(coach.getByRole('heading', { name: 'Test days' })).toBeVisible();
  await expect(coach.getByRole('main').getByText('Cup putting')).toHaveCount(0);
  await expect(coach.getByTestId('deleted')).toContainText('“Cup putting” deleted.');
});
