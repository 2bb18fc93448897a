import { expect, type Page } from '@playwright/test';
import {
  addStudent,
  comeIn,
  join,
  onPhone,
  setAndPublish,
  signIn,
  test,
  toStudent,
  closePart,
  endSession,
} from './people';

test('pain that is sharp ends the session, says why, and the coach sees it first', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Pernille Hurtig');
  await setAndPublish(coach, /Line first/);
  const student = await onPhone(browser);
  await join(student, link, 'pernille@phone.example');
  await student.getByRole('link', { name: 'Practise' }).click();
  await student.getByRole('button', { name: 'Begin' }).click();
  await closePart(student);
  await student.getByRole('button', { name: 'It hurts' }).click();
  await student.getByRole('button', { name: 'Knee' }).click();
  await student.getByRole('button', { name: 'Trail (right)' }).click();
  await student.getByRole('button', { name: 'Sharp' }).click();
  await student.getByRole('button', { name: 'How bad: 1', exact: true }).click();
  await student.getByRole('button', { name: 'Tell my coach' }).click();
  await expect(student.getByRole('alert')).toContainText('doctor or physiotherapist');
  await student.getByRole('button', { name: 'Finish' }).click();
  await expect(student.getByText('Your coach can see it now.')).toBeVisible();

  await coach.goto('/tee-line');
  await expect(coach.getByRole('button', { name: 'Pernille Hurtig: trail knee, 1 of 10, sharp' })).toBeVisible();
});

test('thunder ends the session from its own screen, and nothing is said of pain', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Gitte Gewitter');
  await setAndPublish(coach, /Line first/);
  const student = await onPhone(browser);
  await join(student, link, 'gitte@phone.example');
  await student.getByRole('link', { name: 'Practise' }).click();
  await student.getByRole('button', { name: 'Begin' }).click();
  await closePart(student);
  await student.getByRole('button', { name: 'End session' }).click();
  await student.getByRole('group', { name: 'Stopped by weather' }).getByRole('button', { name: 'Thunder' }).click();
  await expect(student.getByRole('alert')).toContainText('Leave the range now and wait indoors.');
  // The storm has passed: the session goes on where it stood.
  await student.getByRole('button', { name: 'Continue session' }).click();
  await student.getByRole('group', { name: 'Stopped by weather' }).getByRole('button', { name: 'Thunder' }).click();
  await student.getByRole('button', { name: 'Finish' }).click();
  await expect(student.getByText('Your coach can see it now.')).toBeVisible();

  // Five minutes of loosening up, by the student's word, of 59.
  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByText(/^Stopped for thunder after 5 of \d+ min$/).first()).toBeVisible();
  await expect(coach.getByText('Thunder ended this session.')).toBeVisible();
  await expect(coach.getByText(/Pain/)).toHaveCount(0);
});

test('what loads a part that hurts a little falls out, and counts for nothing', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Ewald Schonung');
  await setAndPublish(coach, /Line first/);
  const student = await onPhone(browser);
  await join(student, link, 'ewald@phone.example');
  await student.getByRole('link', { name: 'Practise' }).click();
  await student.getByRole('button', { name: 'How do you come today?' }).click();
  await student.getByRole('button', { name: 'Nerves: 7' }).click();
  await student.getByLabel('Time available').fill('50');
  await student.getByRole('button', { name: 'Something hurts today' }).click();
  await student.getByRole('button', { name: 'Elbow' }).click();
  await student.getByRole('button', { name: 'Lead (left)' }).click();
  await student.getByRole('button', { name: 'Dull' }).click();
  await student.getByRole('button', { name: 'How bad: 2', exact: true }).click();
  await student.getByRole('button', { name: 'Tell my coach' }).click();
  // Full swings load the lead elbow, with a drill or without; stretching and half swings go on.
  await expect(
    student.getByText(/^Left out.*: Start it between two, Somebody calls it, 4 holes of the island/),
  ).toBeVisible();
  await student.getByRole('button', { name: 'Begin' }).click();
  await expect(student.getByRole('heading', { level: 1, name: 'Loosen up' })).toBeVisible();
  await closePart(student);
  await expect(student.getByRole('heading', { level: 1, name: 'Grow the wedge' })).toBeVisible();
  await closePart(student);
  await endSession(student);
  await expect(student.getByText('Your coach can see it now.')).toBeVisible();

  // 58 minutes were planned; 47 of full swings count for nothing: 11 of 11, both parts by the student's word.
  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByText('11 of 11 min (11 min reported without scores)').first()).toBeVisible();
  await expect(coach.getByText('Came with nerves of 7 of 10, with 50 min')).toBeVisible();
  await expect(coach.getByTestId('segment-done').filter({ hasText: 'Start it between' })).toContainText('left out');
});

test('without a connection everything is kept on the phone and sent afterwards', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Runa Funkloch');
  await setAndPublish(coach, /The island nine/);
  const student = await onPhone(browser);
  await join(student, link, 'runa@phone.example');
  const title = await student.getByRole('listitem').first().getByRole('heading').innerText();
  await student.getByRole('link', { name: 'Practise' }).first().click();
  await student.getByRole('button', { name: 'Begin' }).click();
  for (const next of ['Grow the wedge', 'Off the tee without driver']) {
    await closePart(student);
    await expect(student.getByRole('heading', { level: 1, name: next })).toBeVisible();
  }
  await expect(student.getByTestId('sync')).toHaveText('all sent');
  await student.context().setOffline(true);
  await closePart(student);
  const first = (phone: Page) => phone.getByTestId('flow').locator('button[data-value]').first();
  await first(student).click();
  await expect(student.getByTestId('sync')).toHaveText('3 entries kept on this phone, not sent yet');
  await expect(student.getByTestId('flow')).toContainText('Where did it go?');
  await student.context().setOffline(false);
  await expect(student.getByTestId('sync')).toHaveText('all sent', { timeout: 15_000 });

  // Another phone of the same person goes on where this one stands.
  const other = await onPhone(browser);
  await signIn(other, 'runa@phone.example');
  await expect(other.getByRole('listitem').first().getByRole('heading')).toHaveText(title);
  await other.getByRole('link', { name: 'Go on' }).first().click();
  await expect(other.getByTestId('flow')).toContainText('Where did it go?');

  // Both count on, each in its own log; of each segment the fuller one counts.
  await first(student).click();
  await expect(student.getByTestId('sync')).toHaveText('all sent');
  await first(other).click();
  await other.getByTestId('flow').getByRole('textbox').fill('150');
  await other.getByTestId('flow').getByRole('button', { name: 'Enter' }).click();
  await expect(other.getByTestId('sync')).toHaveText('all sent', { timeout: 15_000 });
  await expect(other.getByTestId('flow')).toContainText('shot 2');
  await other.getByRole('link', { name: 'My week' }).click();
  await other.goto(student.url().replace('/practice/', '/sessions/'));
  await expect(other.getByRole('region', { name: /^Log of/ })).toHaveCount(1);
  await expect(other.getByText(/From two devices/)).toBeVisible();
});

test('on a shared phone nobody goes on with somebody else’s session', async ({ page: coach, browser }) => {
  await comeIn(coach, 'coach');
  const first = await addStudent(coach, 'Aki Gedeelt');
  await setAndPublish(coach, /Six before supper/);
  const second = await addStudent(coach, 'Bo Gedeelt');
  await setAndPublish(coach, /Six before supper/);
  const shared = await onPhone(browser);
  await join(shared, first, 'aki@shared.example');
  await shared.getByRole('link', { name: 'Practise' }).click();
  await shared.getByRole('button', { name: 'Begin' }).click();
  await shared.getByTestId('flow').getByRole('button', { name: 'Made', exact: true }).click();
  await expect(shared.getByTestId('sync')).toHaveText('all sent');
  await shared.getByRole('link', { name: 'My week' }).click();
  await shared.getByRole('button', { name: 'Sign out' }).click();
  await join(shared, second, 'bo@shared.example');
  await shared.getByRole('link', { name: 'Practise' }).click();
  await expect(shared.getByRole('button', { name: 'Begin' })).toBeVisible();
});

test('where everything loads what hurts, the session is left for today, and nothing is missed', async ({
  page: coach,
  browser,
}) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Hedda Pause');
  await coach.goto('/plans/new');
  await coach.getByLabel('Title').fill('Nothing but swings');
  await coach.getByLabel('Purpose').fill('Hit it hard');
  await coach.getByLabel('Purpose').blur();
  await coach.keyboard.press('b');
  await coach.keyboard.press('Control+s');
  await expect(coach.getByTestId('save-state')).toHaveText('saved');
  await setAndPublish(coach, /Nothing but swings/);
  const student = await onPhone(browser);
  await join(student, link, 'hedda@phone.example');
  await student.getByRole('link', { name: 'Practise' }).click();
  await student.getByRole('button', { name: 'Something hurts today' }).click();
  await student.getByRole('button', { name: 'Lower back' }).click();
  await student.getByRole('button', { name: 'Dull' }).click();
  await student.getByRole('button', { name: 'How bad: 2', exact: true }).click();
  await student.getByRole('button', { name: 'Tell my coach' }).click();
  await expect(student.getByText('Everything in this session loads what hurts')).toBeVisible();
  await expect(student.getByRole('button', { name: 'Begin' })).toBeHidden();
  await student.getByRole('button', { name: 'Leave it for today' }).click();
  await expect(student.getByText('Your coach can see it now.')).toBeVisible();
  await toStudent(coach);
  await expect(coach.getByTestId('session-tile')).not.toContainText('missed');
});

test('half an hour and forty balls make the session fit, with reasons, and it is labelled trimmed', async ({
  page: coach,
  browser,
}) => {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Kurt Kurzzeit');
  await setAndPublish(coach, /Line first/);
  const student = await onPhone(browser);
  await join(student, link, 'kurt@phone.example');
  await student.getByRole('link', { name: 'Practise', exact: true }).click();
  await expect(student.getByRole('button', { name: 'Begin' })).toBeVisible();
  // What fits was worked out beforehand: it needs no signal.
  await student.context().setOffline(true);
  await student.getByRole('button', { name: 'How do you come today?' }).click();
  await student.getByLabel('Time available').fill('30');
  await student.getByLabel('Balls available').fill('40');
  const fit = student.getByRole('region', { name: 'Made to fit' });
  await expect(fit).toContainText('For 30 min and 40 balls');
  await expect(fit).toContainText('Everything is shortened in proportion, to 30 minutes.');
  await student.getByRole('button', { name: 'Begin' }).click();
  await expect(student.getByTestId('left')).toContainText('30 min, 40 range balls');
  // Stretching before anything is swung stays whole; what follows it is over sooner, and its rule says so.
  await expect(student.getByText('of 5 min')).toBeVisible();
  await student.context().setOffline(false);
  while (!(await closePart(student)));
  await endSession(student);
  await expect(student.getByText('Your coach can see it now.')).toBeVisible({ timeout: 20_000 });
  await toStudent(coach);
  await expect(coach.getByTestId('session-tile')).toContainText('trimmed, and done');
});
