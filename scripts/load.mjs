// Measures a running server that holds the demo data, as when many practise at once: 160 calls in the same moment, then phones
// that each send an attempt every ten seconds. Makes students and sessions of its own. Numbers to read, not a test.
//   node scripts/load.mjs http://127.0.0.1:5080 [phones] [seconds]
import { Agent, request } from 'node:http';
import { randomUUID } from 'node:crypto';

const [base, phones = '2000', seconds = '60'] = process.argv.slice(2);
if (!base) throw new Error('Which server? For example http://127.0.0.1:5080');
const students = 100;
const sessionsEach = 5;
const agent = new Agent({ keepAlive: true, maxSockets: Infinity });

/** A call and what came of it; the session cookie of a browser is kept with it. */
function call(browser, method, path, body) {
  const from = performance.now();
  const sent = body === undefined ? undefined : JSON.stringify(body);
  return new Promise((done) => {
    const failed = (error) => done({ status: 0, error, took: performance.now() - from });
    const asked = request(
      new URL(path, base),
      {
        method,
        agent,
        headers: {
          ...(sent && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(sent) }),
          ...(browser.cookie && { cookie: browser.cookie }),
          ...(method === 'PUT' && { 'if-none-match': '*' }),
        },
      },
      (answer) => {
        const parts = [];
        answer.on('data', (part) => parts.push(part));
        answer.on('error', failed);
        answer.on('end', () => {
          const cookie = answer.headers['set-cookie']?.map((c) => c.split(';')[0]).join('; ');
          if (cookie) browser.cookie = cookie;
          const text = Buffer.concat(parts).toString();
          const json = text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : undefined;
          done({
            status: answer.statusCode,
            retryAfter: answer.headers['retry-after'],
            json,
            took: performance.now() - from,
          });
        });
      },
    );
    asked.on('error', failed);
    asked.end(sent);
  });
}

async function must(...of) {
  const answer = await call(...of);
  if (answer.status >= 200 && answer.status < 300) return answer.json;
  throw new Error(`${of[1]} ${of[2]}: ${answer.status} ${JSON.stringify(answer.json ?? String(answer.error))}`);
}

function tell(name, answers) {
  const took = answers.map((a) => a.took).sort((a, b) => a - b);
  const at = (share) => took[Math.min(took.length - 1, Math.floor(took.length * share))].toFixed(1);
  const statuses = [...new Set(answers.map((a) => a.status))].sort();
  const by = statuses.map((status) => `${answers.filter((a) => a.status === status).length} × ${status}`);
  const waits = answers.filter((a) => a.status === 503 && a.retryAfter === undefined).length;
  console.log(
    `${name}: ${by.join(', ')}; median ${at(0.5)} ms, p95 ${at(0.95)} ms, longest ${took.at(-1).toFixed(1)} ms` +
      (waits > 0 ? `; ${waits} answers of 503 without Retry-After` : ''),
  );
}

const coach = {};
await must(coach, 'POST', '/api/accounts/demo-sign-in', { as: 'coach' });
const { person } = await must(coach, 'GET', '/api/accounts/session');
const plan = randomUUID();
const segment = randomUUID();
await must(coach, 'PUT', `/api/plans/${plan}`, {
  title: 'Load',
  purpose: 'See what it bears',
  successTest: '',
  segments: [
    {
      kind: 'practice',
      id: segment,
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
    },
  ],
});
console.log(`Making ${students} students with ${sessionsEach} sessions each ...`);
const sessions = [];
for (let n = 0; n < students; n++) {
  const id = randomUUID();
  await must(coach, 'PUT', `/api/students/${id}`, {
    name: `Load ${n}`,
    hand: 'right',
    level: 'improving',
    coachNote: '',
  });
  const { path } = await must(coach, 'POST', `/api/students/${id}/invitations`);
  const student = {};
  await must(student, 'POST', `/api/accounts/invitations/${path.slice('/join/'.length)}/accept`, {
    email: `load-${randomUUID()}@nowhere.example`,
    password: 'a made-up password',
    name: `Load ${n}`,
  });
  const account = (await must(student, 'GET', '/api/accounts/session')).person.accountId;
  for (let s = 0; s < sessionsEach; s++) {
    const assignment = randomUUID();
    await must(coach, 'PUT', `/api/weeks/assignments/${assignment}`, {
      studentId: id,
      planId: plan,
      week: person.week,
      day: person.today,
      requirement: 'must',
    });
    sessions.push({ student, studentId: id, account, assignment });
  }
  await must(coach, 'POST', `/api/weeks/${person.week}/students/${id}/publish`);
}

// Signed in, all at once: what the pool and the server's limits make of it.
for (const path of ['/api/accounts/session', '/api/review/tee-line', `/api/weeks/${person.week}/students/`]) {
  const answers = await Promise.all(
    Array.from({ length: 160 }, (_, i) => call(coach, 'GET', path.endsWith('/') ? path + sessions[i].studentId : path)),
  );
  tell(`160 at once, ${path}`, answers);
}

// More than are let wait: those above are sent away with a word on when to come back.
tell(
  '1500 at once',
  await Promise.all(Array.from({ length: 1500 }, () => call(coach, 'GET', '/api/accounts/session'))),
);

const start = Date.now();
const answers = [];
await Promise.all(
  Array.from({ length: Number(phones) }, async (_, n) => {
    const { student, account, assignment } = sessions[n % sessions.length];
    const log = randomUUID();
    await new Promise((go) => setTimeout(go, (n / Number(phones)) * 10_000));
    for (let attempt = 1; Date.now() - start < Number(seconds) * 1000; attempt++) {
      const next = Date.now() + 10_000;
      const entry = (sequence, more) => ({
        sequence,
        at: new Date(Date.now()).toISOString(),
        segmentId: segment,
        ...more,
      });
      const made = {
        kind: 'answered',
        flowVersion: 1,
        input: { kind: 'choice', attempt, value: attempt % 3 ? 'made' : 'missed' },
      };
      const entries = attempt === 1 ? [entry(1, { kind: 'entered' }), entry(2, made)] : [entry(attempt + 1, made)];
      answers.push(
        await call(student, 'POST', `/api/sessions/logs/${log}/entries`, {
          assignmentId: assignment,
          accountId: account,
          entries,
        }),
      );
      if (answers.at(-1).status >= 400 && answers.filter((a) => a.status >= 400).length === 1)
        console.log(JSON.stringify(answers.at(-1).json));
      await new Promise((go) => setTimeout(go, Math.max(0, next - Date.now())));
    }
  }),
);
tell(`${phones} phones, an attempt each ten seconds, ${seconds} s`, answers);
process.exit(answers.some((a) => a.status === 0 || a.status === 500) ? 1 : 0);
