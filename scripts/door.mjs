// How long the door takes: `node scripts/door.mjs http://127.0.0.1:5080`, on a demo. Two hundred wrong passwords for people who
// are known and two hundred for people who are not, in turns, must take as long; what looking up the sign-in costs every call is
// the difference between the same call with and without a cookie. Nothing here holds a budget: it is read.
import { randomUUID } from 'node:crypto';

const base = process.argv[2] ?? 'http://127.0.0.1:5080';
const times = 200;
const people = 5;

const median = (numbers) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];
const show = (ms) => `${ms.toFixed(2)} ms`;

async function call(method, path, { cookie, body, from, headers } = {}) {
  const began = performance.now();
  const response = await fetch(base + path, {
    method,
    headers: {
      Origin: base,
      ...(body && { 'Content-Type': 'application/json' }),
      ...(cookie && { Cookie: cookie }),
      // A proxy on this machine is believed: each try comes from somewhere else, and is not held up.
      ...(from && { 'X-Forwarded-For': from }),
      ...headers,
    },
    body: body && JSON.stringify(body),
  });
  const text = await response.text();
  return { status: response.status, text, ms: performance.now() - began, cookie: cookieOf(response) };
}

const cookieOf = (response) =>
  response.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');

let places = 0;
const somewhere = () => `10.${places >> 16}.${(places >> 8) & 255}.${places++ & 255}`;

const coach = (await call('POST', '/api/accounts/demo-sign-in', { body: { as: 'coach' } })).cookie;
const known = [];
for (let i = 0; i < people; i++) {
  const id = randomUUID();
  const student = { name: `Somebody Made-Up ${i}`, hand: 'right', level: 'improving', coachNote: '' };
  await call('PUT', `/api/students/${id}`, { cookie: coach, body: student, headers: { 'If-None-Match': '*' } });
  const link = JSON.parse((await call('POST', `/api/students/${id}/invitations`, { cookie: coach })).text).path;
  const email = `${id}@door.example`;
  const joining = { email, password: 'a made-up password', name: '', academyName: null, timeZone: 'UTC' };
  await call('POST', `/api/accounts/invitations/${link.split('/').at(-1)}/accept`, {
    body: joining,
    from: somewhere(),
  });
  known.push(email);
}

const unknown = randomUUID();
const took = { known: [], unknown: [] };
for (let i = 0; i < times * 2; i++) {
  const isKnown = i % 2 === 0;
  const who = (i >> 1) % people;
  const email = isKnown ? known[who] : `nobody-${unknown}-${who}@door.example`;
  const tried = await call('POST', '/api/accounts/sign-in', {
    body: { email, password: 'guessed words' },
    from: somewhere(),
  });
  if (tried.status !== 401) throw new Error(`${tried.status}: ${tried.text}`);
  took[isKnown ? 'known' : 'unknown'].push(tried.ms);
}

const [a, b] = [median(took.known), median(took.unknown)];
console.log(`wrong password, known     ${show(a)}, median of ${times}`);
console.log(`wrong password, unknown   ${show(b)}, ${((100 * (b - a)) / a).toFixed(1)} % apart`);

const looked = { without: [], with: [] };
for (let i = 0; i < times * 2; i++) {
  const isWith = i % 2 === 0;
  looked[isWith ? 'with' : 'without'].push((await call('GET', '/api/nothing', isWith ? { cookie: coach } : {})).ms);
}
const [c, d] = [median(looked.with), median(looked.without)];
console.log(`a call, nobody signed in  ${show(d)}`);
console.log(`the same, signed in       ${show(c)}: the sign-in looked up for ${show(c - d)}`);
