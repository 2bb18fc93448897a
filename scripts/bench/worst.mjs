// One student's worst beside everybody else: how much longer other people's calls take while somebody sends the most that is
// taken, eight at once, again and again, from a process of its own.
import { fork } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { Caller, median } from './caller.mjs';
import { attempt, counted, joined, planOf, publish, segmentId } from './school.mjs';

const others = 200;
const atOnce = 8;

/** As many entries as a call takes. */
const batch = 500;

/** And fewer than a log takes. */
const most = 4500;

/** What the worst student asks, each time anew; each lane after its own last call, all of them of one session. */
function worstOf(student, { accountId, session, largest, segment, disputed }, lane) {
  // The segment is that of the process which made the session.
  const send = (logId, made) => {
    const entries = made.map((entry) => (entry.segmentId ? { ...entry, segmentId: segment } : entry));
    return student.call('POST', `/api/sessions/logs/${logId}/entries`, { assignmentId: session, accountId, entries });
  };
  /** A batch of the next entries of a log, and of another one when it holds no more. */
  const next = (made) => {
    let [log, sent] = [randomUUID(), 0];
    return () => {
      if (sent >= most) [log, sent] = [randomUUID(), 0];
      const entries = Array.from({ length: batch }, (_, i) => (sent + i === 0 ? attempt(1) : made(sent + i + 1)));
      sent += batch;
      return send(log, entries);
    };
  };
  let turn = 0;
  // The notes of one session together are bounded.
  const noted = (sequence) => ({ kind: 'rated', note: 'Windy again', sequence, at: counted(sequence).at });
  return {
    'thousands of balls': next(counted),
    'thousands of notes': next(noted),
    'conflicting entries': () => {
      turn++;
      const at = (i) => new Date(Date.UTC(2026, 4, 6, 9, turn % 60, i % 60, lane)).toISOString();
      return send(
        disputed,
        Array.from({ length: batch }, (_, i) => ({ ...(i === 0 ? attempt(1) : counted(i + 1)), at: at(i) })),
      );
    },
    'the largest plan': () => student.call('GET', `/api/sessions/${largest}`),
    'everything of mine': () => student.call('GET', '/api/data-rights/mine/everything.zip'),
  };
}

/** What other people do meanwhile: a mix of what is asked all the time. */
function usual({ coach, week }, other) {
  const calls = [
    () => coach.call('GET', '/api/review/tee-line'),
    () => other.student.call('GET', `/api/weeks/${week}/students/${other.studentId}`),
    () => other.student.call('GET', `/api/sessions/${other.sessions[0]}`),
    () => coach.call('GET', '/api/accounts/session'),
  ];
  return async () => {
    const took = [];
    for (let i = 0; i < others; i++) {
      const answer = await calls[i % calls.length]();
      if (answer.status !== 200) throw new Error(`somebody else got ${answer.status}`);
      took.push(answer.took);
    }
    return median(took);
  };
}

/** Measures each worst; true where others wait more than twice as long. */
export async function measureWorst(school) {
  const other = await joined(school, 1);
  const planId = randomUUID();
  await school.coach.must('PUT', `/api/plans/${planId}`, planOf(40, 5));
  const measure = usual(school, other);
  await measure();
  console.log('\nOne student’s worst, eight at once, beside 200 calls of others');
  let isOver = false;
  for (const name of Object.keys(worstOf(undefined, {}, 0))) {
    const { student, studentId, accountId, sessions } = await joined(school, 1);
    const [largest] = (await publish({ ...school, planId }, studentId, 1)).made;
    const quiet = await measure();
    const asking = fork(fileURLToPath(import.meta.url));
    const ended = new Promise((done) => asking.on('message', done));
    asking.send({
      name,
      base: school.base,
      cookie: student.cookie,
      accountId,
      session: sessions[0],
      largest,
      segment: segmentId,
      disputed: randomUUID(),
    });
    const beside = await measure();
    asking.send('enough');
    const answers = await ended;
    const times = beside / quiet;
    isOver ||= times > 2;
    console.log(
      `${name.padEnd(20)} ${times.toFixed(2).padStart(5)} × (${answers})${times > 2 ? ' MORE THAN TWICE' : ''}`,
    );
  }
  return isOver;
}

/** The process of whoever asks the worst: again and again, and a moment later where it is told to wait. */
async function askTheWorst({ name, base, cookie, ...of }) {
  const student = new Caller(base, cookie);
  const statuses = new Map();
  let isEnough = false;
  process.on('message', () => (isEnough = true));
  const one = async (lane) => {
    const ask = worstOf(student, of, lane)[name];
    while (!isEnough) {
      const answer = await ask();
      const { status } = answer;
      const why = () => answer.json?.detail ?? answer.json?.title ?? '';
      const what = status < 300 || status === 429 ? status : `${status} ${why()}`;
      statuses.set(what, (statuses.get(what) ?? 0) + 1);
      if (status === 429) await new Promise((go) => setTimeout(go, 100));
    }
  };
  await Promise.all(Array.from({ length: atOnce }, (_, lane) => one(lane)));
  process.send([...statuses].map(([status, n]) => `${n} × ${status}`).join(', '), () => process.exit());
}

if (process.send && process.argv[1] === fileURLToPath(import.meta.url)) process.once('message', askTheWorst);
