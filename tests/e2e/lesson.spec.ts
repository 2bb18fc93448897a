import { expect } from '@playwright/test';
import { isClean } from './clean';
import { addStudent, comeIn, join, onPhone, setAndPublish, test, toStudent, closePart, endSession } from './people';

test('a lesson: the coach counts beside the student, and what was agreed waits in next week as a draft', async ({
  page: coach,
}) => {
  await comeIn(coach, 'coach');
  await addStudent(coach, 'Lotte Lektion');
  await toStudent(coach);
  await coach.getByRole('link', { name: 'Hold a lesson' }).click();
  await coach.getByLabel('What for').fill('Find the low point');
  await coach.getByRole('button', { name: 'Begin the lesson' }).click();
  await coach.getByLabel('Notes of this lesson').fill('Low point still behind the ball');
  await closePart(coach);
  await coach.getByRole('button', { name: 'Five balls' }).click();
  await coach.getByRole('button', { name: 'Five balls' }).click();
  await coach.getByRole('button', { name: 'End lesson' }).click();
  await coach.getByLabel(/^Checkpoint/).fill('Belt buckle to the target');
  await coach.getByLabel('Homework').fill('Ten with the towel');
  await coach.getByLabel('Duration').fill('20');
  await isClean(coach, 'what was agreed');
  await coach.getByRole('button', { name: 'Finish the lesson' }).click();
  await expect(coach.getByText('Lotte Lektion can see it now.')).toBeVisible({ timeout: 20_000 });
  await isClean(coach, 'after a lesson');
  await coach.getByRole('link', { name: 'Look back' }).click();
  await expect(coach.getByRole('region', { name: /^Log of/ })).toContainText('in a lesson');
  await expect(coach.getByText('Checkpoint: Belt buckle to the target')).toBeVisible();
  await expect(coach.getByText('Homework: Ten with the towel, 20 min')).toBeVisible();

  await coach.getByRole('link', { name: 'Lotte Lektion' }).click();
  await expect(coach.getByTestId('session-tile')).toContainText('lesson, ');
  await expect(coach.getByText('Look first at: Belt buckle to the target')).toBeVisible();
  await coach.getByRole('button', { name: /^After/ }).click();
  const draft = coach.getByTestId('session-tile').filter({ hasText: 'Homework' });
  await expect(draft).toContainText('draft, 20 min');
});

test('a session done on paper is typed in with the attempts of its drill', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Paula Papier');
  await setAndPublish(coach, /Putts from both ends/);
  const student = await onPhone(browser);
  await join(student, link, 'paula@paper.example');
  await student.getByRole('link', { name: 'Practise', exact: true }).click();
  await student.getByRole('link', { name: 'It was done on paper' }).click();
  const gate = student.getByRole('group', { name: 'Through the gate' });
  await expect(gate).toBeVisible();
  await isClean(student, 'paper');
  await gate.getByRole('button', { name: 'done', exact: true }).click();
  const card = gate.getByLabel('Attempts of “Through the gate”');
  await card.fill('1129');
  await expect(gate.getByRole('alert')).toContainText('“9” does not fit here. Next: 1 made, 2 missed');
  await expect(student.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await card.fill('112 11');
  await expect(gate.getByTestId('card-reading')).toContainText('run 2 of 6, best 2');
  const pace = student.getByRole('group', { name: 'To the fringe' });
  await pace.getByRole('button', { name: 'part done' }).click();
  await expect(pace.getByText('How much of it?')).toBeVisible();
  await pace.getByLabel(/^Attempts of/).fill('11111');
  await student.getByRole('button', { name: 'Met', exact: true }).click();
  await student.getByRole('button', { name: 'Keep it' }).click();
  await expect(student.getByText('Your coach can see it now.')).toBeVisible({ timeout: 20_000 });

  // What is scored on a card counts by its attempts: 13 × 5/18 and 13 × 5/15 are 7.9 of 54.
  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByText('8 of 54 min', { exact: true })).toBeVisible();
  await expect(coach.getByTestId('drill-result').first()).toContainText('Best run 2 of 6 asked, in 5 attempts.');
  await expect(coach.getByRole('region', { name: /^Log of/ })).toContainText('from paper');
});

test('practice of one’s own is noted, practised, and stands outside the week', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Egon Eigen');
  const student = await onPhone(browser);
  await join(student, link, 'egon@own.example');
  await student.getByRole('link', { name: 'Practice of my own' }).click();
  await student.getByRole('button', { name: 'Practise it now' }).click();
  await expect(student.getByRole('alert').first()).toContainText('A session needs a purpose');
  await student.getByLabel('What for').fill('Feel the new grip');
  await student.getByRole('button', { name: 'Practise it now' }).click();
  await student.getByRole('button', { name: 'Begin' }).click();
  await closePart(student);
  await closePart(student);
  await endSession(student);
  await expect(student.getByText('Your coach can see it now.')).toBeVisible({ timeout: 20_000 });
  await toStudent(coach);
  await expect(coach.getByTestId('session-tile')).toContainText('on their own, done');
  await expect(coach.getByRole('region', { name: 'Last sessions' })).toContainText('Practice of my own');
});
