import { expect, type Page } from '@playwright/test';
import { isClean } from './clean';
import { addStudent, comeIn, join, onPhone, setAndPublish, signIn, test, toStudent } from './people';

// What a day on the range does to a phone: storage that fails, a second phone, a wrong clock, a coach who changes the
// week meanwhile.

test.describe.configure({ timeout: 90_000 });

const sync = (page: Page) => page.getByTestId('sync');
const allSent = (page: Page) => expect(sync(page)).toHaveText('all sent', { timeout: 30_000 });
const made = (page: Page) => page.getByTestId('flow').getByRole('button', { name: 'Made', exact: true });

/** Lets a test make writes to the phone's store fail. */
async function withFailingStore(page: Page) {
  await page.addInitScript(() => {
    const window_ = window as unknown as { failWrites: number };
    window_.failWrites = 0;
    for (const name of ['put', 'add'] as const) {
      const real = IDBObjectStore.prototype[name];
      IDBObjectStore.prototype[name] = function (this: IDBObjectStore, ...args: [unknown, IDBValidKey?]) {
        if (window_.failWrites > 0 && this.name === 'entries') {
          window_.failWrites--;
          throw new DOMException('The quota has been reached.', 'QuotaExceededError');
        }
        return real.apply(this, args);
      };
    }
  });
}

/** The notes of answers that were given and not handed in, as they stand in the phone's store. */
const notesKeptOn = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<unknown[]>((found, failed) => {
        const opening = indexedDB.open('morning-round');
        opening.onerror = () => failed(opening.error);
        opening.onsuccess = () => {
          const all = opening.result.transaction('logs').objectStore('logs').getAll();
          all.onerror = () => failed(all.error);
          all.onsuccess = () => {
            opening.result.close();
            found((all.result as { ratingDraft: { note?: string } | null }[]).map((log) => log.ratingDraft?.note));
          };
        };
      }),
  );

const failWrites = (page: Page, times: number) =>
  page.evaluate((n) => void ((window as unknown as { failWrites: number }).failWrites = n), times);

async function student(coach: Page, phone: Page, name: string) {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, name);
  await setAndPublish(coach, /Putts from both ends/);
  const email = `${name.toLowerCase().replaceAll(' ', '.')}@faults.example`;
  await join(phone, link, email);
  return email;
}

async function begin(phone: Page) {
  await phone.getByRole('link', { name: 'Practise', exact: true }).first().click();
  await phone.getByRole('button', { name: 'Begin' }).click();
  await expect(phone.getByTestId('flow')).toBeVisible();
}

async function coachSees(coach: Page, words: string | RegExp) {
  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByTestId('drill-result').first()).toContainText(words);
}

test('one write that fails costs nothing, and nothing is asked over and over', async ({ page: coach, browser }) => {
  const phone = await onPhone(browser);
  await withFailingStore(phone);
  await student(coach, phone, 'Una Einmal');
  await begin(phone);
  await allSent(phone);
  let calls = 0;
  phone.on('request', (r) => void (r.url().endsWith('/entries') && r.method() === 'POST' && calls++));
  await failWrites(phone, 1);
  for (let n = 0; n < 4; n++) await made(phone).click();
  await allSent(phone);
  expect(calls).toBeLessThanOrEqual(6);
  await phone.reload();
  await expect(phone.getByTestId('flow-counts')).toContainText('4');
  await coachSees(coach, 'Best run 4');
});

test('a store that keeps nothing says so, and everything is sent from the page', async ({ page: coach, browser }) => {
  const phone = await onPhone(browser);
  await withFailingStore(phone);
  await student(coach, phone, 'Vito Vollspeicher');
  await begin(phone);
  await allSent(phone);
  await failWrites(phone, 1_000);
  for (let n = 0; n < 3; n++) await made(phone).click();
  await expect(phone.getByText(/Keep this page open/)).toBeVisible();
  await allSent(phone);
  await failWrites(phone, 0);
  await made(phone).click();
  await expect(phone.getByText(/Keep this page open/)).toHaveCount(0, { timeout: 30_000 });
  await coachSees(coach, 'Best run 4');
});

test('a store deleted under the open page is written anew', async ({ page: coach, browser }) => {
  const phone = await onPhone(browser);
  await student(coach, phone, 'Wilma Weggeworfen');
  await begin(phone);
  await made(phone).click();
  await allSent(phone);
  await phone.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const gone = indexedDB.deleteDatabase('morning-round');
        gone.onsuccess = () => resolve();
        gone.onerror = () => resolve();
      }),
  );
  await made(phone).click();
  await made(phone).click();
  await allSent(phone);
  await coachSees(coach, 'Best run 3');
});

test('a session taken out while a phone without a signal practises it is kept as own practice, and both are told', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser);
  await student(coach, phone, 'Xaver Herausgenommen');
  await phone.getByRole('link', { name: 'Practise', exact: true }).first().click();
  await expect(phone.getByRole('button', { name: 'Begin' })).toBeVisible();
  await phone.context().setOffline(true);
  await phone.getByRole('button', { name: 'Begin' }).click();
  await made(phone).click();
  await toStudent(coach);
  await coach.getByTestId('session-tile').click();
  // The tile goes before the server has answered; the phone must not be quicker than that.
  const taken = coach.waitForResponse((r) => r.url().endsWith('/api/weeks/changes'));
  await coach.getByRole('button', { name: 'Take out' }).click();
  await expect(coach.getByTestId('session-tile')).toHaveCount(0);
  expect((await taken).status()).toBe(200);
  await phone.context().setOffline(false);
  await allSent(phone);
  await expect(phone.getByText(/Your coach had taken this session out of the week/)).toBeVisible();
  await coach.reload();
  await expect(coach.getByTestId('session-tile')).toContainText('had been taken out');
  await phone.getByRole('link', { name: 'My week' }).click();
  await expect(phone.getByText('had been taken out by your coach')).toBeVisible();
});

test('a second phone goes on from the first, both are told, and the coach sees one session', async ({
  page: coach,
  browser,
}) => {
  const first = await onPhone(browser);
  const email = await student(coach, first, 'Yara Zweitphone');
  await begin(first);
  await made(first).click();
  await made(first).click();
  await allSent(first);

  const second = await onPhone(browser);
  await signIn(second, email);
  await second.getByRole('link', { name: 'Go on' }).click();
  await expect(second.getByTestId('flow-counts')).toContainText('2');
  await expect(second.getByText(/You go on here from another device/)).toBeVisible();
  await made(second).click();
  await allSent(second);
  await expect(second.getByText(/practised on two devices/)).toBeVisible();
  await made(first).click();
  await made(first).click();
  await allSent(first);
  await expect(first.getByText(/practised on two devices/)).toBeVisible();

  await toStudent(coach);
  await expect(coach.getByTestId('session-tile')).toContainText('from two devices');
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByTestId('drill-result')).toHaveCount(1);
  await expect(coach.getByTestId('drill-result')).toContainText('Best run 4');
  await expect(coach.getByText(/From two devices: of each segment the fuller one counts/)).toBeVisible();
});

test('a phone that is years off can send, and its day is put right', async ({ page: coach, browser }) => {
  const phone = await onPhone(browser);
  await student(coach, phone, 'Zeno Falschzeit');
  await phone.getByRole('link', { name: 'Practise', exact: true }).first().click();
  await expect(phone.getByRole('button', { name: 'Begin' })).toBeVisible();
  await phone.context().setOffline(true);
  const shifted = await phone.evaluate(() => Date.now());
  await phone.clock.setSystemTime(shifted + 40 * 365 * 86_400_000);
  await phone.getByRole('button', { name: 'Begin' }).click();
  await made(phone).click();
  await phone.context().setOffline(false);
  await allSent(phone);
  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByText('The phone’s clock was off; its times were put right.')).toBeVisible();
  await expect(coach.getByRole('region', { name: /Log of .*6 May/ })).toBeVisible();
});

test('a clock left running overnight asks, and never tells of fourteen hours', async ({ page: coach, browser }) => {
  const phone = await onPhone(browser);
  await student(coach, phone, 'Albert Nachtlauf');
  await begin(phone);
  await made(phone).click();
  await allSent(phone);
  await phone.context().setOffline(true);
  const now = await phone.evaluate(() => Date.now());
  await phone.clock.setSystemTime(now + 14 * 3_600_000);
  await phone.evaluate(() => window.dispatchEvent(new Event('focus')));
  await expect(phone.getByRole('heading', { name: 'The clock ran on' })).toBeVisible();
  await isClean(phone, 'the clock ran on');
  await phone.getByRole('button', { name: /^Up to the last tap/ }).click();
  await expect(phone.getByTestId('flow')).toBeVisible();
  await expect(phone.getByRole('timer')).toHaveText(/^0:/);
});

test('what was answered survives a reload, and can be put right afterwards where the coach sees both', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser);
  await student(coach, phone, 'Berta Nachgetragen');
  await begin(phone);
  await made(phone).click();
  await phone.getByRole('button', { name: 'It hurts' }).click();
  const dialog = phone.getByRole('dialog');
  await expect(dialog.getByRole('button', { pressed: true })).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Neck' }).click();
  await dialog.getByRole('button', { name: 'Dull' }).click();
  await dialog.getByRole('button', { name: 'How bad: 8' }).click();
  const box = await dialog.getByRole('button', { name: 'Tell my coach' }).boundingBox();
  expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(740);
  await dialog.getByRole('button', { name: 'Tell my coach' }).click();
  await phone.getByRole('button', { name: 'Focus: 4' }).click();
  await phone.getByLabel('A note for your coach').fill('Slept badly');
  await expect.poll(() => notesKeptOn(phone)).toEqual(['Slept badly']);
  await phone.reload();
  await expect(phone.getByRole('button', { name: 'Focus: 4' })).toHaveAttribute('aria-pressed', 'true');
  await expect(phone.getByLabel('A note for your coach')).toHaveValue('Slept badly');
  await phone.getByRole('button', { name: 'Finish' }).click();
  await expect(phone.getByText('Your coach can see it now.')).toBeVisible({ timeout: 20_000 });

  await phone.getByRole('button', { name: 'Add to it or put it right' }).click();
  await isClean(phone, 'mending');
  await phone.getByRole('button', { name: 'That was not right' }).click();
  await phone.getByRole('button', { name: 'Dull' }).click();
  await phone.getByRole('button', { name: 'How bad: 2' }).click();
  await phone.getByRole('button', { name: 'Put it right' }).click();
  await phone.getByRole('button', { name: 'Focus: 7' }).click();
  await phone.getByRole('button', { name: 'Keep the changes' }).click();
  await allSent(phone);
  await toStudent(coach);
  await coach.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
  await expect(coach.getByText('Pain: neck, 2 of 10')).toBeVisible();
  await expect(coach.getByText(/First told as neck, 8 of 10; put right since/)).toBeVisible();
  await expect(coach.getByText('Said or changed after the session.')).toBeVisible();
});

test('the phone’s Back closes the pain dialog and stays in the session', async ({ page: coach, browser }) => {
  const phone = await onPhone(browser);
  await student(coach, phone, 'Cleo Rueckweg');
  await begin(phone);
  await phone.getByRole('button', { name: 'It hurts' }).click();
  await expect(phone.getByRole('dialog')).toBeVisible();
  await phone.goBack();
  await expect(phone.getByRole('dialog')).toHaveCount(0);
  await expect(phone.getByTestId('flow')).toBeVisible();
  await phone.getByRole('button', { name: 'It hurts' }).click();
  await phone.getByRole('button', { name: 'Nothing is wrong' }).click();
  await expect(phone.getByRole('dialog')).toHaveCount(0);
  await expect(phone.getByTestId('flow')).toBeVisible();
});

test('signing out works without a signal, and takes drafts along', async ({ page: coach, browser }) => {
  const phone = await onPhone(browser, { serviceWorkers: 'allow' });
  await student(coach, phone, 'Dora Abgemeldet');
  await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await phone.evaluate(() => localStorage.setItem('morning-round-draft-somebody-file', '{}'));
  await phone.context().setOffline(true);
  await phone.getByRole('button', { name: 'Sign out' }).click();
  await expect(phone.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  expect(await phone.evaluate(() => localStorage.getItem('morning-round-draft-somebody-file'))).toBeNull();
  await phone.goto('/my-week');
  await expect(phone.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  await phone.context().setOffline(false);
  await phone.reload();
  await expect(phone.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  await expect
    .poll(async () => ((await (await phone.request.get('/api/accounts/session')).json()) as { person: unknown }).person)
    .toBeNull();
});
