import { expect } from '@playwright/test';
import { addStudent, comeIn, doWith, join, onPhone, setAndPublish, test, toStudent } from './people';

test('a session is moved, excused and taken out, and the student is told', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Wim Weekelijks');
  await setAndPublish(coach, /Putts from both ends/, '2026-05-05');
  await toStudent(coach);
  const tile = coach.getByTestId('session-tile');
  await expect(tile).toContainText('missed, 54 min');
  await expect(coach.getByTestId('week-completion')).toHaveText('0 % done: 0 of 54 min. 0 of 54 min due by today');

  await doWith(coach, 'Excuse: weather');
  await expect(tile).toContainText('excused: weather');
  await expect(coach.getByTestId('week-completion')).toHaveCount(0);

  await doWith(coach, 'Take the excuse back');
  await expect(tile).toContainText('missed, 54 min');
  await doWith(coach, 'Move to Fri 8 May');
  await expect(tile).toContainText('to come, 54 min, moved');
  // By the same keys as on the week sheet it goes a day back, and there again.
  await tile.click();
  await expect(coach.getByRole('gridcell', { name: /^Friday/ })).toBeFocused();
  for (const key of ['Space', 'ArrowUp', 'Space']) await coach.keyboard.press(key);
  await expect(coach.getByRole('gridcell', { name: /^Thursday: .*Putts from both ends/ })).toBeVisible();
  await coach.keyboard.press('Control+z');
  await expect(coach.getByRole('gridcell', { name: /^Friday: .*Putts from both ends/ })).toBeVisible();

  const student = await onPhone(browser);
  await join(student, link, 'wim@week.example');
  await expect(student.getByRole('listitem')).toContainText('changed since it was set');
  await expect(student.getByRole('listitem')).toContainText('Fri 8 May');

  await tile.click();
  await coach.getByRole('button', { name: 'Take out' }).click();
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
  await coach.getByRole('button', { name: 'Set for students' }).click();
  await coach.getByRole('dialog').getByLabel('Paula Zwecklos').check();
  await coach.getByRole('button', { name: 'Put it in the week' }).click();
  await expect(coach.getByRole('heading', { level: 1, name: 'Paula Zwecklos' })).toBeVisible();
  await coach.getByRole('button', { name: /^Publish 1/ }).click();
  await expect(coach.getByRole('dialog')).toContainText(
    'Without a purpose: A session needs a purpose before a student sees it.',
  );
  await expect(coach.getByRole('dialog').getByRole('button', { name: 'Publish', exact: true })).toBeDisabled();
  await coach.getByRole('button', { name: 'Cancel' }).click();
  await expect(coach.getByTestId('session-tile')).toContainText('draft');
});

test('a student sees what a session holds, moves it, and says that they cannot', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Ada Aufschub');
  await setAndPublish(coach, /Putts from both ends/, '2026-05-07');
  const student = await onPhone(browser);
  await join(student, link, 'ada@week.example');
  const session = student.getByRole('listitem').filter({ hasText: 'Putts from both ends' });
  await session.getByText('What it holds, what to bring').click();
  await expect(session).toContainText('Bring: putter');
  await session.getByRole('button', { name: 'Move it' }).click();
  await session.getByRole('button', { name: 'Sat 9 May' }).click();
  await expect(session).toContainText('Sat 9 May');

  await session.getByRole('button', { name: 'I cannot' }).click();
  await session.getByRole('button', { name: 'No time' }).click();
  await expect(session).toContainText('no time, you said');
  await expect(session).toContainText('to come');
  await session.getByRole('button', { name: 'I can after all' }).click();
  await session.getByRole('button', { name: 'I cannot' }).click();
  await session.getByRole('button', { name: 'Ill' }).click();
  await expect(session).toContainText('excused: ill');
  await toStudent(coach);
  await expect(coach.getByTestId('session-tile')).toContainText('excused: ill');
});

test('a plan is set from the bench for a squad, on a day of another week', async ({ page: coach }) => {
  await comeIn(coach, 'coach');
  await coach.goto('/plans');
  await coach.getByRole('link', { name: 'Round Ferry green' }).first().click();
  await coach.getByRole('button', { name: 'Set for students' }).click();
  const dialog = coach.getByRole('dialog');
  await dialog.getByLabel('Week', { exact: true }).selectOption({ label: 'From 25 May' });
  await dialog.getByLabel('Day', { exact: true }).selectOption({ label: 'Wed 27 May' });
  await dialog.getByRole('button', { name: 'First summer' }).click();
  await dialog.getByRole('button', { name: 'Put it in for 3' }).click();
  await expect(coach.getByRole('heading', { level: 1, name: /25 to 31 May/ })).toBeVisible();
  await expect(coach.locator('.chip')).toHaveCount(3);
  // A beginner’s steps are other ones than a junior’s: what was changed for whom is said.
  await coach.locator('[data-cell$=" 3"] .chip').first().click();
  await expect(coach.getByRole('region', { name: 'In hand' })).toContainText('Round Ferry green');
});
