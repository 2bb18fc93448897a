// How long a tap of eighteen holes takes on a CPU slowed down four times: to the next picture, and the walk of the flow in it.
// node hole-taps.mjs http://127.0.0.1:PORT (a demo of 2026-05-06; it puts a session of eighteen holes into the student's week)
import { chromium } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { launchOptions } from './browser.mjs';

const baseURL = process.argv[2];
const isNew = { 'If-None-Match': '*' };
const browser = await chromium.launch(launchOptions);

async function comeIn(as, options = {}) {
  const context = await browser.newContext({ baseURL, ...options });
  const page = await context.newPage();
  await page.request.post('/api/accounts/demo-sign-in', { data: { as } });
  return page;
}

const coach = await comeIn('coach');
const phone = await comeIn('student', { viewport: { width: 360, height: 740 }, isMobile: true, hasTouch: true });
const from = async (page, path) => (await page.request.get(path)).json();
const { person } = await from(phone, '/api/accounts/session');
const [{ id: courseId, course }] = await from(coach, '/api/courses');
const nine = course.holes.map((hole, i) => ({ kind: 'drawn', number: i + 1, hole }));
const segment = {
  kind: 'practice',
  id: randomUUID(),
  title: 'Eighteen holes',
  phase: 'onCourse',
  intent: 'performance',
  place: 'range',
  minutes: 60,
  balls: 45,
  holes: 18,
  play: { courseId, course: course.name, tee: course.tees[0], holes: [...nine, ...nine] },
  exit: { kind: 'minutes' },
};
const plan = { title: 'Eighteen holes', purpose: 'Play them', successTest: 'A card', segments: [segment] };
const [planId, sessionId] = [randomUUID(), randomUUID()];
const set = { studentId: person.studentId, planId, week: person.week, day: null, requirement: 'must' };
await coach.request.put(`/api/plans/${planId}`, { data: plan, headers: isNew });
await coach.request.put(`/api/weeks/assignments/${sessionId}`, { data: set, headers: isNew });
await coach.request.post(`/api/weeks/${person.week}/publish`, { data: { students: [person.studentId] } });

await phone.goto(`/practice/${sessionId}`);
await phone.getByRole('button', { name: 'Begin' }).click();
await phone.getByTestId('flow').waitFor();
const cdp = await phone.context().newCDPSession(phone);
await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
await cdp.send('Profiler.enable');
await cdp.send('Profiler.start');

/** Presses what is offered first, to the green or the fairway; the time to the next picture, or nothing at the end. */
const tap = () =>
  phone.evaluate(async () => {
    const shown = [...document.querySelectorAll('[data-testid=flow] button')].filter((b) => b.checkVisibility());
    const named = (text) => shown.find((b) => b.textContent.trim() === text);
    const valued = (value) => shown.find((b) => b.dataset.value === value);
    const next =
      named('Enter') ?? valued('green') ?? valued('fairway') ?? shown.find((b) => b.dataset.value) ?? named('2');
    if (!next) return null;
    const before = performance.now();
    next.click();
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    return performance.now() - before;
  });

const times = [];
for (let time = await tap(); time !== null && times.length < 400; time = await tap()) {
  times.push(time);
  await phone.waitForTimeout(30);
}
const { profile } = await cdp.send('Profiler.stop');
const byId = new Map(profile.nodes.map((node) => [node.id, node]));
const walking = profile.samples.reduce(
  (sum, id, i) => (/\/flow-[^/]*\.js$/.test(byId.get(id).callFrame.url) ? sum + profile.timeDeltas[i] / 1000 : sum),
  0,
);
times.sort((a, b) => a - b);
const at = (share) => times[Math.floor(share * (times.length - 1))].toFixed(0);
console.log(
  `${times.length} taps, 4× slower CPU: to the next picture median ${at(0.5)} ms, nine of ten under ${at(0.9)} ms; ` +
    `the walk in it ${(walking / times.length).toFixed(1)} ms on average`,
);
await browser.close();
