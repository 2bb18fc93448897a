// Students, plans and sessions made for measuring, beside those that are there.
import { randomUUID } from 'node:crypto';
import { Caller } from './caller.mjs';

/** As every browser asks. */
export const compressed = { 'accept-encoding': 'br' };

export const segmentId = randomUUID();

const segment = (id) => ({
  kind: 'practice',
  id,
  title: 'Count',
  phase: 'block',
  intent: 'skill',
  place: 'puttingGreen',
  minutes: 60,
  balls: 200,
  exit: { kind: 'minutes' },
  drill: {
    drillId: randomUUID(),
    drill: {
      name: 'Count',
      purpose: 'Count',
      area: 'putting',
      skill: 'start line',
      criterion: 'Holed',
      phases: ['block'],
      intents: ['skill'],
      places: ['puttingGreen'],
      usualMinutes: 60,
      usualBalls: 200,
      setUp: 'A hole.',
      protocol: { kind: 'makeRate', attempts: 200, make: 'Holed' },
    },
  },
});

/** A plan of so many drills, each scored. */
export const planOf = (drills, minutes = 60) => ({
  title: 'Load',
  purpose: 'See what it bears',
  successTest: '',
  segments: Array.from({ length: drills }, (_, i) => ({ ...segment(i === 0 ? segmentId : randomUUID()), minutes })),
});

/** A coach of the demo with a plan to give out. */
export async function coachWithPlan(base) {
  const coach = new Caller(base);
  await coach.must('POST', '/api/accounts/demo-sign-in', { as: 'coach' });
  const { person } = await coach.must('GET', '/api/accounts/session');
  const planId = randomUUID();
  await coach.must('PUT', `/api/plans/${planId}`, planOf(1));
  return { base, coach, planId, week: person.week, today: person.today };
}

/** A squad of so many students, made for the measuring. */
export async function squadOf(coach, many) {
  const id = randomUUID();
  const students = await coach.must('GET', '/api/students');
  const members = students.slice(0, many).map((s) => s.id);
  await coach.must('PUT', `/api/squads/${id}`, { name: `Measured ${id.slice(0, 4)}`, members });
  return id;
}

/** Puts sessions into a student's week, as drafts. */
export async function set({ coach, planId, week, today }, studentId, count, on = { week, day: today }) {
  const made = Array.from({ length: count }, () => randomUUID());
  for (const id of made)
    await coach.must('PUT', `/api/weeks/assignments/${id}`, { studentId, planId, ...on, requirement: 'must' });
  return made;
}

/** Publishes what stands in a student's week. */
export async function publishWeek({ coach }, studentId, week) {
  const published = await coach.call('POST', `/api/weeks/${week}/publish`, { students: [studentId] }, compressed);
  if (published.status !== 200) throw new Error(`publishing: ${published.status} ${JSON.stringify(published.json)}`);
  return published;
}

/** Puts sessions into a student's week, and publishes them. */
export async function publish(school, studentId, count, on = { week: school.week, day: school.today }) {
  const made = await set(school, studentId, count, on);
  return { made, published: await publishWeek(school, studentId, on.week) };
}

/** A student who has joined, with so many sessions published. */
export async function joined(school, sessions) {
  const studentId = randomUUID();
  const name = `Load ${studentId.slice(0, 4)}`;
  await school.coach.must('PUT', `/api/students/${studentId}`, {
    name,
    hand: 'right',
    level: 'improving',
    coachNote: '',
  });
  const { path } = await school.coach.must('POST', `/api/students/${studentId}/invitations`);
  const student = new Caller(school.base);
  const email = `load-${studentId}@nowhere.example`;
  const { person } = await student.must('POST', `/api/accounts/invitations/${path.slice('/join/'.length)}/accept`, {
    email,
    password: 'a made-up password',
    name,
  });
  const made = sessions > 0 ? (await publish(school, studentId, sessions)).made : [];
  return { student, studentId, email, accountId: person.accountId, sessions: made };
}

const moment = (sequence) => new Date(Date.UTC(2026, 4, 6, 9, 0, sequence % 3000)).toISOString();

/** An attempt at the drill; the first entry of a log goes into the segment, and is none. */
export const attempt = (sequence, number = sequence - 1) => ({
  sequence,
  at: moment(sequence),
  segmentId,
  ...(sequence === 1
    ? { kind: 'entered' }
    : {
        kind: 'answered',
        flowVersion: 1,
        input: { kind: 'choice', attempt: number, value: number % 3 ? 'made' : 'missed' },
      }),
});

/** A ball more in a segment. */
export const counted = (sequence) => ({ sequence, at: moment(sequence), segmentId, kind: 'counted', balls: 1 });

/** Sends entries of a log, and waits where too many were sent of late. */
export async function append({ student, accountId }, assignmentId, logId, entries) {
  for (;;) {
    const body = { assignmentId, accountId, entries };
    const answer = await student.call('POST', `/api/sessions/logs/${logId}/entries`, body, compressed);
    if (answer.status !== 429) return answer;
    await new Promise((go) => setTimeout(go, Number(answer.retryAfter ?? 1) * 1000));
  }
}
