import { expect, type Browser, type BrowserContextOptions, type Page } from '@playwright/test';

const phone: BrowserContextOptions = {
  viewport: { width: 360, height: 740 },
  hasTouch: true,
  isMobile: true,
  reducedMotion: 'reduce',
};

/** Signs in by one of the demo's buttons, in the page's own browser. */
export async function comeIn(page: Page, as: 'coach' | 'student') {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: as === 'coach' ? 'Come in as the coach' : 'Come in as a student' }).click();
  await expect(page.getByRole('heading', { level: 1, name: as === 'coach' ? 'Tee line' : 'My week' })).toBeVisible();
}

/** A page on somebody's phone, with cookies and storage of its own. */
export async function onPhone(browser: Browser, options: BrowserContextOptions = {}): Promise<Page> {
  const context = await browser.newContext({ ...phone, ...options });
  return context.newPage();
}

/** Adds a student and returns the one-time link. The coach ends on the student's page. */
export async function addStudent(coach: Page, name: string): Promise<string> {
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
export async function join(page: Page, link: string, email: string) {
  await page.goto(link);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill('a made-up password');
  await page.getByRole('button', { name: 'Come in' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'My week' })).toBeVisible();
}

/** Puts a plan of the list into the week on the student's page and publishes it. */
export async function setAndPublish(coach: Page, plan: RegExp, day: string) {
  await coach.getByRole('button', { name: 'Put a plan in' }).click();
  const dialog = coach.getByRole('dialog');
  const option = await dialog.getByLabel('Plan').locator('option').filter({ hasText: plan }).innerText();
  await dialog.getByLabel('Plan').selectOption({ label: option });
  await dialog.getByLabel('Day').selectOption({ label: day });
  await dialog.getByRole('button', { name: 'Put it in as a draft' }).click();
  await coach.getByRole('button', { name: /^Publish/ }).click();
  await expect(coach.getByRole('button', { name: /^Publish/ })).toHaveCount(0);
}
