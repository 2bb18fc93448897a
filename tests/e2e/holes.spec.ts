import { expect, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { isClean } from './clean';
import { answersOffered, answersStandAboveTheBar } from './lowScreens';
import { Middleman } from './middleman';
import { addStudent, comeIn, isKeptOn, join, onPhone, test } from './people';

test.describe.configure({ timeout: 120_000 });

const isNew = { 'If-None-Match': '*' };
const yards = (value: number) => ({ value, unit: 'yards' });

const bag = Object.entries({ driver: 226, hybrid: 189, iron6: 157, iron8: 133, pitchingWedge: 109, sandWedge: 81 }).map(
  ([club, carry]) => ({ club, carry: yards(carry) }),
);

/** A student with a bag, and a session of holes alone in this week, published. */
async function studentWithHoles(
  coach: Page,
  phone: Page,
  name: string,
  play: { holes: object[]; way?: string; courseId?: string; course?: string; tee?: string | undefined },
  range = 'River range',
) {
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, name);
  const students = (await (await coach.request.get('/api/students')).json()) as { id: string; name: string }[];
  const studentId = students.find((s) => s.name === name)?.id ?? '';
  const file = (await (await coach.request.get(`/api/students/${studentId}/file`)).json()) as {
    version: number;
    file: { coach: object };
  };
  file.file.coach = { ...file.file.coach, bag };
  const kept = await coach.request.put(`/api/students/${studentId}/file`, {
    data: file.file,
    headers: file.version ? { 'If-Match': `"${file.version}"` } : isNew,
  });
  expect(kept.status()).toBe(200);
  const places = (await (await coach.request.get('/api/places')).json()) as { id: string; place: { name: string } }[];
  const ground = places.find((p) => p.place.name === range)?.id;
  const [planId, sessionId] = [randomUUID(), randomUUID()];
  const segment = {
    kind: 'practice',
    id: randomUUID(),
    title: 'Holes',
    phase: 'onCourse',
    intent: 'performance',
    place: 'range',
    minutes: 12,
    balls: 9,
    holes: play.holes.length,
    play: { ...play, ground },
    exit: { kind: 'minutes' },
  };
  const plan = { title: `Holes for ${name}`, purpose: 'Play what is left', successTest: 'A card', segments: [segment] };
  expect((await coach.request.put(`/api/plans/${planId}`, { data: plan, headers: isNew })).status()).toBe(200);
  const set = { studentId, planId, week: '2026-W19', day: null, requirement: 'must' };
  const put = await coach.request.put(`/api/weeks/assignments/${sessionId}`, { data: set, headers: isNew });
  expect(put.status()).toBe(200);
  const published = await coach.request.post('/api/weeks/2026-W19/publish', { data: { students: [studentId] } });
  expect(await published.text()).toContain(sessionId);
  await join(phone, link, `${name.toLowerCase().replaceAll(' ', '.')}@holes.example`);
  await phone.getByRole('link', { name: 'Practise', exact: true }).click();
  await phone.getByRole('button', { name: 'Begin' }).click();
  return sessionId;
}

let taps = 0;
const flow = (phone: Page) => phone.getByTestId('flow');

async function tap(phone: Page, value: string) {
  const answer = flow(phone).locator(`button[data-value="${value}"]`);
  if (!(await answer.isVisible())) {
    taps++;
    await flow(phone).getByRole('button', { name: 'Something else' }).click();
  }
  taps++;
  await answer.click();
}

/** A club, where it went, and the number that is proposed, or another one typed. */
async function shot(phone: Page, club: string, where: string, number?: number | 'none') {
  await tap(phone, club);
  await tap(phone, where);
  if (number === 'none') return;
  if (number !== undefined) await flow(phone).getByRole('textbox').fill(String(number));
  taps++;
  await flow(phone).getByRole('button', { name: 'Enter' }).click();
}

/** Plays what is offered first, to the green where it can be reached and to the fairway otherwise, until nothing is asked. */
async function playOn(phone: Page, look?: (asked: string) => Promise<void>) {
  const words = () => flow(phone).innerText();
  for (let asked = 0; asked < 300; asked++) {
    const before = await words();
    if (before.includes('That is the whole of it.')) return;
    await look?.(before);
    const enter = flow(phone).getByRole('button', { name: 'Enter' });
    const club = flow(phone).locator('button[data-value]').first();
    const putts = flow(phone).getByRole('button', { name: '2', exact: true });
    const [green, fairway] = ['green', 'fairway'].map((where) => flow(phone).locator(`button[data-value="${where}"]`));
    if (await enter.isVisible()) await enter.click();
    else if (await green?.isVisible()) await green?.click();
    else if (await fairway?.isVisible()) await fairway?.click();
    else if (await putts.isVisible()) await putts.click();
    else await club.click();
    await expect.poll(words).not.toBe(before);
  }
  throw new Error('The holes do not end.');
}

const quick = (par: number, left: number) => ({ kind: 'quick', par, usuallyLeft: yards(left) });

test('on a low phone and on one on its side the clubs of every hole stand above the bar', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser);
  await comeIn(coach, 'coach');
  const courses = (await (await coach.request.get('/api/courses')).json()) as {
    id: string;
    course: { name: string; tees: string[]; holes: object[] };
  }[];
  const island = courses.find((c) => c.course.name === 'Osier Island');
  if (!island) throw new Error('The demo has a course.');
  const { id: courseId, course } = island;
  const holes = course.holes.map((hole, i) => ({ kind: 'drawn', number: i + 1, hole }));
  const play = { courseId, course: course.name, tee: course.tees[0], holes };
  await studentWithHoles(coach, phone, 'Nora Tiefschirm', play);
  const looked = new Set<string>();
  await playOn(phone, async (asked) => {
    const offered = await answersOffered(phone);
    if (looked.has(offered)) return;
    looked.add(offered);
    await answersStandAboveTheBar(phone, `${asked.split('\n')[0]}: ${offered}`);
  });
  expect(looked.size).toBeGreaterThan(10);
});

test('three quick holes without a signal, reloaded in the middle and undone over a hole’s end: the coach sees that card', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser, { serviceWorkers: 'allow' });
  // Driver 226 and 94 left: 320; driver 226, hybrid 189 and 75 left: 490.
  const sessionId = await studentWithHoles(coach, phone, 'Tilda Furche', {
    holes: [quick(4, 94), quick(3, 133), quick(5, 75)],
  });
  await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await phone.context().setOffline(true);
  taps = 0;

  await expect(flow(phone)).toContainText('Hole 1, par 4, shot 1: 320 yd left, on the tee');
  await isClean(phone, 'a hole');
  await shot(phone, 'driver', 'roughLeft');
  await expect(flow(phone)).toContainText('shot 2: 94 yd left, in rough');
  await shot(phone, 'pitchingWedge', 'leftOfGreen', 14);
  await expect(flow(phone)).toContainText('shot 3: 14 yd left, in rough');
  await isKeptOn(phone);
  await phone.reload();
  await expect(flow(phone)).toContainText('shot 3: 14 yd left, in rough');
  await shot(phone, 'sandWedge', 'green', 6);

  // The chip was not so close: over the end of the hole back to it.
  await expect(flow(phone)).toContainText('Hole 2, par 3');
  // A shot is three taps: the club, where it went, how far it is now.
  for (let tap = 0; tap < 3; tap++) await phone.getByRole('button', { name: 'Undo' }).click();
  await expect(flow(phone)).toContainText('Hole 1, par 4, shot 3: 14 yd left');
  await shot(phone, 'sandWedge', 'green', 11);

  await shot(phone, 'iron8', 'green', 20);
  await shot(phone, 'driver', 'fairway');
  await expect(flow(phone)).toContainText('Hole 3, par 5, shot 2: 264 yd left, on the fairway');
  await shot(phone, 'hybrid', 'fairway');
  await shot(phone, 'sandWedge', 'holed', 'none');

  // The putt for birdie comes before the one for par; the holed shot has none.
  await expect(flow(phone)).toContainText('Hole 2, for birdie or better: 20 ft.');
  await isClean(phone, 'putts that wait');
  await flow(phone).getByRole('button', { name: '2', exact: true }).click();
  await expect(flow(phone)).toContainText('Hole 1, for par: 11 ft.');
  await flow(phone).getByRole('button', { name: '1', exact: true }).click();
  await expect(flow(phone)).toContainText('That is the whole of it.');
  expect(taps + 2).toBeLessThanOrEqual(45);

  await phone.context().setOffline(false);
  await expect(phone.getByTestId('sync')).toHaveText('all sent', { timeout: 20_000 });

  await coach.goto(`/sessions/${sessionId}`);
  const card = coach.getByTestId('hole-card');
  await expect(card.getByRole('row', { name: /^1 320 yd/ })).toHaveText(/4\s*4\s*1\s*left\s*no/);
  await expect(card.getByRole('row', { name: /^2 133 yd/ })).toHaveText(/3\s*3\s*2\s*–\s*yes/);
  await expect(card.getByRole('row', { name: /^3 490 yd/ })).toHaveText(/5\s*3\s*0\s*yes\s*yes/);
  await expect(card.getByRole('row', { name: /^In all/ })).toContainText('10 (−2)');
  await expect(card).toContainText('Up and down 1 of 1');
});

test('tee shots only, while the server is killed: in or out, and on which side', async ({
  page: coach,
  browser,
  baseURL,
}) => {
  const middleman = new Middleman(baseURL ?? '');
  await middleman.open();
  const phone = await onPhone(browser, { baseURL: middleman.address });
  const sessionId = await studentWithHoles(coach, phone, 'Jasper Weide', {
    way: 'teeShots',
    holes: [quick(4, 94), quick(5, 75), quick(4, 110)],
  });
  await shot(phone, 'driver', 'fairway', 'none');
  await middleman.kill();
  await shot(phone, 'hybrid', 'roughRight', 'none');
  await shot(phone, 'driver', 'roughLeft', 'none');
  await expect(flow(phone)).toContainText('1 of 3 on the fairway; missed left 1, right 1');
  await middleman.open();
  await expect(phone.getByTestId('sync')).toHaveText('all sent', { timeout: 20_000 });
  await coach.goto(`/sessions/${sessionId}`);
  await expect(coach.getByTestId('drill-result')).toContainText(
    '1 of 3: somewhere from 6 to 79 %. Missed left 1, right 1.',
  );
  await middleman.kill();
});

test('nine of a drawn course without a signal, reloaded in the middle: the coach sees that card, printed by itself', async ({
  page: coach,
  browser,
}) => {
  const phone = await onPhone(browser, { serviceWorkers: 'allow' });
  await comeIn(coach, 'coach');
  const courses = (await (await coach.request.get('/api/courses')).json()) as {
    id: string;
    course: { name: string; tees: string[]; holes: { par: number }[] };
  }[];
  const island = courses.find((c) => c.course.name === 'Osier Island');
  const sessionId = await studentWithHoles(coach, phone, 'Edda Neunloch', {
    courseId: island?.id,
    course: island?.course.name,
    tee: island?.course.tees[0],
    holes: island?.course.holes.map((hole, i) => ({ kind: 'drawn', number: i + 1, hole })) ?? [],
  } as { holes: object[] });
  await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await phone.context().setOffline(true);
  await shot(phone, 'driver', 'fairway');
  await expect(flow(phone)).toContainText('Hole 1, par 4, shot 2');
  await isKeptOn(phone);
  await phone.reload();
  await expect(flow(phone)).toContainText('Hole 1, par 4, shot 2');
  await playOn(phone);
  const counts = await phone.getByTestId('flow-counts').innerText();
  await phone.context().setOffline(false);
  await expect(phone.getByTestId('sync')).toHaveText('all sent', { timeout: 20_000 });

  await coach.goto(`/sessions/${sessionId}`);
  const card = coach.getByTestId('hole-card');
  await expect(card.locator('tbody').first().getByRole('row')).toHaveCount(9);
  // The score that the phone counted stands on the card.
  const score = /(\d+) strokes/.exec(counts)?.[1] ?? counts;
  await expect(card.getByRole('row', { name: /^In all/ }).first()).toContainText(`${score} (`);

  await coach.evaluate(() => (window.print = () => undefined));
  await card.getByRole('button', { name: 'Print the card' }).click();
  await coach.emulateMedia({ media: 'print' });
  await expect(card.getByText('Strokes gained')).toBeVisible();
  await expect(coach.getByRole('heading', { level: 1 })).toBeHidden();
  await coach.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(coach.getByRole('heading', { level: 1 })).toBeVisible();
});

test('indoors the bay shows the hole and knows what is left', async ({ page: coach, browser }) => {
  const phone = await onPhone(browser);
  await studentWithHoles(coach, phone, 'Ida Halle', { holes: [quick(4, 94), quick(3, 133)] }, 'Boathouse bay');
  await expect(flow(phone)).toContainText('Hole 1, par 4, shot 1: 320 yd left');
  await shot(phone, 'driver', 'fairway', 211);
  await expect(flow(phone)).toContainText('shot 2: 109 yd left');
  // There is nothing on the ground to map it to.
  await expect(flow(phone)).not.toContainText('Nearest');
  await playOn(phone);
});

test('a course is typed through with the keyboard, its holes drawn, and played on the bench', async ({
  page: coach,
}) => {
  await comeIn(coach, 'coach');
  await coach.goto('/courses');
  await expect(coach.getByRole('heading', { level: 1, name: 'Courses' })).toBeVisible();
  await isClean(coach, 'courses');
  await coach.getByRole('button', { name: /^New course/ }).click();
  await coach.getByLabel('Name').fill('Three by the weir');
  await coach.getByLabel('Par, hole 1').fill('5');
  await coach.getByLabel('Length from tee 1, hole 1').fill('471');
  // Enter goes down, and below the last hole there is another one.
  await coach.getByLabel('Length from tee 1, hole 1').press('Enter');
  await coach.getByLabel('Length from tee 1, hole 2').fill('12');
  await coach.getByLabel('Right, hole 2').selectOption('Water');
  await expect(coach.getByRole('img', { name: 'Hole 2, par 4, 12 yd' })).toBeVisible();
  await coach.getByRole('button', { name: 'Turn it round' }).click();
  await expect(coach.getByLabel('Left, hole 2')).toHaveValue('water');
  await coach.keyboard.press('Control+s');
  await expect(coach.getByText('A hole is between 20 and 1000 long.').first()).toBeVisible();
  await coach.getByLabel('Length from tee 1, hole 2').fill('318');
  await coach.keyboard.press('Control+s');
  await expect(coach.getByRole('button', { name: 'Three by the weir, 2 holes' })).toBeVisible();

  await coach.goto('/plans/new');
  await coach.getByRole('button', { name: 'On-course', exact: true }).click();
  await coach.getByRole('region', { name: 'Segment' }).getByText('Holes', { exact: true }).last().click();
  await coach.getByRole('button', { name: 'Hole 1 of Three by the weir, par 5' }).click();
  await coach.getByRole('button', { name: 'Hole 2 of Three by the weir, par 4' }).click();
  await expect(coach.getByText('2 holes of Three by the weir usually take 8 min and 6 balls.')).toBeVisible();
  await coach.getByRole('button', { name: 'Take that' }).click();
  await expect(coach.getByRole('region', { name: 'Segment' }).getByLabel('Balls', { exact: true })).toHaveValue('6');
  await expect(coach.getByRole('img', { name: /^Hole 2, par 4, \d+ long$/ })).toBeVisible();
  await coach.getByRole('button', { name: 'Again with other pins' }).click();
  await expect(coach.getByRole('list', { name: 'Holes' }).getByRole('button')).toHaveCount(4);
  await expect(coach.getByLabel('Pin today')).toHaveValue('left');
  await isClean(coach, 'holes on the bench');
});
