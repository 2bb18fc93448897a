// What pages cost a browser on one world: their elements, how far things jump, and how many answers are waited for one after the
// other; and how long a key and a tap take on a processor slowed down four times.
import { chromium } from '@playwright/test';
import { launchOptions } from '../../tests/e2e/browser.mjs';
import { median } from './caller.mjs';
import { joined, squadOf } from './school.mjs';

/** How long every answer is on its way, in milliseconds: so long that what follows it shows. */
const latency = 250;

/** A squeezed processor: a phone of some years ago. */
const slower = 4;

const laptop = { viewport: { width: 1280, height: 800 } };
const phone = { viewport: { width: 360, height: 740 }, isMobile: true, hasTouch: true };

/** Budgets: elements, of which too many fail a run; waits one after the other and how far things jump, which warn. */
const pagesOf = ({ studentId, doneId, planId, squadId, week }) => [
  ['tee line', '/tee-line', { nodes: 2_500, levels: 4, jumps: 0.05 }],
  ['student page', `/students/${studentId}`, { nodes: 1_200, levels: 4, jumps: 0.05 }],
  ['plans, a page of 50', '/plans', { nodes: 1_500, levels: 4, jumps: 0.05 }],
  ['week sheet, 40 students', `/week?week=${week}&squad=${squadId}`, { nodes: 4_000, levels: 4, jumps: 0.05 }],
  ['bench', `/plans/${planId}`, { nodes: 900, levels: 5, jumps: 0.05 }],
  ['shelf', '/drills', { nodes: 900, levels: 4, jumps: 0.05 }],
  ['session, done', `/sessions/${doneId}`, { nodes: 400, levels: 4, jumps: 0.05 }],
];

/** A browser of somebody's own, signed in by the cookie of a caller. */
async function browserOf(browser, base, caller, of) {
  const context = await browser.newContext({
    baseURL: base,
    serviceWorkers: 'block',
    locale: 'en-GB',
    reducedMotion: 'reduce',
    ...of,
  });
  if (caller) {
    const cookies = caller.cookie.split('; ').map((cookie) => {
      const end = cookie.indexOf('=');
      return { name: cookie.slice(0, end), value: cookie.slice(end + 1), url: base };
    });
    await context.addCookies(cookies);
  }
  return context;
}

/**
 * Opens a page over a slow line and counts. What is waited for one after the other is found by when things were asked for: an
 * answer that had come by then may have been needed. Letters and pictures hold nothing up and are left out.
 */
async function costOf(context, path) {
  const page = await context.newPage();
  const devTools = await context.newCDPSession(page);
  await devTools.send('Network.enable');
  await devTools.send('Network.emulateNetworkConditions', {
    offline: false,
    latency,
    downloadThroughput: -1,
    uploadThroughput: -1,
  });
  let bytes = 0;
  devTools.on('Network.loadingFinished', (loaded) => (bytes += loaded.encodedDataLength));
  await page.addInitScript(() => {
    window.jumped = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) if (!entry.hadRecentInput) window.jumped += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await page.goto(path, { waitUntil: 'networkidle' });
  await page.getByRole('heading', { level: 1 }).waitFor();
  const found = await page.evaluate(() => {
    const asked = [
      ...performance.getEntriesByType('navigation'),
      ...performance.getEntriesByType('resource').filter((r) => /\.(js|css)$|\/api\//.test(new URL(r.name).pathname)),
    ].sort((a, b) => a.startTime - b.startTime);
    const levels = [];
    for (const [i, one] of asked.entries())
      levels.push(1 + Math.max(0, ...levels.filter((_, before) => asked[before].responseEnd <= asked[i].startTime)));
    return {
      nodes: document.querySelectorAll('body *').length,
      jumps: window.jumped,
      levels: Math.max(...levels),
    };
  });
  await page.close();
  return { ...found, kB: bytes / 1000 };
}

/** The median time from what somebody does to the next picture, on a squeezed processor. */
async function toThePicture(page, times, act) {
  const devTools = await page.context().newCDPSession(page);
  await devTools.send('Emulation.setCPUThrottlingRate', { rate: slower });
  await page.evaluate(() => {
    window.took = [];
    for (const kind of ['keydown', 'click'])
      addEventListener(
        kind,
        () => {
          const from = performance.now();
          requestAnimationFrame(() => setTimeout(() => window.took.push(performance.now() - from)));
        },
        { capture: true },
      );
  });
  for (let i = 0; i < times; i++) {
    await act(i);
    await page.waitForFunction((n) => window.took.length > n, i);
    await page.waitForTimeout(100);
  }
  return median(await page.evaluate(() => window.took));
}

const typing = 'From one end of the green to the other';

async function typed(page, label) {
  const field = page.getByLabel(label, { exact: true });
  await field.click();
  return toThePicture(page, typing.length, (i) => page.keyboard.press(typing[i]));
}

async function keysAndTaps(browser, school, { planId }) {
  const stranger = await (await browserOf(browser, school.base, null, laptop)).newPage();
  await stranger.goto('/sign-in', { waitUntil: 'networkidle' });
  const key = await typed(stranger, 'E-mail');
  const coach = await (await browserOf(browser, school.base, school.coach, laptop)).newPage();
  await coach.goto(`/plans/${planId}`, { waitUntil: 'networkidle' });
  await coach.getByRole('button', { name: 'Words and frame' }).click();
  const onTheBench = await typed(coach, 'Title');
  const { student, sessions } = await joined(school, 1);
  const practising = await (await browserOf(browser, school.base, student, phone)).newPage();
  await practising.goto(`/practice/${sessions[0]}`, { waitUntil: 'networkidle' });
  await practising.getByRole('button', { name: 'Begin' }).click();
  await practising.getByTestId('flow').waitFor();
  await practising.context().setOffline(true);
  const tap = await toThePicture(practising, 20, () =>
    practising.getByTestId('flow').getByRole('button').first().tap(),
  );
  return { key, onTheBench, tap };
}

/** Opens every page of the table and says whether a count is over its budget. */
export async function measurePages(school, world) {
  const { rows } = await school.coach.must('GET', '/api/review/tee-line');
  const row = rows.find((r) => r.last);
  const { plans } = await school.coach.must('GET', '/api/plans');
  const of = {
    studentId: row.student.id,
    doneId: row.last.assignmentId,
    planId: plans.find((plan) => plan.title === 'From the tee to the board')?.id ?? plans[0].id,
    squadId: await squadOf(school.coach, 40),
    week: school.week,
  };
  const browser = await chromium.launch(launchOptions);
  try {
    let isOver = false;
    console.log(`\n${world}`.padEnd(27), 'elements'.padStart(15), 'waits'.padStart(8), 'jumps'.padStart(16));
    const show = (name, { nodes, levels, jumps }, budget) => {
      const isTooMuch = nodes > budget.nodes;
      isOver ||= isTooMuch;
      console.log(
        name.padEnd(26),
        `${nodes} of ${budget.nodes}`.padStart(15),
        `${levels} of ${budget.levels}`.padStart(8),
        `${jumps.toFixed(3)} of ${budget.jumps}`.padStart(16),
        isTooMuch ? ' OVER ITS BUDGET' : '',
        levels > budget.levels ? ' waits' : '',
        jumps > budget.jumps ? ' jumps' : '',
      );
    };
    for (const [name, path, budget] of pagesOf(of)) {
      // Nothing is kept from the page before, as on the first visit of a day after a new version.
      const context = await browserOf(browser, school.base, school.coach, laptop);
      show(name, await costOf(context, path), budget);
      await context.close();
    }

    const { student, sessions } = await joined(school, 1);
    const onPhone = await browserOf(browser, school.base, student, phone);
    const open = await costOf(onPhone, `/practice/${sessions[0]}`);
    show('session, open on a phone', open, { nodes: 400, levels: 4, jumps: 0.12 });
    const door = await costOf(await browserOf(browser, school.base, null, phone), '/sign-in');
    const isHeavy = door.kB > 260;
    isOver ||= isHeavy;
    console.log(`sign-in: ${door.kB.toFixed(0)} kB in all of 260${isHeavy ? ' OVER ITS BUDGET' : ''}`);

    const { key, onTheBench, tap } = await keysAndTaps(browser, school, of);
    console.log(
      `on a processor slowed down ${slower} times, from a key to the picture: sign-in ${key.toFixed(0)} ms, the bench ` +
        `${(onTheBench / key).toFixed(1)} × that (at most 4); a tap of a drill ${(tap / key).toFixed(1)} × (at most 3)`,
    );
    return isOver;
  } finally {
    await browser.close();
  }
}
