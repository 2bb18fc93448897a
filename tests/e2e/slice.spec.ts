import { expect, type Page } from '@playwright/test';
import { onPhone, publishShown, test, closePart } from './people';

/** Signs in by one of the demo's buttons. */
async function comeInByHand(page: Page) {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Come in as the coach' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Tee line' })).toBeVisible();
}

/** Adds a student and returns the one-time link. The coach ends on the student's page. */
async function addByHand(coach: Page, name: string): Promise<string> {
  await coach.goto('/tee-line');
  await coach.getByRole('button', { name: 'Add a student' }).click();
  await coach.getByLabel('Name').fill(name);
  await coach.getByRole('button', { name: 'Add', exact: true }).click();
  await coach.getByRole('link', { name }).click();
  await coach.getByRole('button', { name: 'Invite', exact: true }).click();
  const link = await coach.getByTestId('invitation-link').innerText();
  await coach.getByRole('button', { name: 'Close' }).click();
  return link;
}

/** Follows an invitation and chooses how to sign in. */
async function joinByHand(page: Page, link: string, email: string) {
  await page.goto(link);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('a made-up password');
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'My week' })).toBeVisible();
}

/** Puts a plan of the list into the week on the student's page and publishes it. */
async function setByHand(coach: Page, plan: RegExp, day: RegExp) {
  await coach.getByRole('gridcell', { name: day }).click();
  await coach.getByRole('button', { name: /^Plans/ }).click();
  await coach.getByRole('button', { name: plan }).click();
  await expect(coach.getByTestId('session-tile')).toContainText('draft');
  await publishShown(coach);
  await expect(coach.getByTestId('session-tile')).not.toContainText('draft');
}

/** Writes the plan of this test with the keys of the bench, and saves it. */
async function writePlan(coach: Page, title: string) {
  await coach.goto('/plans');
  await expect(coach.getByRole('heading', { level: 1, name: 'Plans' })).toBeVisible();
  await coach.keyboard.press('n');
  await coach.getByLabel('Title').fill(title);
  await coach.getByLabel('Purpose').fill('Start the ball on line');
  await coach.getByLabel('Success test').fill('Eight of ten through the gate');
  await coach.getByLabel('Success test').blur();
  for (const key of ['w', 'b', 'p', 'r', 'o']) await coach.keyboard.press(key);
  await expect(coach.getByTestId('segment-row')).toHaveCount(5);

  const set = async (row: string, minutes: string, balls: string) => {
    await coach.getByTestId('segment-row').getByText(row, { exact: true }).click();
    const editor = coach.getByRole('region', { name: 'Segment' });
    await editor.getByLabel('Minutes', { exact: true }).fill(minutes);
    await editor.getByLabel('Balls', { exact: true }).fill(balls);
  };
  await set('Warm-up', '10', '0');
  await set('Block', '20', '30');
  await coach.getByRole('region', { name: 'Segment' }).getByLabel('Segment').fill('Gate');
  await set('Random', '12', '12');
  await set('On-course', '15', '10');
  await coach.keyboard.press('Control+s');
  await expect(coach.getByTestId('save-state')).toHaveText('saved');
}

test('a coach plans, a student practises, the coach sees it', async ({ page: coach, browser }) => {
  await comeInByHand(coach);
  await writePlan(coach, 'The whole slice');

  // By hand: 10 + 20 + 3 + 12 + 15 = 60 minutes, 3 of them pause; 0 + 30 + 12 + 10 = 52 balls in 57 minutes, 0.91 a minute.
  // After warm-up: block 20 of 47 minutes, random 12, on-course 15.
  const totals = coach.getByRole('region', { name: 'Totals' });
  await expect(totals).toContainText('60 min');
  await expect(totals).toContainText('3 min of them pause');
  await expect(totals).toContainText('52');
  await expect(totals).toContainText('0.91 balls/min');
  await expect(totals).toContainText('Block43 %');
  await expect(totals).toContainText('Random26 %');
  await expect(totals).toContainText('On-course32 %');

  const link = await addByHand(coach, 'Wanda Testrup');
  const student = await onPhone(browser, { timezoneId: 'Pacific/Kiritimati' });
  await joinByHand(student, link, 'wanda@slice.example');
  await expect(student.getByText('Nothing is set for this week')).toBeVisible();

  await setByHand(coach, /^Put The whole slice/, /^Wednesday/);

  await student.clock.install();
  await student.reload();
  await student.getByRole('link', { name: 'Practise' }).click();
  await expect(student.getByText('Start the ball on line')).toBeVisible();
  await student.getByRole('button', { name: 'Begin' }).click();

  // Warm-up: four minutes by the clock, then closed early: four of ten count.
  await expect(student.getByRole('heading', { name: 'Warm-up' })).toBeVisible();
  await student.clock.fastForward('04:00');
  await expect(student.getByRole('timer')).toHaveText(/^4:0/);
  await closePart(student);

  // Gate: fifteen of thirty balls in ten minutes, two of them standing still; a reload in the middle loses nothing.
  await expect(student.getByRole('heading', { name: 'Gate' })).toBeVisible();
  await student.getByRole('button', { name: 'Five balls' }).click();
  await student.getByRole('button', { name: 'Five balls' }).click();
  await student.clock.fastForward('05:00');
  await student.getByRole('button', { name: 'Pause', exact: true }).click();
  await student.clock.fastForward('02:00');
  await student.getByRole('button', { name: 'Go on', exact: true }).click();
  await expect(student.getByTestId('sync')).toHaveText('all sent');
  await student.reload();
  await expect(student.getByTestId('balls')).toHaveText('10');
  await expect(student.getByRole('timer')).toHaveText(/^5:/);
  await student.clock.fastForward('05:00');
  for (let i = 0; i < 6; i++) await student.getByRole('button', { name: 'One ball', exact: true }).click();
  await student.getByRole('button', { name: 'One ball less' }).click();
  await expect(student.getByTestId('balls')).toHaveText('15');
  await closePart(student);

  await expect(student.getByRole('heading', { name: 'Water' })).toBeVisible();
  await closePart(student);

  // Random: said to be none by mistake, taken back, done.
  await closePart(student, 'None');
  await expect(student.getByRole('heading', { name: 'On-course' })).toBeVisible();
  await student.getByRole('button', { name: 'Undo' }).click();
  await expect(student.getByRole('heading', { name: 'Random' })).toBeVisible();
  await closePart(student);

  // A little pain is told and practice goes on.
  await student.getByRole('button', { name: 'It hurts' }).click();
  await student.getByRole('button', { name: 'Ankle or foot' }).click();
  await student.getByRole('button', { name: 'Lead (left)' }).click();
  await student.getByRole('button', { name: 'Dull' }).click();
  await student.getByRole('button', { name: 'How bad: 2', exact: true }).click();
  await student.getByRole('button', { name: 'Tell my coach' }).click();
  await closePart(student, 'None');
  await student.getByRole('button', { name: 'End session' }).click();

  await expect(student.getByRole('heading', { name: 'How was it?' })).toBeVisible();
  await student.getByRole('button', { name: 'Not yet' }).click();
  for (const rating of ['Focus: 7', 'Quality: 6', 'Confidence: 5', 'Enjoyment: 9', 'Effort: 0'])
    await student.getByRole('button', { name: rating, exact: true }).click();
  await student.getByLabel('A note for your coach').fill('The gate was narrow.');
  await student.getByRole('button', { name: 'Finish' }).click();
  await expect(student.getByText('Your coach can see it now.')).toBeVisible();

  // By hand: warm-up 4 of 10 by the clock, gate 15/30 of 20 = 10, random 12 of 12 by the student's word, on-course none of 15:
  // 26 of 57 minutes is 46 %.
  await student.getByRole('link', { name: 'Look back' }).click();
  await expect(student.getByTestId('completion')).toHaveText('46 %');

  await coach.reload();
  await expect(coach.getByTestId('week-completion')).toHaveText(
    '46 % done: 26 of 57 min (12 min reported without scores)',
  );
  await expect(coach.getByRole('img', { name: /^Completion by week/ })).toHaveAttribute(
    'aria-label',
    /4 May: 46 %, 26 of 57 min .12 min reported without scores., 0 of 1 sessions whole$/,
  );
  await expect(coach.getByRole('img', { name: /^Focus, 0 to 10/ })).toHaveAttribute('aria-label', /6 May 7$/);
  await expect(coach.getByRole('img', { name: /^Effort, 0 to 10/ })).toHaveAttribute('aria-label', /6 May 0$/);
  await coach.getByTestId('session-tile').click();
  await coach.getByRole('link', { name: 'Open', exact: true }).click();
  await expect(coach.getByTestId('completion')).toHaveText('46 %');
  const shares = await coach.getByTestId('segment-done').locator('td:last-child').allInnerTexts();
  expect(shares.map((s) => s.replace(/\s/g, ' '))).toEqual(['40 %', '50 %', '100 %', '0 %']);
  await expect(coach.getByText('Pain: lead (left) ankle or foot, 2 of 10')).toBeVisible();
  await expect(coach.getByText('The gate was narrow.')).toBeVisible();
  await expect(coach.getByRole('img', { name: 'Enjoyment: 9 of 10' })).toBeVisible();
  await expect(coach.getByRole('img', { name: 'Effort: 0 of 10' })).toBeVisible();
});
