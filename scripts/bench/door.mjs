// How long the door takes: two hundred wrong passwords for people who are known and two hundred for people who are not, in
// turns, must take as long; what looking up the sign-in costs every call is the difference between the same call with and
// without a cookie.
import { randomUUID } from 'node:crypto';
import { Caller, median } from './caller.mjs';
import { joined } from './school.mjs';

const times = 200;
const people = 5;

let places = 0;

/** A proxy on this machine is believed: each try comes from somewhere else, and is not held up. */
const fromSomewhere = () => ({ 'X-Forwarded-For': `10.${places >> 16}.${(places >> 8) & 255}.${places++ & 255}` });

const show = (ms) => `${ms.toFixed(2)} ms`;

/** Measures the door, and prints what it found. */
export async function measureDoor(school) {
  const known = [];
  for (let i = 0; i < people; i++) known.push((await joined(school, 0)).email);
  const stranger = new Caller(school.base);
  const unknown = randomUUID();
  const took = { known: [], unknown: [] };
  for (let i = 0; i < times * 2; i++) {
    const isKnown = i % 2 === 0;
    const who = (i >> 1) % people;
    const email = isKnown ? known[who] : `nobody-${unknown}-${who}@door.example`;
    const guess = { email, password: 'guessed words' };
    const tried = await stranger.call('POST', '/api/accounts/sign-in', guess, fromSomewhere());
    if (tried.status !== 401) throw new Error(`the door: ${tried.status} ${JSON.stringify(tried.json)}`);
    took[isKnown ? 'known' : 'unknown'].push(tried.took);
  }
  const [a, b] = [median(took.known), median(took.unknown)];
  console.log(
    `\nA wrong password: known ${show(a)}, unknown ${show(b)}, ${(100 * (b / a - 1)).toFixed(1)} % apart (at most 20)`,
  );

  const looked = { without: [], with: [] };
  for (let i = 0; i < times; i++) {
    looked.with.push((await school.coach.call('GET', '/api/nothing')).took);
    looked.without.push((await stranger.call('GET', '/api/nothing')).took);
  }
  const [c, d] = [median(looked.with), median(looked.without)];
  console.log(
    `A call with nobody signed in ${show(d)}, with somebody ${show(c)}: the sign-in is looked up for ${show(c - d)}`,
  );
}
