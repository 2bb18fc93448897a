import { expect } from '@playwright/test';
import { addStudent, comeIn, join, onPhone, setAndPublish, test, toStudent } from './people';

test('a session is moved, excused and taken out, and the student is told', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Wim Weekelijks');
  await setAndPublish(coach, /Putts from both ends/, '2026-05-05');
  await toStudent(coach);
  const tile = coach.getByTestId('session-tile');
  await expect(tile).toContainText('missed, 54 min');
  await expect(coach.getByTestId('week-completion')).toHaveText('0 % done: 0 of 54 min. 0 of 54 min due by today');

  await tile.getByRole('button', { name: /move, excuse or take out/ }).click();
  await coach.getByRole('menuitem', { name: 'Excuse: weather' }).click();
  await expect(tile).toContainText('excused: weather');
  await expect(coach.getByTestId('week-completion')).toHaveCount(0);

  await tile.getByRole('button', { name: /move, excuse or take out/ }).click();
  await coach.getByRole('menuitem', { name: 'Take the excuse back' }).click();
  await tile.getByRole('button', { name: /move, excuse or take out/ }).click();
  await coach.getByRole('menuitem', { name: 'Move' }).click();
  await coach.getByRole('dialog').getByLabel('Day').selectOption({ label: 'Fri 8 May' });
  await coach.getByRole('dialog').getByRole('button', { name: 'Move' }).click();
  await expect(tile).toContainText('to come, 54 min, moved');

  const student = await onPhone(browser);
  await join(student, link, 'wim@week.example');
  await expect(student.getByRole('listitem')).toContainText('changed since it was set');
  await expect(student.getByRole('listitem')).toContainText('Fri 8 May');

  await tile.getByRole('button', { name: /move, excuse or take out/ }).click();
  await coach.getByRole('menuitem', { name: 'Take out' }).click();
  await expect(tile).toHaveCount(0);
  await student.reload();
  await expect(student.getByText('Nothing is set for this week')).toBeVisible();
});

test('a plan without a purpose is not published, and the page says why', async ({ page: coach }) => {
  await comeIn(coach, 'coach');
  await addStudent(coach, 'Paula Zwecklos');
  await coach.goto('/plans/new');
  await coach.getByLabel('Title').fill('Without a purpose');
  await coach.getByLabel('Title').blur();
  await coach.keyboard.press('b');
  await coach.keyboard.press('Control+s');
  await expect(coach.getByTestId('save-state')).toHaveText('saved');
  await coach.getByRole('button', { name: 'Set for a student' }).click();
  await coach.getByRole('dialog').getByLabel('Student').selectOption({ label: 'Paula Zwecklos' });
  await coach.getByRole('button', { name: 'Put it in the week' }).click();
  await expect(coach.getByRole('heading', { level: 1, name: 'Paula Zwecklos' })).toBeVisible();
  await coach.getByRole('button', { name: 'Publish 1 draft' }).click();
  await expect(coach.getByRole('alert')).toContainText(
    'Without a purpose: A session needs a purpose before a student sees it.',
  );
  await expect(coach.getByTestId('session-tile')).toContainText('draft');
});
