import { expect, type Page } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { comeIn, onPhone, test } from './people';

// Practising aims at 225 kB and is held to what it has reached. On the bench, what the check says of a plan comes
// after the plan, and moves what stands below it.

/** What a page may cost: kilobytes of scripts and styles, gzipped; elements; how far things jump while it loads. */
interface Budget {
  kilobytes: number;
  elements: number;
  /** The cumulative layout shift; 0.05 where nothing is said. */
  jumps?: number;
}

declare global {
  interface Window {
    jumped: number;
  }
}

async function isWithin(page: Page, path: string, shown: () => Promise<unknown>, budget: Budget) {
  const bodies: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (/\.(js|css)$/.test(response.url())) bodies.push(response.body());
  });
  await page.addInitScript(() => {
    window.jumped = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
        if (!entry.hadRecentInput) window.jumped += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  // On a slow network the letters come last, and nothing jumps for that.
  await page.route('**/*.woff2', async (route) => {
    await new Promise((go) => setTimeout(go, 300));
    await route.continue();
  });
  await page.goto(path, { waitUntil: 'networkidle' });
  await shown();
  const sizes = (await Promise.all(bodies)).map((body) => gzipSync(body).length);
  expect
    .soft(
      sizes.reduce((sum, size) => sum + size, 0),
      `${path}: bytes`,
    )
    .toBeLessThan(budget.kilobytes * 1000);
  expect.soft(await page.locator('body *').count(), `${path}: elements`).toBeLessThan(budget.elements);
  expect.soft(await page.evaluate(() => window.jumped), `${path}: layout shift`).toBeLessThan(budget.jumps ?? 0.05);
}

const coachPages: [string, RegExp, Budget][] = [
  ['/tee-line', /Tee line/, { kilobytes: 250, elements: 2_500 }],
  ['/week?week=2026-W20', /Next week/, { kilobytes: 250, elements: 1_500 }],
  ['/plans', /Plans/, { kilobytes: 250, elements: 1_500 }],
  ['/drills', /Drill shelf/, { kilobytes: 250, elements: 900 }],
  ['/places', /Places/, { kilobytes: 250, elements: 900 }],
];

for (const [path, heading, budget] of coachPages)
  test(`${path} stays within its budget`, async ({ page }) => {
    await comeIn(page, 'coach');
    await isWithin(
      page,
      path,
      () => expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible(),
      budget,
    );
  });

test('a phone keeps nothing beforehand that only a coach opens', async ({ request }) => {
  const source = join(import.meta.dirname, '../../web/src/features');
  const parts = readdirSync(source, { recursive: true, encoding: 'utf8' })
    // What the student's own pages, and the door, open on demand is theirs too.
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|^sessions|SignInPage|WarmUpPage|WeekWord/.test(file))
    .flatMap((file) => [...readFileSync(join(source, file), 'utf8').matchAll(/import\('\S+\/(\w+)'\)/g)])
    .map(([, name]) => name);
  expect(parts).toEqual(expect.arrayContaining(['MoreParts', 'StudentDialog']));
  const kept = [...(await (await request.get('/sw.js')).text()).matchAll(/assets\/(\w+)-/g)].map(([, name]) => name);
  expect(kept).toEqual(expect.arrayContaining(['PracticePage', 'MyWeekPage']));
  for (const part of [...parts, 'BenchPage', 'PlansPage', 'ShelfPage', 'TeeLinePage']) expect(kept).not.toContain(part);
});

test('a student’s page and a plan on the bench stay within their budgets', async ({ page, context }) => {
  await comeIn(page, 'coach');
  await page.goto('/tee-line');
  const student = await page.getByRole('link', { name: 'Henrik Solmar' }).getAttribute('href');
  await page.goto('/plans');
  const plan = await page.getByRole('link', { name: 'From the tee to the board' }).getAttribute('href');
  const first = await context.newPage();
  const chart = () => expect(first.getByRole('img', { name: /^Completion by week/ })).toBeVisible();
  await isWithin(first, student ?? '', chart, { kilobytes: 269, elements: 1_200 });
  const second = await context.newPage();
  const totals = () => expect(second.getByRole('region', { name: 'Totals' })).toBeVisible();
  await isWithin(second, plan ?? '', totals, { kilobytes: 262, elements: 900, jumps: 0.1 });
});

test('a student’s screens stay within their budgets', async ({ browser }) => {
  const page = await onPhone(browser);
  await comeIn(page, 'student');
  const session = await page.locator('a[href^="/practice/"]:not([href$="/new"])').first().getAttribute('href');
  for (const [path, heading] of [
    ['/my-week', 'My week'],
    ['/my-progress', 'My progress'],
  ] as const) {
    const tab = await page.context().newPage();
    const shown = () => expect(tab.getByRole('heading', { level: 1, name: heading })).toBeVisible();
    await isWithin(tab, path, shown, { kilobytes: path === '/my-progress' ? 240 : 250, elements: 900 });
    await tab.close();
  }
  const tab = await page.context().newPage();
  await isWithin(tab, session ?? '', () => expect(tab.locator('main')).toBeVisible(), {
    // Holes bring their choices along: some 15 kB; and what is opened in the middle, and what ends a session, is fetched at once.
    kilobytes: 323,
    elements: 400,
  });
});
