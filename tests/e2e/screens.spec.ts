import { expect, test } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { isClean, misfits } from './clean';
import { comeIn, onPhone } from './people';

for (const size of ['laptop', 'phone'])
  test(`axe finds nothing on the coach’s screens on a ${size}`, async ({ page: laptop, browser }) => {
    const page = size === 'phone' ? await onPhone(browser) : laptop;
    const of = size === 'phone' ? 'allButColours' : 'all';
    await page.goto('/sign-in');
    await expect(page.getByRole('button', { name: 'Come in as the coach' })).toBeVisible();
    await isClean(page, 'sign-in', of);
    await comeIn(page, 'coach');
    await page.goto('/tee-line');
    await expect(page.getByRole('heading', { level: 1, name: 'Tee line' })).toBeVisible();
    await isClean(page, 'tee line', of);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toBeVisible();
    await isClean(page, 'keys', of);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Henrik Solmar' }).click();
    await expect(page.getByRole('img', { name: /^Completion by week/ })).toBeVisible();
    await isClean(page, 'student', of);
    await page.getByRole('button', { name: 'Put a plan in' }).click();
    await expect(page.getByRole('dialog').getByLabel('Plan')).toBeVisible();
    await isClean(page, 'put a plan in', of);
    await page.keyboard.press('Escape');
    await page.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click();
    await expect(page.getByTestId('completion')).toBeVisible();
    await isClean(page, 'session', of);
    await page.goto('/tee-line');
    await page.getByRole('link', { name: 'Otto Lanevik' }).click();
    await page.getByRole('link', { name: 'File' }).click();
    await expect(page.getByRole('heading', { name: 'Care notes' })).toBeVisible();
    await isClean(page, 'student file', of);
    await page.goto('/places');
    await expect(page.getByRole('button', { name: /River range/ })).toBeVisible();
    await page.getByRole('button', { name: /River range/ }).click();
    await isClean(page, 'places', of);
    await page.getByRole('button', { name: 'Change' }).click();
    await isClean(page, 'place form', of);
    await page.goto('/drills');
    await expect(page.getByText(/^\d+.drills$/)).toBeVisible();
    await isClean(page, 'drill shelf', of);
    await page.getByRole('link', { name: 'Climb the green' }).click();
    await expect(page.getByTestId('flow')).toBeVisible();
    await isClean(page, 'drill', of);
    await page.getByRole('link', { name: 'Change' }).click();
    await expect(page.getByTestId('flow')).toBeVisible();
    await isClean(page, 'drill editor', of);
    await page.goto('/plans');
    await expect(page.getByRole('link', { name: 'An hour of putting' })).toBeVisible();
    await isClean(page, 'plans', of);
    await page.getByRole('link', { name: 'A hundred balls in an hour' }).click();
    await expect(page.getByRole('region', { name: 'Totals' })).toBeVisible();
    await isClean(page, 'bench', of);
    await page.getByRole('button', { name: 'Draft one' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await isClean(page, 'draft', of);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Set for a student' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await isClean(page, 'set for a student', of);
    await page.goto('/plans/new');
    await expect(page.getByRole('heading', { level: 1, name: 'New plan' })).toBeVisible();
    await isClean(page, 'new plan', of);
  });

for (const [size, look] of [
  ['phone', 'early light'],
  ['phone', 'outdoor'],
  ['laptop', 'early light'],
] as const)
  test(`axe finds nothing on the student’s screens on a ${size} in ${look}`, async ({ page: laptop, browser }) => {
    const page = size === 'phone' ? await onPhone(browser) : laptop;
    const of = look === 'outdoor' ? 'colours' : size === 'phone' ? 'all' : 'allButColours';
    await comeIn(page, 'student');
    if (look === 'outdoor') await page.getByRole('button', { name: 'Outdoor look' }).click();
    await isClean(page, 'my week', of);
    await page.getByRole('link', { name: 'My file' }).click();
    await expect(page.getByText('What my coach keeps')).toBeVisible();
    await isClean(page, 'my file', of);
    await page.goBack();
    await page.getByRole('link', { name: 'My progress' }).click();
    await expect(page.getByRole('img', { name: /^Completion by week/ })).toBeVisible();
    await isClean(page, 'my progress', of);
    await page.goBack();
    await page.getByRole('link', { name: 'Practice of my own' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Practice of my own' })).toBeVisible();
    await isClean(page, 'practice of my own', of);
    await page.goBack();
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Any day' })
      .getByRole('link', { name: /Practise|Go on/ })
      .click();
    await expect(page.getByRole('button', { name: /^Begin$|^Skip$/ })).toBeVisible();
    await isClean(page, 'before or during practice', of);
    const begin = page.getByRole('button', { name: 'Begin' });
    if (await begin.isVisible()) await begin.click();
    await page.getByRole('button', { name: 'It hurts' }).click();
    await isClean(page, 'pain', of);
    await page.getByRole('button', { name: 'Nothing is wrong' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    const small = await page
      .getByRole('button')
      .evaluateAll((all) => all.filter((b) => b.getBoundingClientRect().height < 56).map((b) => b.textContent));
    expect(small, 'every button while practising is big enough for a thumb').toEqual([]);
    while (await page.getByRole('button', { name: 'Skip' }).isVisible())
      await page.getByRole('button', { name: 'Skip' }).click();
    await expect(page.getByRole('heading', { name: 'How was it?' })).toBeVisible();
    await isClean(page, 'rating', of);
    await page.getByRole('button', { name: 'Undo the last step' }).click();
    await expect(page.getByRole('button', { name: 'Skip' })).toBeVisible();
  });

test('every screen fits from 360 to 1600 pixels and at twice the size', async ({ page }) => {
  await comeIn(page, 'coach');
  await page.goto('/tee-line');
  const student = await page.getByRole('link', { name: 'Otto Lanevik' }).getAttribute('href');
  await page.goto('/plans');
  const plan = await page.getByRole('link', { name: 'Set-up, aim, four holes' }).getAttribute('href');
  await page.goto('/drills');
  const drill = await page.getByRole('link', { name: 'Climb the green' }).getAttribute('href');
  for (const path of [
    '/tee-line',
    '/plans',
    '/plans/new',
    plan!,
    student!,
    `${student}/file`,
    '/drills',
    drill!,
    `${drill}/edit`,
    '/drills/new',
    '/places',
    '/practice/new',
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.waitForLoadState('networkidle');
    await page.evaluate(() => document.fonts.ready);
    // 640 by 400 is a laptop's 1280 by 800 at twice the size.
    for (const [width, height] of [
      [360, 740],
      [640, 400],
      [768, 800],
      [1024, 768],
      [1280, 800],
      [1600, 800],
    ] as const) {
      await page.setViewportSize({ width, height });
      await expect.poll(() => misfits(page), { message: `${path} at ${width}` }).toEqual([]);
    }
  }
});

test('lists say when they are empty, and what to do when they cannot be had', async ({ page }) => {
  await comeIn(page, 'coach');
  for (const [path, empty] of [
    ['places', 'No places yet'],
    ['drills', 'No drill fits all of that'],
  ]) {
    const address = new RegExp(`/api/${path}(\\?.*)?$`);
    await page.route(address, (route) => route.fulfill({ json: [] }));
    await page.goto(`/${path}`);
    await expect(page.getByText(empty!)).toBeVisible();
    await page.unroute(address);
    await page.route(address, (route) =>
      route.fulfill({ status: 500, json: { title: 'Something broke on our side.' } }),
    );
    await page.goto(`/${path}`);
    await expect(page.getByRole('alert')).toContainText('Something broke on our side.');
    await expect(page.getByRole('button', { name: 'Try again' })).toBeVisible();
    await page.unroute(address);
  }
  await page.route('**/api/plans?**', (route) => route.fulfill({ json: { plans: [], hasMore: false } }));
  await page.goto('/plans');
  await expect(page.getByText('No plans yet')).toBeVisible();
  await page.unroute('**/api/plans?**');
  await page.route('**/api/plans?**', (route) =>
    route.fulfill({ status: 500, json: { title: 'Something broke on our side.' } }),
  );
  await page.goto('/plans');
  await expect(page.getByRole('alert')).toContainText('Something broke on our side.');
  await page.unroute('**/api/plans?**');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('link', { name: 'An hour of putting' })).toBeVisible();

  await page.route('**/api/review/tee-line', (route) =>
    route.fulfill({ json: { today: '2026-05-06', week: '2026-W19', rows: [] } }),
  );
  await page.goto('/tee-line');
  await expect(page.getByText('Nobody on the tee line yet')).toBeVisible();
});

test('the sign-in page loads less than 225 kB of script, gzipped', async ({ page }) => {
  const scripts: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) scripts.push(response.body());
  });
  await page.goto('/sign-in', { waitUntil: 'networkidle' });
  const sizes = (await Promise.all(scripts)).map((body) => gzipSync(body).length);
  expect(sizes.length).toBeGreaterThan(1);
  expect(sizes.reduce((sum, size) => sum + size, 0)).toBeLessThan(225_000);
});

test('somebody who is not signed in comes back to where they wanted to go', async ({ page }) => {
  await page.goto('/plans');
  await expect(page).toHaveURL(/sign-in/);
  await page.getByLabel('E-mail').fill('nobody@nowhere.example');
  await page.getByLabel('Password').fill('not a password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('E-mail address or password is not right.');
  await expect(page.getByLabel('E-mail')).toHaveValue('nobody@nowhere.example');
  await page.getByRole('button', { name: 'Come in as the coach' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Plans' })).toBeVisible();
});
