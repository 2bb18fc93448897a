// What screens and calls cost on one world: statements, bytes, and how many times as long as the cheapest signed-in answer.
import { randomUUID } from 'node:crypto';
import { median } from './caller.mjs';
import { append, attempt, compressed, counted, joined, publish, publishWeek, set, squadOf } from './school.mjs';

/** Budgets: statements beside the one that looks the sign-in up, kilobytes compressed, and times as long. */
const budgets = {
  'tee line': { sql: 5, kB: 40, ratio: 5 },
  'student page': { sql: 8, kB: 12, ratio: 6 },
  'plans, a page of 50': { sql: 2, kB: 30, ratio: 3 },
  'week sheet, 40 students': { sql: 6, kB: 60, ratio: 12 },
  'bench, its plan': { sql: 4, kB: 4, ratio: 4 },
  'bench, its check': { sql: 4, kB: 4, ratio: 4 },
  shelf: { sql: 1, kB: 10, ratio: 2 },
  'session, done': { sql: 6, kB: 8, ratio: 3 },
  'session, open': { sql: 6, kB: 8, ratio: 3 },
  // Eight kilobytes are wanted of twelve weeks; 104 full ones may take half as much again.
  'progress, 104 weeks': { sql: 4, kB: 12 },
  'append one attempt': { sql: 8 + 2, kB: 0.4, ratio: 2.5 },
  'the same after 1,000': { sql: 8 + 2, kB: 0.4 },
  'publish three sessions': { sql: 16 + 2, kB: 2, ratio: 5 },
};

/** The screens that only show something, as the calls they make. */
async function screensOf({ coach, week, planId }) {
  const { rows } = await coach.must('GET', '/api/review/tee-line');
  const row = rows.find((r) => r.last);
  const student = row.student.id;
  const { plan } = await coach.must('GET', `/api/plans/${planId}`);
  const forty = await squadOf(coach, 40);
  return {
    'tee line': [['GET', '/api/review/tee-line']],
    'student page': [
      ['GET', `/api/weeks/${week}/sheet?student=${student}`],
      ['GET', `/api/progress/${student}`],
      ['GET', `/api/review/students/${student}`],
    ],
    'plans, a page of 50': [['GET', '/api/plans']],
    'week sheet, 40 students': [['GET', `/api/weeks/${week}/sheet?squad=${forty}`]],
    'bench, its plan': [['GET', `/api/plans/${planId}`]],
    'bench, its check': [['POST', '/api/plans/check', { plan, studentId: student }]],
    shelf: [['GET', '/api/drills']],
    'session, done': [['GET', `/api/sessions/${row.last.assignmentId}`]],
    'progress, 104 weeks': [['GET', `/api/progress/${student}?weeks=104`]],
  };
}

/** What is called so often is compiled a second time, as it is where people work: until then nothing is timed. */
const warmUp = 30;

/** Measures every row in turns with the cheapest answer. */
export async function measureRows(school, statements, rounds = 40) {
  const { coach } = school;
  const times = new Map();
  const cheapest = [];
  const [bytes, sql] = [new Map(), new Map()];
  const note = (name, answer) => {
    if (answer.status >= 300 || answer.status === 0)
      throw new Error(`${name}: ${answer.status} ${JSON.stringify(answer.json ?? String(answer.error))}`);
    if (!times.has(name)) times.set(name, []);
    times.get(name).push(answer.took);
    bytes.set(name, answer.bytes);
  };
  const beside = async () => cheapest.push((await coach.call('GET', '/api/accounts/session')).took);
  /** Times something in turns with the cheapest answer, once it is warm; `ask` is told how often it was done before. */
  const inTurns = async (name, ask) => {
    for (let i = 0; i < warmUp; i++) await ask(i);
    for (let i = warmUp; i < warmUp + rounds; i++) {
      await beside();
      note(name, await ask(i));
    }
  };
  const count = async (name, work) => sql.set(name, await statements.of(work));

  const screens = await screensOf(school);
  for (const [name, calls] of Object.entries(screens)) {
    // The first call prepares what the second one counts; of several calls of a screen the one that asks most.
    let most = 0;
    for (const of of calls) {
      await coach.call(...of);
      most = Math.max(most, await statements.of(() => coach.call(...of)));
    }
    sql.set(name, most);
  }
  for (let round = -warmUp; round < rounds; round++)
    for (const [name, calls] of Object.entries(screens)) {
      if (round >= 0) await beside();
      const answers = [];
      for (const [method, path, body] of calls) answers.push(await coach.call(method, path, body, compressed));
      if (round < 0) continue;
      const of = (key) => answers.reduce((sum, a) => sum + a[key], 0);
      note(name, { status: Math.max(...answers.map((a) => a.status)), took: of('took'), bytes: of('bytes') });
    }

  const phone = await joined(school, 2);
  const [assignment, other] = phone.sessions;
  const log = randomUUID();
  const more = (from, many, made) =>
    append(
      phone,
      assignment,
      log,
      Array.from({ length: many }, (_, i) => made(from + i)),
    );
  await more(1, 50, attempt);
  const timed = warmUp + rounds;
  await inTurns('append one attempt', (i) => more(51 + i, 1, attempt));
  await count('append one attempt', () => more(51 + timed, 1, attempt));
  // The drill goes on where it was, a thousand balls of the same session later.
  const attempts = 50 + timed;
  for (let from = attempts + 2; from < 1000; from += 100) await more(from, 100, counted);
  const next = attempts + 2 + 100 * Math.ceil((998 - attempts) / 100);
  const later = (i) => more(next + i, 1, (sequence) => attempt(sequence, attempts + 1 + i));
  await inTurns('the same after 1,000', later);
  await count('the same after 1,000', () => later(timed));
  await inTurns('session, open', () => phone.student.call('GET', `/api/sessions/${other}`, undefined, compressed));
  await count('session, open', () => phone.student.call('GET', `/api/sessions/${other}`));

  const week = (i) => ({ week: `2026-W${20 + i}`, day: null });
  for (let i = 0; i < 12; i++) {
    await beside();
    note('publish three sessions', (await publish(school, phone.studentId, 3, week(i))).published);
  }
  const ready = await set(school, phone.studentId, 3, week(12));
  await count('publish three sessions', () => publishWeek(school, phone.studentId, week(12).week));
  if (ready.length !== 3) throw new Error('three sessions were not set');
  return table(times, bytes, sql, median(cheapest));
}

function table(times, bytes, sql, cheapest) {
  return Object.entries(budgets).map(([name, budget]) => {
    const ratio = median(times.get(name)) / cheapest;
    const kB = bytes.get(name) / 1000;
    const statements = sql.get(name);
    return {
      name,
      sql: statements,
      kB,
      ratio,
      took: median(times.get(name)),
      budget,
      isOver: statements > budget.sql || kB > budget.kB,
      isSlow: budget.ratio !== undefined && ratio > 1.5 * budget.ratio,
    };
  });
}

/** Prints rows beside their budgets. */
export function showRows(world, rows) {
  console.log(`\n${world}`.padEnd(27), 'SQL'.padStart(9), 'kB'.padStart(14), '× cheapest'.padStart(16));
  for (const { name, sql, kB, ratio, budget, isOver, isSlow } of rows) {
    const of = (value, limit) => `${value} of ${limit ?? '–'}`;
    console.log(
      name.padEnd(26),
      of(sql ?? '?', budget.sql).padStart(9),
      of(kB.toFixed(1), budget.kB).padStart(14),
      of(ratio.toFixed(1), budget.ratio).padStart(16),
      isOver ? ' OVER ITS BUDGET' : isSlow ? ' slow' : '',
    );
  }
}
