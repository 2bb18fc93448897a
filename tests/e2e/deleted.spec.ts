import { expect } from '@playwright/test';
import { comeIn, test } from './people';

test('a course that was deleted comes back by Undo, and from the list of what was deleted', async ({ page }) => {
  await comeIn(page, 'coach');
  const id = crypto.randomUUID();
  const hole = { par: 3, lengths: [120] };
  const course = { name: 'Ferry pitch', tees: ['Ferry'], unit: 'yards', holes: [hole] };
  const saved = await page.request.put(`/api/courses/${id}`, { data: course, headers: { 'If-None-Match': '*' } });
  expect(saved.status()).toBe(200);
  await page.goto('/courses');
  const tab = page.getByRole('button', { name: /^Ferry pitch/ });
  await tab.click();
  await page.getByRole('button', { name: 'Delete course' }).click();
  const message = page.getByTestId('deleted');
  await expect(message).toContainText('“Ferry pitch” deleted.');
  await expect(tab).toHaveCount(0);
  await message.getByRole('button', { name: 'Undo' }).click();
  await expect(message).toContainText('“Ferry pitch” restored.');
  await expect(tab).toBeVisible();

  await tab.click();
  await page.getByRole('button', { name: 'Delete course' }).click();
  // The same thing deleted once more is said once more, with its way back.
  await expect(message).toContainText('“Ferry pitch” deleted.');
  await expect(message.getByRole('button', { name: 'Undo' })).toBeVisible();
  await page.getByRole('button', { name: 'Close this message' }).click();
  await page.getByRole('link', { name: 'Recently deleted' }).click();
  const row = page.getByRole('listitem').filter({ hasText: 'Ferry pitch' });
  await expect(row).toContainText('Course, deleted');
  await row.getByRole('button', { name: 'Restore' }).click();
  await expect(row).toHaveCount(0);
  await page.goto('/courses');
  await expect(tab).toBeVisible();
});
