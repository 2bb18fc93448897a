import { expect, type Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { answersOffered, answersStandAboveTheBar } from './lowScreens';
import { addStudent, comeIn, join, onPhone, test, closePart, endSession } from './people';

/** Drills of the shelf that are soon played to their end. For other ways to score the first drill that has it is played. */
const shortOnes = [
  'Five at one target',
  'Loosen up',
  'Land on the towel',
  'Pairs of pitches',
  'Round the hole',
  'Climb the green',
  'Past, never short',
  'For par, for birdie',
  'Wedge numbers',
  'Loose hands',
  'Read, then measure',
  'Driver window',
  'Bend it as called',
  'Out and close',
  'The putt that counts',
  'Save it',
  'Box breathing',
];

const mostSteps = 120;

/** What the drill asks for now. */
type Asked = 'timer' | 'words' | 'number' | 'rated' | 'tapped' | 'over';

/** Taps the first answer where a tap is asked for (a middling one on the dial), in the page itself: there are many of them. */
const tapOrTell = (page: Page): Promise<Asked> =>
  page.evaluate(() => {
    const flow = document.querySelector('[data-testid="flow"]');
    if (!flow || flow.textContent?.includes('That is the whole of it.')) return 'over';
    if (flow.querySelector('[role="timer"]')) return 'timer';
    if (flow.querySelector('textarea')) return 'words';
    if (flow.querySelector('form')) return 'number';
    const buttons = [...flow.querySelectorAll('button')];
    const five = buttons.find((b) => b.textContent === '5');
    (five ?? buttons[0])?.click();
    return five ? 'rated' : 'tapped';
  });

/** Answers whatever the drill asks, and says what that was. */
async function answer(page: Page): Promise<Asked> {
  const flow = page.getByTestId('flow');
  const asked = await tapOrTell(page);
  switch (asked) {
    case 'over':
    case 'rated':
    case 'tapped':
      return asked;
    case 'timer': {
      const start = flow.getByRole('button', { name: 'Start', exact: true });
      if (await start.isVisible()) await start.click();
      await page.clock.runFor(48_500);
      return asked;
    }
    case 'words':
      await flow.getByRole('textbox').fill('The last putt, calm');
      await flow.getByRole('button', { name: 'That is it' }).click();
      return asked;
    case 'number':
      await flow.getByRole('textbox').fill('8');
      await page.keyboard.press('Enter');
      return asked;
  }
}

/** A drill of the shelf for every way to score. */
async function oneOfEach(coach: Page): Promise<string[]> {
  const shelf = (await (await coach.request.get('/api/drills')).json()) as { name: string; protocol: string }[];
  const byProtocol = new Map<string, string>();
  for (const { name, protocol } of shelf)
    if (!byProtocol.has(protocol) || shortOnes.includes(name)) byProtocol.set(protocol, name);
  return [...byProtocol.values()];
}

interface Result {
  name: string;
  status: string;
  attempts: number;
  text: string;
}

test('every way to score is assigned, played to its end on a phone, scored, and seen by the coach', async ({
  page: coach,
  browser,
}) => {
  test.setTimeout(240_000);
  await comeIn(coach, 'coach');
  const link = await addStudent(coach, 'Pia Vielspiel');
  const phone = await onPhone(browser);
  await join(phone, link, 'pia@protocols.example');
  const { person } = (await (await phone.request.get('/api/accounts/session')).json()) as {
    person: { studentId: string; week: string };
  };
  await copyFile(coach, 'Otto Lanevik', person.studentId);
  const drills = await oneOfEach(coach);
  expect(drills.length).toBeGreaterThanOrEqual(shortOnes.length);
  const assignment = await setDrills(coach, drills, person);

  await phone.clock.install();
  await phone.goto(`/practice/${assignment}`);
  await phone.getByRole('button', { name: 'Begin' }).click();
  const taps = new Map<string, number>();
  for (const name of drills) {
    await expect(phone.getByRole('heading', { level: 1, name }), name).toBeVisible();
    let step = 0;
    let count = 0;
    const looked = new Set<string>();
    for (; step < mostSteps; step++) {
      const question = await answersOffered(phone);
      if (question !== '' && !looked.has(question)) {
        looked.add(question);
        await answersStandAboveTheBar(phone, `${name}: ${question}`);
      }
      const asked = await answer(phone);
      if (asked === 'over') break;
      if (asked === 'tapped') count++;
    }
    taps.set(name, count);
    await expect(phone.getByText('That is the whole of it.'), name).toBeVisible();
    expect(await phone.evaluate(() => document.documentElement.scrollWidth), name).toBeLessThanOrEqual(360);
    await closePart(phone);
  }
  await endSession(phone);
  await expect(phone.getByText('Your coach can see it now.')).toBeVisible({ timeout: 20_000 });

  const { results } = (await (await coach.request.get(`/api/sessions/${assignment}`)).json()) as { results: Result[] };
  expect(results.map((r) => r.name)).toEqual(drills);
  for (const r of results) {
    expect(r.status, r.name).toBe('complete');
    // At most two taps an attempt beyond entering a number or words.
    expect(taps.get(r.name), r.name).toBeLessThanOrEqual(2 * r.attempts);
  }
  await coach.goto(`/sessions/${assignment}`);
  await expect(coach.getByTestId('drill-result')).toHaveCount(drills.length);
  await expect(coach.getByTestId('drill-result').getByRole('img')).toHaveCount(drills.length);
});

/** Gives a student the file of another: some drills are scored with the numbers in it. */
async function copyFile(coach: Page, from: string, toId: string) {
  const students = (await (await coach.request.get('/api/students')).json()) as { id: string; name: string }[];
  const fromId = students.find((s) => s.name === from)?.id ?? '';
  const { file } = (await (await coach.request.get(`/api/students/${fromId}/file`)).json()) as { file: object };
  const saved = await coach.request.put(`/api/students/${toId}/file`, {
    data: file,
    headers: { 'If-Match': '"0"' },
  });
  expect(saved.status(), await saved.text()).toBe(200);
}

/** Publishes one session with all these drills of the shelf, in this order. */
async function setDrills(coach: Page, names: string[], to: { studentId: string; week: string }): Promise<string> {
  const shelf = (await (await coach.request.get('/api/drills')).json()) as { id: string; name: string }[];
  const segments = [];
  for (const name of names) {
    const id = shelf.find((d) => d.name === name)?.id ?? '';
    const { drill } = (await (await coach.request.get(`/api/drills/${id}`)).json()) as { drill: { places: string[] } };
    segments.push({
      kind: 'practice',
      id: randomUUID(),
      title: name,
      phase: 'random',
      intent: 'skill',
      place: drill.places[0],
      minutes: 5,
      exit: { kind: 'minutes' },
      drill: { drillId: id, drill },
    });
  }
  const [plan, assignment] = [randomUUID(), randomUUID()];
  const isNew = { 'If-None-Match': '*' };
  const title = 'One of each';
  const saved = await coach.request.put(`/api/plans/${plan}`, {
    data: { title, purpose: 'Play every way to score', successTest: '', segments },
    headers: isNew,
  });
  expect(saved.status()).toBe(200);
  const set = await coach.request.put(`/api/weeks/assignments/${assignment}`, {
    data: { studentId: to.studentId, planId: plan, week: to.week, day: null, requirement: 'extra' },
    headers: isNew,
  });
  expect(set.status()).toBe(200);
  const published = await coach.request.post(`/api/weeks/${to.week}/publish`, { data: { students: [to.studentId] } });
  expect(published.status(), await published.text()).toBe(200);
  return assignment;
}
