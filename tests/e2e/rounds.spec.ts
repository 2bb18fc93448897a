import { expect } from '@playwright/test';
import { isClean } from './clean';
import { addStudent, comeIn, join, onPhone, test, toStudent } from './people';

const table = `day,course,par,score,green,putts,penalties
2026-04-05,Veldermoor,72,93,6,36,6
2026-04-12,Veldermoor,72,95,5,35,7
2026-04-19,Veldermoor,72,92,6,34,6
`;

test('a round is typed in on the phone, more come as a table, and the coach sees where strokes are lost', async ({
  page: coach,
  browser,
}) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Runa Zählwerk');
  const phone = await onPhone(browser);
  await join(phone, link, 'runa@rounds.example');
  await phone.getByRole('link', { name: 'My progress' }).click();
  await phone.getByRole('link', { name: 'My rounds' }).click();
  await expect(phone.getByText('No rounds yet')).toBeVisible();
  await phone.getByRole('button', { name: 'Add a round' }).click();
  await phone.getByLabel('Course').fill('Osier Island');
  await phone.getByLabel('Holes', { exact: true }).selectOption('9 holes');
  await phone.getByLabel('Par, hole 2').fill('3');
  await isClean(phone, 'a round that is typed');
  // A digit for the score, one for the putts, and so on: nobody leaves the keys.
  await phone.getByLabel('Score, hole 1', { exact: true }).focus();
  await phone.keyboard.type('524262524252525242');
  await expect(phone.getByLabel('Putts, hole 9')).toHaveValue('2');
  await phone.getByLabel('Putts, hole 3').fill('9');
  await phone.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(phone.getByText('Not more putts than strokes.').first()).toBeVisible();
  await phone.getByLabel('Putts, hole 3').fill('3');
  // Closed in the middle, it is there again.
  await phone.reload();
  await phone.getByRole('button', { name: 'Add a round' }).click();
  await expect(phone.getByLabel('Score, hole 3', { exact: true })).toHaveValue('6');
  await phone.getByRole('button', { name: 'Save', exact: true }).click();
  const rounds = phone.getByRole('region', { name: 'Rounds' });
  await expect(rounds).toContainText('43');
  await expect(rounds).toContainText('19 putts');
  await expect(phone.getByText('Not enough rounds to say: 1 noted, 3 are needed.')).toBeVisible();
  await isClean(phone, 'my rounds');

  await toStudent(coach);
  await coach.getByRole('link', { name: 'Rounds' }).click();
  const file = coach.getByLabel('File to take in');
  await file.setInputFiles({
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`${table}2026-04-26,X,72,many,,,\n`),
  });
  await expect(coach.getByRole('alert')).toContainText('lines[5].score');
  await expect(coach.getByRole('heading', { name: '1 round' })).toBeVisible();
  await file.setInputFiles({ name: 'rounds.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await expect(coach.getByRole('heading', { name: '4 rounds' })).toBeVisible();
  const lost = coach.getByRole('region', { name: 'Where strokes are lost' });
  await expect(lost).toContainText('Most is lost by penalty strokes');
  await isClean(coach, 'rounds');

  await coach.getByRole('button', { name: 'Change the round of Sun 12 Apr' }).click();
  await coach.getByLabel('Penalty strokes').fill('3');
  await coach.keyboard.press('Control+s');
  await expect(coach.getByRole('region', { name: 'Rounds' })).toContainText('3 penalty strokes');
  await coach.getByRole('button', { name: 'Change the round of Sun 5 Apr' }).click();
  await coach.getByRole('button', { name: 'Delete round' }).click();
  await expect(coach.getByRole('heading', { name: '3 rounds' })).toBeVisible();
  await coach.goto(`${coach.url().replace(/rounds$/, 'file')}`);
  await expect(coach.getByText(/^Most is lost by/)).toBeVisible();
});

test('a hole is laid on a range where the place is shown', async ({ page: coach }) => {
  await comeIn(coach, 'coach');
  await coach.goto('/places');
  await coach.getByRole('button', { name: /River range/ }).click();
  await coach.getByLabel('Lay a hole here').selectOption({ label: 'Osier Island 1, par 4' });
  await coach.getByLabel('For', { exact: true }).selectOption({ label: 'Otto Lanevik' });
  await expect(coach.getByText(/^Between .* wide\./)).toBeVisible();
  await isClean(coach, 'a hole on the range');
});
