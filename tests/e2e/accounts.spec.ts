import { createHmac } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join as pathOf } from 'node:path';
import { expect, type Browser, type Page } from '@playwright/test';
import { isClean } from './clean';
import { addStudent, comeIn, join, onPhone, setAndPublish, signIn, test, toStudent } from './people';

const password = 'a made-up password';

/** What an authenticator app shows for a key: RFC 6238, six digits, steps of half a minute. */
function codeFor(key: string, at = Date.now()): string {
  const bits = [...key.replaceAll(' ', '')]
    .map((c) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(c).toString(2).padStart(5, '0'))
    .join('');
  const bytes = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)));
  const counter = Buffer.alloc(8);
  counter.writeBigInt64BE(BigInt(Math.floor(at / 30_000)));
  const hash = createHmac('sha1', bytes).update(counter).digest();
  const number = hash.readInt32BE((hash.at(-1) ?? 0) & 0xf) & 0x7fffffff;
  return String(number % 1_000_000).padStart(6, '0');
}

/** Opens the page of a screen as a browser of its own, at this address or at localhost, where passkeys can be made. */
async function browserOf(browser: Browser, baseURL: string | undefined, host?: string): Promise<Page> {
  const url = new URL(baseURL ?? '');
  if (host) url.hostname = host;
  return (await browser.newContext({ baseURL: url.origin })).newPage();
}

async function signInByHand(page: Page, email: string, word = password) {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(word);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

const onTeeLine = (page: Page) => expect(page.getByRole('heading', { level: 1, name: 'Tee line' })).toBeVisible();

const isIn = (page: Page) => expect(page.getByRole('button', { name: 'Sign out', exact: true })).toBeVisible();

/** Has the owner invite a coach by hand, and the coach join. */
async function coachJoins(owner: Page, coach: Page, name: string, email: string) {
  await comeIn(owner, 'coach');
  await owner.goto('/people');
  await owner.getByRole('button', { name: 'Invite a coach' }).click();
  const link = new URL(await owner.getByTestId('invitation-link').innerText());
  await owner.getByRole('button', { name: 'Close' }).click();
  await expect(owner.getByRole('region', { name: 'Open invitations' })).toContainText('For a coach');
  await coach.goto(link.pathname);
  await coach.getByLabel('Your name').fill(name);
  await coach.getByLabel('E-mail').fill(email);
  await coach.getByLabel('Password').fill(password);
  await coach.getByRole('button', { name: 'Come in' }).click();
  await onTeeLine(coach);
}

test('a coach joins, sets up a second step and a passkey, and comes in by each', async ({ browser, page, baseURL }) => {
  const coach = await browserOf(browser, baseURL, 'localhost');
  // A key in the computer itself, which says that its owner was there.
  const devtools = await coach.context().newCDPSession(coach);
  await devtools.send('WebAuthn.enable');
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
    },
  });
  await coachJoins(page, coach, 'Ilse Brandt-Moor', 'ilse@osier-island.example');
  await coach.getByRole('link', { name: /your account/ }).click();

  const step = coach.getByRole('region', { name: 'A second step' });
  await step.getByRole('button', { name: 'Set it up' }).click();
  await step.getByLabel('Your password').fill('not mine at all');
  await step.getByRole('button', { name: 'Set it up' }).click();
  await expect(step).toContainText('This is not your password.');
  await step.getByLabel('Your password').fill(password);
  await step.getByRole('button', { name: 'Set it up' }).click();
  const key = await step.getByTestId('authenticator-key').innerText();
  await step.getByLabel('Code of the app').fill('000000');
  await step.getByRole('button', { name: 'Switch it on' }).click();
  await expect(step).toContainText('This code is not right.');
  await step.getByLabel('Code of the app').fill(codeFor(key));
  await step.getByRole('button', { name: 'Switch it on' }).click();
  await expect(step).toContainText('On. After the password');
  const recovery = await step.getByTestId('recovery-codes').locator('li').first().innerText();
  await isClean(coach, 'account');

  const passkeys = coach.getByRole('region', { name: 'Passkeys' });
  await passkeys.getByLabel('What this device is called').fill('The office computer');
  await passkeys.getByLabel('Your password').fill(password);
  await passkeys.getByRole('button', { name: 'Make a passkey' }).click();
  await expect(passkeys).toContainText('The office computer, since');

  // With the code, with a recovery code, once; and with the passkey alone.
  await coach.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signInByHand(coach, 'ilse@osier-island.example');
  await coach.getByLabel('Code of your app').fill('111111');
  await coach.getByRole('button', { name: 'Come in', exact: true }).click();
  await expect(coach.getByRole('alert')).toContainText('This code is not right.');
  await isClean(coach, 'second step');
  await coach.getByLabel('Code of your app').fill(codeFor(key));
  await coach.getByRole('button', { name: 'Come in', exact: true }).click();
  await isIn(coach);
  await coach.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signInByHand(coach, 'ilse@osier-island.example');
  await coach.getByLabel('Code of your app').fill(recovery);
  await coach.getByRole('button', { name: 'Come in', exact: true }).click();
  await isIn(coach);
  await coach.getByRole('button', { name: 'Sign out', exact: true }).click();
  await coach.getByRole('button', { name: 'Use a passkey' }).click();
  await isIn(coach);
});

test('an owner makes a second one, closes an account, and takes a coach away, whose page ends there', async ({
  browser,
  page,
  baseURL,
}) => {
  const coach = await browserOf(browser, baseURL);
  await coachJoins(page, coach, 'Rasmus Veld', 'rasmus@osier-island.example');
  await page.reload();
  const entry = page.getByRole('listitem', { name: 'Rasmus Veld' });
  // An academy always has an owner: the only one is not asked to step down.
  await expect(page.getByRole('button', { name: 'Make a coach' })).toHaveCount(0);
  await entry.getByRole('button', { name: 'Make an owner' }).click();
  await expect(entry).toContainText('Owner');
  // Another role is another sign-in.
  await coach.goto('/tee-line');
  await expect(coach).toHaveURL(/sign-in/);
  await signInByHand(coach, 'rasmus@osier-island.example');
  await coach.getByRole('link', { name: 'People' }).click();
  await expect(coach.getByRole('listitem', { name: 'Rasmus Veld' })).toContainText('you');
  await isClean(coach, 'people');

  await entry.getByRole('button', { name: 'Close the account' }).click();
  await expect(entry).toContainText('account closed');
  await coach.goto('/plans');
  await expect(coach).toHaveURL(/sign-in/);
  await signInByHand(coach, 'rasmus@osier-island.example');
  await expect(coach.getByRole('alert')).toContainText('E-mail address or password is not right.');
  await entry.getByRole('button', { name: 'Let in again' }).click();
  await expect(entry).not.toContainText('account closed');
  await signInByHand(coach, 'rasmus@osier-island.example');
  await expect(coach.getByRole('heading', { level: 1, name: 'Plans' })).toBeVisible();

  await entry.getByRole('button', { name: 'Take away …' }).click();
  await isClean(page, 'taking a coach away');
  await page.getByRole('dialog').getByRole('button', { name: 'Take away' }).click();
  // Behind a dialog nothing has a role.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(entry).toHaveCount(0);
  await coach.goto('/plans');
  await expect(coach).toHaveURL(/sign-in/);

  await page.getByRole('link', { name: 'What happened' }).click();
  await expect(page.getByText('Maren Tolve took Rasmus Veld’s account away')).toBeVisible();
  await isClean(page, 'security log');
});

test('a student whose account is closed is out at once; a link from the coach is a new password', async ({
  browser,
  page,
}) => {
  await comeIn(page, 'coach');
  const phone = await onPhone(browser);
  await join(phone, await addStudent(page, 'Nele Ostervik'), 'nele@osier-island.example');
  await toStudent(page);
  await page.goto(`${page.url()}/file`);
  const account = page.getByRole('region', { name: 'Account' });
  await account.getByRole('button', { name: 'Close the account' }).click();
  await expect(account).toContainText('closed');
  await phone.goto('/my-progress');
  await expect(phone).toHaveURL(/sign-in/);
  await account.getByRole('button', { name: 'Let in again' }).click();
  await account.getByRole('button', { name: 'Link for a new password' }).click();
  const link = await page.getByTestId('invitation-link').innerText();

  await phone.getByRole('link', { name: 'Forgotten the password?' }).click();
  await phone.getByLabel('E-mail').fill('nobody@osier-island.example');
  await phone.getByRole('button', { name: 'Send me a link' }).click();
  await expect(phone.getByRole('status')).toContainText('If nobody@osier-island.example has an account here');
  await isClean(phone, 'forgotten password');

  await phone.goto(link);
  await phone.getByLabel('New password').fill('password123');
  await phone.getByRole('button', { name: 'Keep it and come in' }).click();
  await expect(phone.getByRole('alert')).toContainText('one of the first that anybody would try');
  await isClean(phone, 'new password');
  await phone.getByLabel('New password').fill('heron on the third');
  await phone.getByRole('button', { name: 'Keep it and come in' }).click();
  await expect(phone.getByRole('heading', { level: 1, name: 'My week' })).toBeVisible();
  // Once.
  await phone.goto(link);
  await phone.getByLabel('New password').fill('another one again');
  await phone.getByRole('button', { name: 'Keep it and come in' }).click();
  await expect(phone.getByRole('alert')).toContainText('it was used, has expired, or was never made');
});

test('signing out everywhere ends the other phone too', async ({ browser, page }) => {
  await comeIn(page, 'coach');
  const [phone, other] = [await onPhone(browser), await onPhone(browser)];
  await join(phone, await addStudent(page, 'Tove Alm-Lind'), 'tove@osier-island.example');
  await signIn(other, 'tove@osier-island.example');
  await phone.getByRole('link', { name: /your account/ }).click();
  await expect(phone.getByRole('region', { name: 'Where you are signed in' }).getByRole('listitem')).toHaveCount(2);
  await isClean(phone, 'account on a phone');
  await phone.getByRole('button', { name: 'Sign out everywhere' }).click();
  await expect(phone).toHaveURL(/sign-in/);
  await other.goto('/my-progress');
  await expect(other).toHaveURL(/sign-in/);
});

test('a guardian consents by a link, sees the week, and takes consent back, which closes the account', async ({
  browser,
  page,
}) => {
  await comeIn(page, 'coach');
  const child = await onPhone(browser);
  await join(child, await addStudent(page, 'Ebbe Strand-Lund'), 'ebbe@osier-island.example');
  await toStudent(page);
  await page.goto(`${page.url()}/file`);
  await page.getByLabel('Age').selectOption('12 to 17');
  await page.getByRole('button', { name: /^Save/ }).click();
  await expect(page.getByTestId('file-state')).toHaveText('saved');
  await page.getByRole('button', { name: 'Link for a guardian' }).click();
  const link = await page.getByTestId('invitation-link').innerText();
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  const guardian = await onPhone(browser);
  await guardian.goto(link);
  await guardian.getByLabel('Your name').fill('Grit Strand');
  await guardian.getByLabel('E-mail').fill('grit@osier-island.example');
  await guardian.getByLabel('Password').fill(password);
  await guardian.getByRole('button', { name: 'Consent, and come in' }).click();
  await expect(guardian.getByRole('alert').first()).toContainText('Without a guardian');
  await isClean(guardian, 'consent');
  await guardian.getByRole('checkbox').check();
  await guardian.getByRole('button', { name: 'Consent, and come in' }).click();
  await expect(guardian.getByRole('heading', { level: 1, name: 'Ebbe Strand-Lund' })).toBeVisible();
  await expect(guardian.getByText('Nothing is set for this week')).toBeVisible();

  await setAndPublish(page, /Putts from both ends/, '2026-05-07');
  await guardian.reload();
  await expect(guardian.getByRole('heading', { level: 2, name: 'Putts from both ends' })).toBeVisible();
  await isClean(guardian, 'a guardian’s week');
  // Nothing else is theirs.
  await guardian.goto('/tee-line');
  await expect(guardian).toHaveURL(/my-children/);

  await guardian.getByRole('button', { name: 'Take my consent back …' }).click();
  await guardian.getByRole('button', { name: 'Take it back' }).click();
  await expect(guardian.getByText(/You took your consent back on/)).toBeVisible();
  await isClean(guardian, 'consent taken back');
  await child.goto('/my-progress');
  await expect(child).toHaveURL(/sign-in/);
  await page.reload();
  await expect(page.getByRole('region', { name: 'Guardians' })).toContainText('took consent back');
  await page.getByRole('button', { name: 'Let in again' }).click();
  await expect(page.getByRole('region', { name: 'Account' }).getByRole('alert')).toContainText(
    'The guardian has taken back consent.',
  );
});

test('an owner deletes everything of a student, by the whole name, and the phone is out', async ({ browser, page }) => {
  await comeIn(page, 'coach');
  const phone = await onPhone(browser);
  await join(phone, await addStudent(page, 'Wiebke Halm'), 'wiebke@osier-island.example');
  await toStudent(page);
  await page.goto(`${page.url()}/file`);
  await page.getByRole('link', { name: 'Everything of Wiebke Halm, out or deleted' }).click();
  const deleting = page.getByRole('region', { name: 'Deleting' });
  await expect(deleting).toContainText('What goes: 1 account');
  await expect(deleting).toContainText('Nowhere that was found');
  await isClean(page, 'data');
  const typed = deleting.getByLabel('Type Wiebke Halm to delete everything');
  await typed.fill('Wiebke');
  await deleting.getByRole('button', { name: 'Delete everything' }).click();
  await expect(deleting.getByRole('alert')).toContainText('Type Wiebke Halm, exactly');
  await typed.fill('Wiebke Halm');
  await deleting.getByRole('button', { name: 'Delete everything' }).click();
  await onTeeLine(page);
  await expect(page.getByRole('link', { name: 'Wiebke Halm' })).toHaveCount(0);
  await phone.goto('/my-progress');
  await expect(phone).toHaveURL(/sign-in/);
});

test('whoever holds the secret founds an academy, and sees nothing of the other', async ({ browser, baseURL }) => {
  const founder = await browserOf(browser, baseURL);
  await founder.goto('/found');
  const secret = readFileSync(pathOf(process.env.E2E_DATA ?? '', 'setup-secret'), 'utf8');
  const fill = async (word: string) => {
    await founder.getByLabel('The secret').fill(word);
    await founder.getByLabel('Name of the academy').fill('Gullwing Links School');
    await founder.getByLabel('Your name').fill('Aksel Brink');
    await founder.getByLabel('E-mail').fill('aksel@gullwing.example');
    await founder.getByLabel('Password').fill(password);
    await founder.getByRole('button', { name: 'Open the academy' }).click();
  };
  await fill('guessed');
  await expect(founder.getByRole('alert')).toContainText('This is not the secret');
  await isClean(founder, 'founding');
  await fill(secret);
  await onTeeLine(founder);
  await expect(founder.getByText('Nobody on the tee line yet')).toBeVisible();
  await founder.goto('/people');
  await expect(founder.getByRole('region', { name: 'Coaches' }).getByRole('listitem')).toHaveCount(1);
});
