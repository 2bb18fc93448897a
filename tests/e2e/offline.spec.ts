import { expect, type Page } from '@playwright/test';
import { Middleman } from './middleman';
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

test.describe.configure({ timeout: 90_000 });

const sync = (page: Page) => page.getByTestId('sync');
const allSent = (page: Page) => expect(sync(page)).toHaveText('all sent', { timeout: 20_000 });

/** A student of their own on a phone, with twenty minutes of short putts in the week: a streak first, then pace after that. */
async function studentWithSession(coach: Page, phone: Page, name: string) {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, name);
  await setAndPublish(coach, /Putts from both ends/);
  const email = `${name.toLowerCase().replaceAll(' ', '.')}@offline.example`;
  await join(phone, link, email);
  return email;
}

async function signIn(page: Page, email: string) {
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('a made-up password');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

async function begin(phone: Page) {
  await phone.getByRole('link', { name: 'Practise', exact: true }).first().click();
  await phone.getByRole('button', { name: 'Begin' }).click();
}

test('in the middle of a drill the signal goes: the application loads, the drill goes on, and all of it arrives once', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser, { serviceWorkers: 'allow' });
  await studentWithSession(coach, phone, 'Nora Funkloch');
  await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
  // Nothing but the week was opened, with what was said about it: the session, next week and the warm-ups were fetched too.
  await expect
    .poll(() =>
      phone.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const open = indexedDB.open('morning-round');
            open.onsuccess = () => {
              const count = open.result.transaction('answers').objectStore('answers').count();
              count.onsuccess = () => resolve(count.result);
            };
          }),
      ),
    )
    .toBe(5);
  await phone.context().setOffline(true);
  const refused: string[] = [];
  phone.on('console', (line) => line.text().includes('Content Security Policy') && refused.push(line.text()));
  const kept = await phone.reload();
  // The page that the phone kept carries its own nonce, and the header above it names the same: its styles are taken.
  const nonce = await phone.evaluate(() => document.querySelector<HTMLElement>('meta[property=csp-nonce]')?.nonce);
  expect(nonce).toMatch(/^[\w+/]{22}==$/);
  expect(kept?.headers()['content-security-policy']).toContain(`style-src 'self' 'nonce-${nonce}'`);
  expect(refused).toEqual([]);

  // A warm-up for twenty minutes, whose five balls at the target are judged on the phone.
  await phone.getByRole('link', { name: 'Warm-up' }).click();
  await phone.getByLabel('Minutes there are').selectOption({ label: '20 min' });
  await phone.getByLabel('Up the bag').selectOption({ label: 'Fixed fives' });
  await phone.getByRole('button', { name: 'Say where the five go' }).click();
  for (const offset of ['13', '16', '15', '17', '14']) {
    await phone.getByRole('button', { name: 'right', exact: true }).click();
    await phone.getByTestId('flow').getByRole('textbox').fill(offset);
    await phone.getByRole('button', { name: 'Enter', exact: true }).click();
  }
  await expect(phone.getByTestId('flow-said')).toContainText(/Today it goes 15 \w+ right .*Five more, only to verify/);
  await phone.getByRole('link', { name: 'My week' }).click();

  await begin(phone);
  const flow = phone.getByTestId('flow');
  for (const answer of ['Made', 'Made', 'Missed'])
    await flow.getByRole('button', { name: answer, exact: true }).click();
  const counts = await phone.getByTestId('flow-counts').innerText();
  await expect(sync(phone)).toHaveText('4 entries kept on this phone, not sent yet');
  await isKeptOn(phone);
  await phone.reload();
  await expect(phone.getByTestId('flow-counts')).toHaveText(counts, { useInnerText: true });
  await phone.getByRole('link', { name: 'My week' }).click();
  await expect(phone.getByText('4 entries of “Putts from both ends” on this phone, not sent yet.')).toBeVisible();
  await phone.getByRole('link', { name: 'Go on', exact: true }).first().click();
  await phone.context().setOffline(false);
  await allSent(phone);
  await phone.getByRole('button', { name: 'Undo' }).click();
  await allSent(phone);

  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByTestId('drill-result')).toContainText('Best run 2');
});

test('a session ends without a signal by the phone’s own counts, and is judged once it is sent', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser);
  await studentWithSession(coach, phone, 'Ole Endlich');
  await begin(phone);
  await allSent(phone);
  await phone.context().setOffline(true);
  const flow = phone.getByTestId('flow');
  for (const answer of ['Made', 'Missed', 'Made'])
    await flow.getByRole('button', { name: answer, exact: true }).click();
  while (!(await closePart(phone)));
  await endSession(phone);
  await expect(phone.getByText('Counted on this phone; judged once it is sent.')).toBeVisible();
  await expect(phone.getByTestId('gave')).toContainText('best 1');
  await phone.context().setOffline(false);
  await expect(phone.getByText('Your coach can see it now.')).toBeVisible({ timeout: 20_000 });
  await expect(phone.getByTestId('gave')).toContainText('Best run 1');
  await expect(phone.getByTestId('gave')).toContainText('The first time with these numbers');
});

test('a server that is killed, and an answer that is lost, cost nothing and double nothing', async ({
  page: coach,
  browser,
  baseURL,
}) => {
  const middleman = new Middleman(baseURL ?? '');
  await middleman.open();
  const phone = await onPhone(browser, { baseURL: middleman.address });
  await studentWithSession(coach, phone, 'Pia Abgerissen');
  await begin(phone);
  await allSent(phone);

  middleman.answersToLose = 2;
  const made = phone.getByTestId('flow').getByRole('button', { name: 'Made', exact: true });
  await made.click();
  await made.click();
  await allSent(phone);
  expect(middleman.lost).toBe(2);

  await middleman.kill();
  await made.click();
  await expect(sync(phone)).toHaveText('1 entry kept on this phone, not sent yet');
  await made.click();
  await expect(phone.getByTestId('flow-counts')).toContainText('4');
  await middleman.open();
  await allSent(phone);
  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByTestId('drill-result')).toContainText('Best run 4');
  await middleman.kill();
});

test('of two tabs one goes on with the session, and the other takes over without losing anything', async ({
  page: coach,
  browser,
}) => {
  const first = await onPhone(browser);
  await studentWithSession(coach, first, 'Rita Zweimal');
  await begin(first);
  await first.getByTestId('flow').getByRole('button', { name: 'Made', exact: true }).click();
  const counts = await first.getByTestId('flow-counts').innerText();
  const second = await first.context().newPage();
  await second.goto(first.url());
  await expect(second.getByText('This session is open in another tab.')).toBeVisible();
  await second.getByRole('button', { name: 'Go on here' }).click();
  await expect(second.getByTestId('flow-counts')).toHaveText(counts, { useInnerText: true });
  await expect(first.getByText('This session is open in another tab.')).toBeVisible();
  await second.getByTestId('flow').getByRole('button', { name: 'Made', exact: true }).click();
  const later = await second.getByTestId('flow-counts').innerText();
  expect(later).not.toBe(counts);
  await isKeptOn(second);
  await second.close();
  await expect(first.getByTestId('flow-counts')).toHaveText(later, { useInnerText: true });
  await allSent(first);
});

test('a tab that closes without a word of what it wrote leaves the other one to send it', async ({
  page: coach,
  browser,
}) => {
  const first = await onPhone(browser);
  await studentWithSession(coach, first, 'Ruth Wortlos');
  await begin(first);
  await allSent(first);
  const second = await first.context().newPage();
  // As when a tab is closed between the write and what it would have said of it.
  await second.addInitScript(() => (BroadcastChannel.prototype.postMessage = () => undefined));
  await second.route('**/entries', (route) => route.abort());
  await second.goto(first.url());
  await second.getByRole('button', { name: 'Go on here' }).click();
  await second.getByTestId('flow').getByRole('button', { name: 'Made', exact: true }).click();
  await expect(sync(second)).toContainText('not sent yet');
  await second.close();
  await expect(first.getByTestId('flow-counts')).toContainText('1');
  await allSent(first);
});

test('a sign-in that ran out stops nobody, and another person sends nothing of it', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser);
  const email = await studentWithSession(coach, phone, 'Sami Abgelaufen');
  await begin(phone);
  await allSent(phone);
  await phone.context().clearCookies();
  const made = phone.getByTestId('flow').getByRole('button', { name: 'Made', exact: true });
  await made.click();
  // Nobody is led out of a session to sign in; it says so, and goes on.
  await expect(phone.getByText('You’re signed out. Keep practising')).toBeVisible();
  await expect(phone.getByRole('link', { name: 'Sign in again' })).toHaveCount(0);
  await isKeptOn(phone);
  await phone.reload();
  await made.click();
  await expect(sync(phone)).toHaveText('2 entries kept on this phone, not sent yet');

  // Somebody else comes to this phone first, practises nothing, and signs out with nothing of theirs to send.
  await phone.goto('/sign-in');
  await expect(phone.getByText(/2.entries of a session kept on this device/)).toBeVisible();
  await phone.getByRole('button', { name: 'Come in as a student' }).click();
  await expect(phone.getByRole('heading', { level: 1, name: 'My week' })).toBeVisible();
  await expect(phone.getByText(/not sent yet/)).toHaveCount(0);
  await phone.getByRole('button', { name: 'Sign out' }).click();
  await expect(phone.getByText(/2.entries of a session kept on this device/)).toBeVisible();

  await signIn(phone, email);
  await phone.getByRole('link', { name: 'Go on' }).click();
  await allSent(phone);
  await expect(phone.getByTestId('flow-counts')).toContainText('2');
});

test('signing out with unsent work keeps it for the one it belongs to', async ({ page: coach, browser, baseURL }) => {
  const middleman = new Middleman(baseURL ?? '');
  await middleman.open();
  const phone = await onPhone(browser, { baseURL: middleman.address });
  const email = await studentWithSession(coach, phone, 'Tove Unterwegs');
  await begin(phone);
  await allSent(phone);
  // Entries get through to nobody, while signing out does.
  await phone.route('**/entries', (route) => route.abort());
  await phone.getByTestId('flow').getByRole('button', { name: 'Made', exact: true }).click();
  await expect(sync(phone)).toContainText('not sent yet');
  await phone.getByRole('link', { name: 'My week' }).click();
  await phone.getByRole('button', { name: 'Sign out' }).click();
  await expect(phone.getByText(/1.entry of a session kept on this device/)).toBeVisible();
  await phone.unroute('**/entries');
  await signIn(phone, email);
  await phone.getByRole('link', { name: 'Go on' }).click();
  await allSent(phone);
  await middleman.kill();
});

test('what is said of a session without a signal waits, is sent once there is one, and next week is here meanwhile', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser, { serviceWorkers: 'allow' });
  await studentWithSession(coach, phone, 'Wanda Wartet');
  await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await expect(phone.getByTestId('ready')).toHaveText('Ready without a signal.');
  await phone.context().setOffline(true);
  await phone.getByText('What it holds, what to bring').first().click();
  await phone.getByRole('button', { name: 'I cannot' }).click();
  await phone.getByRole('button', { name: 'Ill', exact: true }).click();
  await expect(phone.getByText('Waiting to be sent: you can’t make it, ill.')).toBeVisible();
  await phone.getByRole('button', { name: 'Week after' }).click();
  await expect(phone.getByText('Nothing is set for this week')).toBeVisible();
  await phone.context().setOffline(false);
  await phone.goto('/my-week');
  await expect(phone.getByText('excused: ill')).toBeVisible({ timeout: 20_000 });
  await expect(phone.getByText('Waiting to be sent')).toHaveCount(0);
});
