import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import {
  addStudent,
  comeIn,
  isKeptOn,
  join,
  onPhone,
  setAndPublish,
  test,
  toStudent,
  closePart,
  endSession,
} from './people';

test('a coach fills a file, finds a drill, changes a copy, tries it and sets it; the student runs it', async ({
  page: coach,
  browser,
}) => {
  test.setTimeout(120_000);
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Greta Wedgeworth');
  await toStudent(coach);

  // The file: the numbers of three wedges' full swings, and a goal.
  await coach.getByRole('link', { name: 'File' }).click();
  await coach.getByLabel('Sand wedge, 9:00').fill('52');
  await coach.getByLabel('Sand wedge, 10:00').fill('66');
  await coach.getByLabel('Sand wedge, Full').fill('80');
  await coach.getByLabel('Fault').fill('Comes up short');
  await coach.getByRole('button', { name: 'Save' }).click();
  await expect(coach.getByTestId('file-state')).toHaveText('saved');
  // 4 % of 52 and 66: 54.08 to 63.36; of 66 and 80: 68.64 to 76.8. By hand.
  await expect(coach.getByTestId('grid-gaps')).toHaveText('No number covers 54.1 to 63.4 yd, 68.6 to 76.8 yd.');
  await expect(coach.getByRole('region', { name: 'Changes' })).toContainText('focus, wedge grid');

  // The shelf: what fits a range and is scored as a carry grid.
  await coach.goto('/drills');
  await coach.getByLabel('Scored as').selectOption({ label: 'Carry grid' });
  await coach.getByRole('link', { name: 'Wedge numbers' }).click();
  await coach.getByRole('link', { name: 'Make a copy' }).click();
  await coach.getByLabel('Name').fill('One wedge, three lengths');
  for (let i = 0; i < 3; i++) await coach.getByRole('button', { name: 'Take out step 1' }).click();
  // Six cells come with the copy; the sand wedge's three stay.
  const cells = coach.getByRole('group', { name: /^Cells/ });
  for (let i = 0; i < 3; i++) await cells.getByRole('button', { name: 'Take out cell 1' }).click();

  await coach.getByLabel('Balls a cell').fill('3');

  // Tried out as this student, with her own numbers.
  await coach.getByLabel('As', { exact: true }).selectOption({ label: 'Greta Wedgeworth' });
  await expect(coach.getByTestId('flow')).toContainText('sand wedge, 9:00: 52 yd, 50 to 54 counts');
  await coach.getByLabel('Carry, yd').fill('50.5');
  await coach.keyboard.press('Enter');
  await coach.getByRole('button', { name: 'As it comes' }).click();
  await expect(coach.getByTestId('trial-result')).toContainText('1 of 3 cells hit with 1 ball.');
  await coach.getByRole('button', { name: 'Save', exact: false }).first().click();
  // The editor shows the name too; only the drill's own page says that it was saved.
  await coach.waitForURL(/\/drills\/[0-9a-f-]{36}$/);
  await expect(coach.getByRole('heading', { level: 1, name: 'One wedge, three lengths' })).toBeVisible();

  // Into a plan, with a goal.
  await coach.goto('/plans/new');
  await coach.getByLabel('Title').fill('Own three distances');
  await coach.getByLabel('Purpose').fill('Know three carries by heart');
  await coach.getByLabel('Purpose').blur();
  await coach.keyboard.press('d');
  await coach.getByRole('dialog').getByLabel('Words').fill('three lengths');
  await coach.getByRole('dialog').getByRole('button', { name: 'One wedge, three lengths' }).click();
  const planned = coach.getByRole('group', { name: 'Drill', exact: true });
  await coach.getByRole('tab', { name: 'Drill' }).click();
  await planned.getByLabel('Goal in').selectOption({ label: 'cells hit' });
  await planned.getByLabel('At least').fill('2');
  await coach.keyboard.press('Control+s');
  await expect(coach.getByTestId('save-state')).toHaveText('saved');
  await setAndPublish(coach, /Own three distances/, '2026-05-06');

  // On the phone: one hit at once, one after a miss, one never.
  const phone = await onPhone(browser);
  await join(phone, link, 'greta@wedge.example');
  await phone.getByRole('link', { name: 'Practise' }).click();
  await phone.getByRole('button', { name: 'Begin' }).click();
  await expect(phone.getByText('Goal: cells hit at least 2')).toBeVisible();
  const enter = async (carry: string) => {
    await phone.getByLabel('Carry, yd').fill(carry);
    await phone.getByRole('button', { name: 'Enter' }).click();
    await phone.getByRole('button', { name: 'As it comes' }).click();
  };
  await enter('52');
  await enter('60');
  await enter('60');
  // Two taps made the last ball; undo takes back one at a time.
  await phone.getByRole('button', { name: 'Undo' }).click();
  await phone.getByRole('button', { name: 'Undo' }).click();
  await expect(phone.getByTestId('flow-counts')).toContainText('1 of 3 cells hit, 2 balls');
  await isKeptOn(phone);
  await phone.reload();
  await expect(phone.getByTestId('flow-counts')).toContainText('1 of 3 cells hit, 2 balls');
  await enter('66');
  await phone.getByText('Tag this one').click();
  await phone.getByRole('button', { name: 'thin' }).click();
  await enter('70');
  await enter('71');
  await enter('72');
  await expect(phone.getByText('That is the whole of it.')).toBeVisible();
  await closePart(phone);
  await endSession(phone);
  await expect(phone.getByText('Your coach can see it now.')).toBeVisible();

  // The coach, that minute: two of three cells with 1 + 2 + 3 balls.
  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link', { name: 'Own three distances' }).click();
  const result = coach.getByTestId('drill-result');
  await expect(result).toContainText('2 of 3 cells hit with 6 balls.');
  await expect(result).toContainText('goal: cells hit at least 2, met');
  await expect(result).toContainText('Noticed: thin 1×');
});

test('the shelf goes out as a file, and a broken file says where it is broken', async ({ page }) => {
  await comeIn(page, 'coach');
  await page.goto('/drills');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a file' }).click(),
  ]);
  const file = JSON.parse(readFileSync(await download.path(), 'utf8')) as { drills: { drill: { name: string } }[] };
  expect(file.drills.length).toBeGreaterThanOrEqual(24);

  const upload = (content: unknown) =>
    page.getByLabel('File to take in').setInputFiles({
      name: 'drills.json',
      mimeType: 'application/json',
      buffer: Buffer.from(typeof content === 'string' ? content : JSON.stringify(content)),
    });
  await upload(file);
  await expect(page.getByText(`0 new ones, 0 changed, ${file.drills.length} as before.`)).toBeVisible();
  const first = file.drills[1];
  if (first) first.drill.name = '';
  await upload(file);
  await expect(page.getByRole('alert')).toContainText('drills[1].drill.name');
  await upload('{ not json');
  await expect(page.getByRole('alert')).toContainText('This file is not JSON. Nothing was taken in.');
});

test('a place is written, drawn and kept', async ({ page }) => {
  await comeIn(page, 'coach');
  await page.goto('/places');
  await page.getByRole('button', { name: 'New place' }).click();
  await page.getByLabel('Name').first().fill('Island meadow');
  const targets = page.getByRole('group', { name: 'Targets' });
  const ground = page.getByRole('group', { name: 'The range from above' });
  /** Presses the ground at hundredths of the picture. */
  const press = async (x: number, y: number) => {
    const box = (await ground.boundingBox())!;
    await ground.click({ position: { x: (box.width * x) / 100, y: (box.height * y) / 100 } });
  };
  // By hand: straight ahead of the bays, (275 − 99) of 250 units of 200 yards are 141, to the next five.
  await press(50, 33);
  await expect(targets.getByLabel('Name', { exact: true })).toBeFocused();
  await page.keyboard.type('Old oak');
  await expect(targets.getByLabel('Distance')).toHaveValue('140');
  await expect(targets.getByLabel('Stands')).toHaveValue('0');
  // In hand, it is put where it belongs; and left of the middle is left in words.
  await page.getByRole('button', { name: 'Old oak, 140 yd, straight ahead' }).locator('path').click();
  await expect(targets.getByRole('status')).toContainText('Press where “Old oak” stands');
  await press(35, 33);
  await expect(targets.getByLabel('Stands')).not.toHaveValue('0');
  await expect(page.getByRole('button', { name: /^Old oak, 150 yd, left$/ })).toBeVisible();
  await targets.getByLabel('Stands').selectOption({ label: 'half left' });
  await page.getByLabel('Faces').selectOption({ label: 'north-east' });
  await targets.getByLabel('Unit').selectOption({ label: 'm' });
  await targets.getByLabel('Distance').fill('500');
  await page.getByRole('button', { name: 'Save', exact: false }).last().click();
  await expect(page.getByText('A distance lies above 0 and up to 400.').last()).toBeVisible();

  // A closed tab loses nothing.
  await page.reload();
  await page.getByRole('button', { name: 'New place' }).click();
  await expect(page.getByText('Changes you had not saved are back.')).toBeVisible();
  await page.getByRole('group', { name: 'Targets' }).getByLabel('Distance').fill('135');
  await page.keyboard.press('Control+s');
  await expect(page.getByRole('img', { name: 'Old oak, 135 m, half left' })).toBeVisible();
  await expect(page.getByText('Faces north-east')).toBeVisible();
});

test('a student keeps their own part of the file and reads the rest', async ({ browser }) => {
  const phone = await onPhone(browser);
  await comeIn(phone, 'student');
  await phone.getByRole('link', { name: 'My file' }).click();
  await phone.getByLabel('My routine, a step a line').fill('Breathe out\nOne look');
  await phone.getByRole('button', { name: 'Save' }).click();
  await expect(phone.getByTestId('file-state')).toHaveText('saved');
  await expect(phone.getByRole('region', { name: 'Changes' }).getByRole('listitem').first()).toContainText(
    'Otto Lanevik: routine',
  );
  await expect(phone.getByRole('region', { name: 'The coach’s part' })).toContainText('Three parts');
  await phone.reload();
  await expect(phone.getByLabel('My routine, a step a line')).toHaveValue('Breathe out\nOne look');
});
