import { expect, type Browser, type Page } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { isClean, misfits } from './clean';
import { comeIn, onPhone, test } from './people';

/** Follows a link of a list: where it leads differs between runs. */
async function openFrom(page: Page, list: string, link: string) {
  await page.goto(list);
  await page.getByRole('link', { name: link }).click();
}

const onTeeLine = (name: string) => (page: Page) => openFrom(page, '/tee-line', name);
const title = (name: string | RegExp) => (page: Page) =>
  expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
const dialog = (page: Page) => expect(page.getByRole('dialog')).toBeVisible();
const totals = (page: Page) => expect(page.getByRole('region', { name: 'Totals' })).toBeVisible();
const flow = (page: Page) => expect(page.getByTestId('flow')).toBeVisible();
const press = (name: string) => (page: Page) => page.getByRole('button', { name }).click();

/** A screen, or a state of one: what leads to it, and what is seen once it is there. */
type Screen = [name: string, steps: ((page: Page) => Promise<unknown>)[]];

const go = (path: string) => (page: Page) => page.goto(path);
const student = [
  onTeeLine('Henrik Solmar'),
  (page: Page) => expect(page.getByRole('img', { name: /^Completion by week/ })).toBeVisible(),
];
const testDay = [
  go('/test-days'),
  (page: Page) => page.getByRole('link', { name: 'Saturday on Poplar green' }).click(),
  (page: Page) => expect(page.getByRole('region', { name: 'Tilda Brockhus' })).toBeVisible(),
];
const bench = [(page: Page) => openFrom(page, '/plans', 'From the tee to the board'), totals];
const drill = [(page: Page) => openFrom(page, '/drills', 'Climb the green'), flow];
const place = [go('/places'), (page: Page) => page.getByRole('button', { name: /River range/ }).click()];

const coachScreens: Screen[] = [
  ['tee line', [go('/tee-line'), title('Tee line')]],
  ['keys', [go('/tee-line'), title('Tee line'), (page) => page.keyboard.press('?'), dialog]],
  ['student', student],
  ['goals', [go('/goals'), title('Goals')]],
  ['walk', [go('/walk'), (page: Page) => expect(page.getByRole('region', { name: 'Suggestions' })).toBeVisible()]],
  ['report', [...student, (page: Page) => page.getByRole('link', { name: 'Report' }).click(), title('Henrik Solmar')]],
  [
    'competition ahead',
    [
      onTeeLine('Carla Vintholm'),
      (page: Page) => page.getByRole('link', { name: 'Island Open' }).click(),
      (page: Page) => expect(page.getByRole('region', { name: 'Until then' })).toBeVisible(),
    ],
  ],
  [
    'competition over',
    [
      onTeeLine('Carla Vintholm'),
      (page: Page) => page.getByRole('link', { name: 'Reed Cup' }).click(),
      (page: Page) => expect(page.getByRole('region', { name: 'Before and after' })).toBeVisible(),
    ],
  ],
  ['test days', [go('/test-days'), (page: Page) => expect(page.getByText('Saturday on Poplar green')).toBeVisible()]],
  ['test day', testDay],
  ['scoring', [...testDay, (page: Page) => page.getByRole('link', { name: /^Score/ }).click(), title(/^Scoring/)]],
  [
    'student with plans',
    [
      ...student,
      press('Plans'),
      (page) =>
        page
          .getByRole('button', { name: /^Would/ })
          .first()
          .click(),
      (page) => expect(page.getByRole('list', { name: 'To look at' })).toBeVisible(),
    ],
  ],
  [
    'hand over',
    [
      ...student,
      press('Hand over'),
      (page) => expect(page.getByRole('dialog')).toContainText(/no other coach|Only whose sheet/),
    ],
  ],
  [
    'session',
    [
      ...student,
      (page) => page.getByRole('region', { name: 'Last sessions' }).getByRole('link').first().click(),
      (page) => expect(page.getByTestId('completion')).toBeVisible(),
    ],
  ],
  [
    'student file',
    [
      onTeeLine('Otto Lanevik'),
      (page) => page.getByRole('link', { name: 'File' }).click(),
      (page) => expect(page.getByRole('heading', { name: 'Care notes' })).toBeVisible(),
    ],
  ],
  [
    'mail and calendar',
    [
      go('/reminders'),
      title('Mail and calendar'),
      (page) => expect(page.getByText('Monday’s list').first()).toBeVisible(),
    ],
  ],
  ['programmes', [go('/programmes'), title('Programmes')]],
  [
    'programme',
    [
      (page) => openFrom(page, '/programmes', 'The door before harvest'),
      (page) => page.getByRole('button', { name: /week 4: .* up to/ }).click(),
    ],
  ],
  [
    'session on the bench',
    [
      go('/week?week=2026-W20'),
      (page) => page.locator('.chip').first().click(),
      (page) => page.getByRole('link', { name: /^Change it for/ }).click(),
      totals,
    ],
  ],
  ['week sheet', [go('/week?week=2026-W20'), (page) => expect(page.getByRole('grid')).toBeVisible()]],
  [
    'week sheet with plans',
    [
      go('/week'),
      (page) => expect(page.getByRole('grid')).toBeVisible(),
      press('Plans'),
      (page) => expect(page.getByRole('button', { name: /^Put .* in for/ }).first()).toBeVisible(),
    ],
  ],
  [
    'publish',
    [
      go('/week?week=2026-W20'),
      (page) => page.getByRole('button', { name: /^Publish/ }).click(),
      dialog,
      (page) => expect(page.getByRole('dialog').getByRole('region', { name: 'Bram Keelstra' })).toBeVisible(),
    ],
  ],
  ['squads', [go('/week'), (page) => page.getByRole('button', { name: 'Squads', exact: true }).click(), dialog]],
  ['warm-up', [...student, (page) => page.getByRole('link', { name: 'Warm-up' }).click(), title('Warm-up')]],
  ['places', place],
  ['place form', [...place, press('Change')]],
  ['drill shelf', [go('/drills'), (page) => expect(page.getByText(/^\d+.drills$/)).toBeVisible()]],
  ['drill', drill],
  ['drill editor', [...drill, (page) => page.getByRole('link', { name: 'Change' }).click(), flow]],
  ['new drill', [go('/drills/new'), title('New drill')]],
  ['plans', [go('/plans'), (page) => expect(page.getByRole('link', { name: 'Putts from both ends' })).toBeVisible()]],
  ['bench', bench],
  [
    'how a segment is done',
    [
      ...bench,
      (page) => page.getByRole('tab', { name: 'How' }).click(),
      (page) => expect(page.getByLabel('It is over')).toBeVisible(),
    ],
  ],
  ['draft', [...bench, press('Draft one'), dialog]],
  ['set for students', [...bench, press('Set for students'), dialog]],
  ['new plan', [go('/plans/new'), title('New plan')]],
  ['practice of one’s own', [go('/practice/new'), title(/./)]],
];

async function openScreen(page: Page, [, steps]: Screen) {
  for (const step of steps) await step(page);
}

const signIn: Screen = [
  'sign-in',
  [go('/sign-in'), (page) => expect(page.getByRole('button', { name: 'Come in as the coach' })).toBeVisible()],
];

test.describe('a coach’s screens', () => {
  // They are only looked at, so that they need no order.
  test.describe.configure({ mode: 'parallel' });

  for (const screen of [signIn, ...coachScreens])
    test(`${screen[0]}: axe finds nothing, and it fits every width`, async ({ page }) => {
      if (screen !== signIn) await comeIn(page, 'coach');
      await openScreen(page, screen);
      await isClean(page, screen[0]);
      await page.waitForLoadState('networkidle');
      // 640 by 400 is a laptop's 1280 by 800 at twice the size.
      for (const [width, height] of [
        [640, 400],
        [768, 800],
        [1024, 768],
        [1600, 800],
        [360, 740],
      ] as const) {
        await page.setViewportSize({ width, height });
        await expect.poll(() => misfits(page), { message: `${screen[0]} at ${width}` }).toEqual([]);
      }
      // What a phone shows otherwise is looked at too, pressed by a thumb.
      const devTools = await page.context().newCDPSession(page);
      await devTools.send('Emulation.setTouchEmulationEnabled', { enabled: true });
      expect(await page.evaluate(() => window.matchMedia('(pointer: coarse)').matches)).toBe(true);
      await isClean(page, `${screen[0]} on a phone`, 'size');
    });
});

for (const [size, look] of [
  ['phone', 'early light'],
  ['phone', 'outdoor'],
  ['laptop', 'early light'],
] as const) {
  const of = look === 'outdoor' ? 'colours' : size === 'phone' ? 'all' : 'allButColours';
  const asStudent = async (laptop: Page, browser: Browser) => {
    const page = size === 'phone' ? await onPhone(browser) : laptop;
    await comeIn(page, 'student');
    if (look === 'outdoor') await page.getByRole('button', { name: 'Outdoor look' }).click();
    return page;
  };

  test(`axe finds nothing on what a student reads, on a ${size} in ${look}`, async ({ page: laptop, browser }) => {
    const page = await asStudent(laptop, browser);
    await isClean(page, 'my week', of);
    await page.getByRole('link', { name: 'Warm-up' }).click();
    await expect(page.getByRole('list', { name: 'The warm-up' })).toBeVisible();
    await isClean(page, 'warm-up', of);
    await page.goBack();
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
  });

  test(`axe finds nothing while practising, on a ${size} in ${look}`, async ({ page: laptop, browser }) => {
    const page = await asStudent(laptop, browser);
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Any day' })
      .getByRole('link', { name: /Practise|Go on/ })
      .click();
    await expect(page.getByRole('button', { name: /^Begin$|^Undo$/ })).toBeVisible();
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
    await page.getByRole('button', { name: 'End session' }).click();
    await isClean(page, 'ending', of);
    await page.getByRole('button', { name: 'End session' }).click();
    await expect(page.getByRole('heading', { name: 'How was it?' })).toBeVisible();
    await isClean(page, 'rating', of);
    await page.getByRole('button', { name: 'Back to the session' }).click();
    await page.getByRole('button', { name: 'Back to practice' }).click();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
  });
}

test('lists say when they are empty, and what to do when they cannot be had', async ({ page }) => {
  await comeIn(page, 'coach');
  for (const [path, empty] of [
    ['places', 'No places yet'],
    ['test-days', 'No test days yet'],
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
  await expect(page.getByRole('link', { name: 'Putts from both ends' })).toBeVisible();

  await page.route('**/api/review/tee-line', (route) =>
    route.fulfill({
      json: { today: '2026-05-06', week: '2026-W19', rows: [], students: 0, counted: { all: 0, mine: 0 } },
    }),
  );
  await page.goto('/tee-line');
  await expect(page.getByText('Nobody on the tee line yet')).toBeVisible();
});

test('the sign-in page loads less than 230 kB of script, gzipped', async ({ page }) => {
  const scripts: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) scripts.push(response.body());
  });
  await page.goto('/sign-in', { waitUntil: 'networkidle' });
  const sizes = (await Promise.all(scripts)).map((body) => gzipSync(body).length);
  expect(sizes.length).toBeGreaterThan(1);
  expect(sizes.reduce((sum, size) => sum + size, 0)).toBeLessThan(230_000);
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

test('an address that leads nowhere says so, and leads on', async ({ page, browser }) => {
  const nobody = '00000000-0000-4000-8000-000000000000';
  await comeIn(page, 'coach');
  for (const [address, said] of [
    ['/my-week', 'This page is for students'],
    ['/no-such-page', 'Page not found'],
    ['/students/abc', 'Page not found'],
    ['/students/abc/file', 'Page not found'],
  ] as const) {
    await page.goto(address);
    await title(said)(page);
    await expect(page.getByRole('link', { name: 'To the tee line' })).toBeVisible();
  }
  for (const [address, said] of [
    [`/students/${nobody}`, 'There is no such student.'],
    [`/plans/${nobody}`, 'There is no such plan.'],
  ] as const) {
    await page.goto(address);
    await expect(page.getByRole('alert')).toContainText(said);
    await page.getByRole('link', { name: 'Home', exact: true }).click();
    await title('Tee line')(page);
  }
  const phone = await onPhone(browser);
  await comeIn(phone, 'student');
  await phone.goto('/tee-line');
  await title('This page is for coaches')(phone);
  await phone.getByRole('link', { name: 'To my week' }).click();
  await title(/week/i)(phone);
  const stranger = await onPhone(browser);
  await stranger.goto('/join/no-such-invitation');
  await expect(stranger.getByText('There is no such invitation')).toBeVisible();
  await expect(stranger.getByRole('link', { name: 'Sign in' })).toBeVisible();
});

test('a date that is half filled, or far off, is marked where it stands', async ({ page }) => {
  await comeIn(page, 'coach');
  await page.goto('/tee-line');
  await page.goto(`${await page.getByRole('link', { name: 'Henrik Solmar' }).getAttribute('href')}/file`);
  await page.getByRole('button', { name: 'Another competition' }).click();
  const arrival = page.getByRole('group', { name: 'I get there' }).last();
  const words = page.locator('.MuiFormHelperText-root', { hasText: 'Enter' });
  await arrival.getByRole('spinbutton', { name: 'Day' }).click();
  await expect(words.locator('visible=true')).toHaveCount(0);
  await page.keyboard.type('05');
  await page.getByLabel('Name').last().click();
  await expect(words.locator('visible=true')).toHaveText('Enter the whole date.');
  await arrival.getByRole('spinbutton', { name: 'Month' }).click();
  await page.keyboard.type('06');
  await arrival.getByRole('spinbutton', { name: 'Year' }).click();
  await page.keyboard.type('1001');
  await expect(words.locator('visible=true')).toHaveText('Enter 1900 or later.');
});
