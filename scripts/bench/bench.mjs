// Measures a running server on one world, and says at the end whether a count was over its budget:
//   node scripts/bench/bench.mjs BASE WORLD rows|all PHONES SECONDS PSQL...
// where PSQL is a command that runs SQL on its database as a superuser. Used by ./bench.
import { coachWithPlan } from './school.mjs';
import { measureDoor } from './door.mjs';
import { measureLoad } from './load.mjs';
import { measurePages } from './pages.mjs';
import { measureRows, showRows } from './rows.mjs';
import { Statements } from './statements.mjs';
import { measureWorst } from './worst.mjs';

const [base, world, what, phones, seconds, ...psql] = process.argv.slice(2);
const school = await coachWithPlan(base);
const rows = await measureRows(school, new Statements(psql));
showRows(world, rows);
const named = (name) => rows.find((row) => row.name === name).took;
const growth = named('the same after 1,000') / named('append one attempt');
console.log(`an append at 1,000 entries takes ${growth.toFixed(2)} × one at 50 (at most 1.5)`);
// For what grows with the world: one run's times beside another's, both beside the cheapest answer of their own.
console.log(
  `progress of 104 weeks: ${rows.find((row) => row.name === 'progress, 104 weeks').ratio.toFixed(2)} × the cheapest`,
);

let isOver = (await measurePages(school, world)) || rows.some((row) => row.isOver);
if (what === 'all') {
  await measureDoor(school);
  isOver = (await measureWorst(school)) || isOver;
  isOver = (await measureLoad(school, Number(phones), Number(seconds))) > 0 || isOver;
}
process.exit(isOver ? 1 : 0);
