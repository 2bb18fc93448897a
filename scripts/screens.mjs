// Measures what the screens ask of a running demo: each call beside the cheapest one, in turns, so that a busy machine is busy
// for both. Prints how many times as long each takes (medians), and its size as sent. Numbers to read, not a test.
//   node scripts/screens.mjs http://127.0.0.1:5080 [rounds]
import { Agent, request } from 'node:http';

const [base, rounds = '40'] = process.argv.slice(2);
if (!base) throw new Error('Which server? For example http://127.0.0.1:5080');
const agent = new Agent({ keepAlive: true });
let cookie;

function call(method, path, body) {
  const from = performance.now();
  return new Promise((done, failed) => {
    const sent = body === undefined ? undefined : JSON.stringify(body);
    const headers = {
      'accept-encoding': 'br',
      ...(sent && { 'content-type': 'application/json' }),
      ...(cookie && { cookie }),
    };
    const asked = request(new URL(path, base), { method, agent, headers }, (answer) => {
      const parts = [];
      answer.on('data', (part) => parts.push(part));
      answer.on('end', () => {
        cookie ??= answer.headers['set-cookie']?.map((c) => c.split(';')[0]).join('; ');
        const bytes = Buffer.concat(parts);
        if (answer.statusCode >= 300) failed(new Error(`${method} ${path}: ${answer.statusCode} ${bytes}`));
        else done({ bytes: bytes.length, took: performance.now() - from });
      });
    });
    asked.on('error', failed);
    asked.end(sent);
  });
}

const read = async (path) => (await fetch(new URL(path, base), { headers: { cookie } })).json();

/** A squad of so many students, made for the measuring. */
async function squadOf(many) {
  const id = crypto.randomUUID();
  const students = await read('/api/students');
  const members = students.slice(0, many).map((s) => s.id);
  const headers = { cookie, 'content-type': 'application/json', 'if-none-match': '*' };
  const body = JSON.stringify({ name: `Measured ${id.slice(0, 4)}`, members });
  await fetch(new URL(`/api/squads/${id}`, base), { method: 'PUT', headers, body });
  return id;
}

await call('POST', '/api/accounts/demo-sign-in', { as: 'coach' });
const { person } = await read('/api/accounts/session');
const { rows } = await read('/api/review/tee-line');
const student = rows.find((row) => row.last)?.student ?? rows[0].student;
const { plans } = await read('/api/plans');
const { plan } = await read(`/api/plans/${plans[0].id}`);
const forty = await squadOf(40);
const week = await read(`/api/weeks/${person.week}/students/${student.id}`);
const [test] = await read('/api/test-days');
const done = rows.find((row) => row.last)?.last?.assignmentId ?? week.sessions[0]?.assignmentId;

const screens = [
  ['tee line', [['GET', '/api/review/tee-line']]],
  [
    'student page',
    [
      ['GET', `/api/weeks/${person.week}/sheet?student=${student.id}`],
      ['GET', `/api/progress/${student.id}`],
      ['GET', `/api/review/students/${student.id}`],
    ],
  ],
  ['stop of the walk', [['GET', `/api/review/stops/${student.id}`]]],
  ['squad’s goals', [['GET', '/api/review/goals']]],
  ...(test ? [['test day', [['GET', `/api/test-days/${test.id}`]]]] : []),
  ['week sheet', [['GET', `/api/weeks/${person.week}/sheet?squad=${forty}`]]],
  ['plans', [['GET', '/api/plans']]],
  ['bench: its plan', [['GET', `/api/plans/${plans[0].id}`]]],
  ['bench: its check', [['POST', '/api/plans/check', { plan, studentId: student.id }]]],
  ['shelf', [['GET', '/api/drills']]],
  ['places', [['GET', '/api/places']]],
  ['session', [['GET', `/api/sessions/${done}`]]],
];

const median = (all) => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)];
const cheapest = [];
const took = new Map(screens.map(([name]) => [name, []]));
const bytes = new Map();
for (let round = -5; round < Number(rounds); round++)
  for (const [name, calls] of screens) {
    const beside = await call('GET', '/api/accounts/session');
    const answers = [];
    for (const of of calls) answers.push(await call(...of));
    // The first rounds warm up.
    if (round < 0) continue;
    cheapest.push(beside.took);
    took.get(name).push(answers.reduce((sum, a) => sum + a.took, 0));
    bytes.set(
      name,
      answers.reduce((sum, a) => sum + a.bytes, 0),
    );
  }

console.log(`cheapest answer: ${median(cheapest).toFixed(2)} ms`);
for (const [name, all] of took) {
  const ratio = (median(all) / median(cheapest)).toFixed(1);
  console.log(`${name.padEnd(18)} ${ratio.padStart(5)} ×  ${(bytes.get(name) / 1000).toFixed(1).padStart(6)} kB`);
}
agent.destroy();
