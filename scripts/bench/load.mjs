// Many at once: 160 calls in the same moment, more than are let wait, and phones that send an attempt each every ten seconds.
import { randomUUID } from 'node:crypto';
import { at, median } from './caller.mjs';
import { attempt, joined } from './school.mjs';

const students = 100;
const sessionsEach = 5;

function tell(name, answers) {
  const took = answers.map((a) => a.took);
  const statuses = [...new Set(answers.map((a) => a.status))].sort((a, b) => a - b);
  const by = statuses.map((status) => `${answers.filter((a) => a.status === status).length} × ${status}`);
  const silent = answers.filter((a) => a.status === 503 && a.retryAfter === undefined).length;
  const failed = answers.filter((a) => a.status === 0 || a.status === 500).length + silent;
  console.log(
    `${name}: ${by.join(', ')}; median ${median(took).toFixed(1)} ms, p95 ${at(took, 0.95).toFixed(1)} ms` +
      (silent > 0 ? `; ${silent} answers of 503 without Retry-After` : ''),
  );
  return failed;
}

/** Loads a server as a busy evening does. How many calls failed in a way they must not. */
export async function measureLoad(school, phones, seconds) {
  console.log(`\nMaking ${students} students with ${sessionsEach} sessions each ...`);
  const sessions = [];
  for (let n = 0; n < students; n++) {
    const student = await joined(school, sessionsEach);
    sessions.push(...student.sessions.map((assignment) => ({ ...student, assignment })));
  }

  let failed = 0;
  const many = (count, path) => Promise.all(Array.from({ length: count }, (_, i) => school.coach.call('GET', path(i))));
  const week = (i) => `/api/weeks/${school.week}/students/${sessions[i].studentId}`;
  failed += tell('160 at once, who is signed in', await many(160, () => '/api/accounts/session'));
  failed += tell('160 at once, tee line', await many(160, () => '/api/review/tee-line'));
  failed += tell('160 at once, weeks', await many(160, week));
  failed += tell('1,500 at once', await many(1500, () => '/api/accounts/session'));

  const start = Date.now();
  const answers = [];
  await Promise.all(
    Array.from({ length: phones }, async (_, n) => {
      const { student, accountId, assignment } = sessions[n % sessions.length];
      const log = randomUUID();
      await new Promise((go) => setTimeout(go, (n / phones) * 10_000));
      for (let sequence = 1; Date.now() - start < seconds * 1000;) {
        const next = Date.now() + 10_000;
        const entries = sequence === 1 ? [attempt(1), attempt(2)] : [attempt(sequence)];
        answers.push(
          await student.call('POST', `/api/sessions/logs/${log}/entries`, {
            assignmentId: assignment,
            accountId,
            entries,
          }),
        );
        sequence += entries.length;
        await new Promise((go) => setTimeout(go, Math.max(0, next - Date.now())));
      }
    }),
  );
  failed += tell(`${phones} phones, an attempt each ten seconds, ${seconds} s`, answers);
  return failed + answers.filter((a) => a.status !== 200).length;
}
