import { randomUUID } from 'node:crypto';
import { expect, test as base, type Browser, type BrowserContextOptions, type Page } from '@playwright/test';

const phone: BrowserContextOptions = {
  viewport: { width: 360, height: 740 },
  hasTouch: true,
  isMobile: true,
  reducedMotion: 'reduce',
};

/**
 * Every test ends with all its phones put away. Contexts opened by hand stay open until the browser closes: their clocks
 * tick and their pages send, and each test would be slower than the one before.
 */
export const test = base.extend<{ phonesArePutAway: undefined }>({
  phonesArePutAway: [
    async ({ browser }, use) => {
      await use(undefined);
      await Promise.all(browser.contexts().map((context) => context.close()));
    },
    { auto: true },
  ],
});

/** Signs in as one of the demo's people; a student's week is opened. The buttons themselves are pressed in slice.spec.ts. */
export async function comeIn(page: Page, as: 'coach' | 'student' | 'guardian') {
  expect((await page.request.post('/api/accounts/demo-sign-in', { data: { as } })).status()).toBe(200);
  if (as === 'student') await toMyWeek(page);
}

/** A page on somebody's phone, with cookies and storage of its own. */
export async function onPhone(browser: Browser, options: BrowserContextOptions = {}): Promise<Page> {
  const context = await browser.newContext({ ...phone, ...options });
  return context.newPage();
}

/**
 * Waits until a phone has written what was tapped: it is shown at once and written right after, and a reload in the same moment
 * would be quicker.
 */
export const isKeptOn = (phone: Page) =>
  phone.evaluate(
    () =>
      new Promise<void>((kept, failed) => {
        const opening = indexedDB.open('morning-round');
        opening.onerror = () => failed(opening.error);
        opening.onsuccess = () => {
          // What reads stands in line behind what was asked to be written before.
          const reading = opening.result.transaction(['logs', 'entries']);
          reading.objectStore('logs').count();
          reading.oncomplete = () => {
            opening.result.close();
            kept();
          };
        };
      }),
  );

const isNew = { 'If-None-Match': '*' };

const lastAdded = new WeakMap<Page, string>();

/** Adds a student and returns the path of the one-time link. */
export async function addStudent(coach: Page, name: string): Promise<string> {
  const id = randomUUID();
  const data = { name, hand: 'right', level: 'improving', coachNote: '' };
  expect((await coach.request.put(`/api/students/${id}`, { data, headers: isNew })).status()).toBe(200);
  const invited = await coach.request.post(`/api/students/${id}/invitations`);
  lastAdded.set(coach, id);
  return ((await invited.json()) as { path: string }).path;
}

/** Opens the page of the student that was added last, by this coach or by another. */
export async function toStudent(coach: Page, by = coach) {
  await coach.goto(`/students/${lastAdded.get(by) ?? ''}`);
  await expect(coach.getByRole('region', { name: 'Week' })).toBeVisible();
}

/** Opens the page of a student of the demo, however many others were added since. */
export async function toDemoStudent(coach: Page, name: string) {
  const students = (await (await coach.request.get('/api/students')).json()) as { id: string; name: string }[];
  await coach.goto(`/students/${students.find((s) => s.name === name)?.id ?? ''}`);
  await expect(coach.getByRole('heading', { level: 1, name })).toBeVisible();
}

/** Takes a session of a student's page in hand, and does something with it that stands in its menu. */
export async function doWith(coach: Page, item: string) {
  await coach.getByTestId('session-tile').first().click();
  await coach.getByRole('button', { name: 'More …' }).click();
  await coach.getByRole('menuitem', { name: item }).click();
}

/** Publishes what stands in the week that is shown, after a look at what will be seen. */
export async function publishShown(coach: Page) {
  await coach.getByRole('button', { name: /^Publish/ }).click();
  await coach.getByRole('dialog').getByRole('button', { name: 'Publish', exact: true }).click();
}

const password = 'a made-up password';

async function toMyWeek(page: Page) {
  await page.goto('/my-week');
  await expect(page.getByRole('heading', { level: 1, name: 'My week' })).toBeVisible();
}

/** Follows an invitation and chooses how to sign in. */
export async function join(page: Page, link: string, email: string) {
  const token = link.split('/').at(-1) ?? '';
  const data = { email, password, name: '', academyName: null, timeZone: 'UTC' };
  expect((await page.request.post(`/api/accounts/invitations/${token}/accept`, { data })).status()).toBe(200);
  await toMyWeek(page);
}

/** Signs in somebody who has joined before, on another phone. */
export async function signIn(page: Page, email: string) {
  expect((await page.request.post('/api/accounts/sign-in', { data: { email, password } })).status()).toBe(200);
  await toMyWeek(page);
}

/** Puts a plan of the list into this week of the student added last, on a day or on any, and publishes it. */
export async function setAndPublish(coach: Page, plan: RegExp, day: string | null = null) {
  const studentId = lastAdded.get(coach) ?? '';
  const plans = ((await (await coach.request.get('/api/plans')).json()) as { plans: { id: string; title: string }[] })
    .plans;
  const planId = plans.find((p) => plan.test(p.title))?.id;
  const data = { studentId, planId, week: '2026-W19', day, requirement: 'must' };
  const set = await coach.request.put(`/api/weeks/assignments/${randomUUID()}`, { data, headers: isNew });
  expect(set.status()).toBe(200);
  expect((await coach.request.post(`/api/weeks/2026-W19/publish`, { data: { students: [studentId] } })).status()).toBe(
    200,
  );
}

/**
 * Closes the part under way and says how much of it was done where that is asked; whether it was the last one. A tap within the
 * first moments of a part is none, so the button is waited for.
 */
export async function closePart(phone: Page, howMuch = 'All'): Promise<boolean> {
  const next = phone.getByRole('button', { name: /^(Next|Done)$/ });
  const isLast = (await next.innerText()) === 'Done';
  await next.click();
  // The question stands there one frame later, or not at all.
  await phone.evaluate(() => new Promise((shown) => requestAnimationFrame(() => requestAnimationFrame(shown))));
  const asked = phone.getByRole('group', { name: 'How much did you do?' });
  if (await asked.isVisible()) await asked.getByRole('button', { name: howMuch, exact: true }).click();
  return isLast;
}

/** Ends a session after its last part: a screen of its own, then the rating. */
export async function endSession(phone: Page) {
  await phone.getByRole('button', { name: 'End session' }).click();
  await phone.getByRole('button', { name: 'Finish' }).click();
}
