import { liveQuery } from 'dexie';
import { v7 as uuid } from 'uuid';
import { answer, api, Problem } from '../../api/client';
import {
  closeGaps,
  entriesFrom,
  isUnsent,
  orNothing,
  deviceStore,
  rewriteLog,
  type KeptLog,
} from '../../app/deviceStore';
import { realTiming, type Timing } from '../../app/timing';
import { heldLogs, knownOf, noteOf } from './heldLogs';
import type { Entry } from './log';

/** How long is waited after one failure, and after many; the waits double in between, each with some chance in it. */
const firstWait = 2_000;
const longestWait = 60_000;
/** Never more often than this, whatever happens. */
const shortestWait = 1_000;
const atOnce = 200;

/** Sending the same again can only help when the connection, the sign-in or the server was what failed. */
const mayPass = (status: number) => status === 0 || status === 401 || status === 403 || status === 429 || status >= 500;

/** The wait after a number of failures in a row, half of it by chance, so that phones do not come back all at once. */
export function waitAfter(failures: number, chance: number, retryAfter = 0): number {
  const longest = Math.min(longestWait, firstWait * 2 ** (failures - 1));
  return Math.max(shortestWait, retryAfter * 1_000 * (1 + chance / 2), longest * (0.5 + chance / 2));
}

/** What became of a try: everything sent, or something that may pass, after some seconds if the server named them. */
type Outcome = { failed: false } | { failed: true; retryAfter: number };

/**
 * Sends what is known of one person's logs, in order, each entry once, for as long as it runs. One tab of a browser sends at a
 * time. What fails is tried again, ever more seldom, and at once when the network returns or somebody looks at the phone again.
 * Gives back how to stop.
 */
export function startSending(accountId: string, timing: Timing = realTiming): () => void {
  let isOver = false;
  let isBusy = false;
  let isAsked = false;
  let failures = 0;
  let lastTry = -Infinity;
  let timer: unknown;
  let isWaiting = false;

  const isStopped = () => isOver;
  const pump = async () => {
    if (isStopped()) return;
    if (isBusy) {
      isAsked = true;
      return;
    }
    isBusy = true;
    isWaiting = false;
    timing.cancel(timer);
    lastTry = timing.now();
    const outcome = await alone(`morning-round sending ${accountId}`, () => sendAll(accountId, isStopped));
    isBusy = false;
    if (isStopped()) return;
    if (outcome.failed) {
      failures++;
      lastTry = timing.now();
      wait(waitAfter(failures, timing.chance(), outcome.retryAfter));
    } else {
      failures = 0;
      if (isAsked) void pump();
    }
    isAsked = false;
  };

  const wait = (after: number) => {
    timing.cancel(timer);
    isWaiting = true;
    timer = timing.later(() => void pump(), after);
  };

  // What is tapped while a failure is waited out goes with the next try.
  const somethingNew = () => {
    if (!isWaiting) void pump();
  };
  const atOnceAgain = () => {
    failures = 0;
    const since = timing.now() - lastTry;
    if (since >= shortestWait || (!isWaiting && !isBusy)) void pump();
    else wait(shortestWait - since);
  };

  // A try that failed is noted in the log too, which is no reason to try again at once.
  let last = '';
  const signatureOf = (logs: readonly KeptLog[]) => logs.map((log) => `${log.localId} ${log.count}`).join();
  const waiting = liveQuery(async () =>
    signatureOf(await deviceStore.logs.where({ accountId }).filter(isUnsent).toArray()),
  ).subscribe({
    next: (unsent) => {
      if (unsent && unsent !== last) somethingNew();
      last = unsent;
    },
    // A browser that keeps nothing has only what this tab holds.
    error: () => undefined,
  });
  let lastHeld = '';
  const unsubscribe = heldLogs.subscribe(() => {
    const unkept = heldLogs.ofAccount(accountId).map((h) => h.snapshot());
    const now = unkept
      .filter((h) => h.storageError && h.entries.length > h.log.sent)
      .map((h) => `${h.log.localId} ${h.entries.length}`)
      .join();
    if (now && now !== lastHeld) somethingNew();
    lastHeld = now;
  });
  const looked = () => {
    if (document.visibilityState === 'visible') atOnceAgain();
  };
  window.addEventListener('online', atOnceAgain);
  window.addEventListener('morning-round-send', atOnceAgain);
  if (typeof document !== 'undefined') document.addEventListener('visibilitychange', looked);
  return () => {
    isOver = true;
    timing.cancel(timer);
    waiting.unsubscribe();
    unsubscribe();
    window.removeEventListener('online', atOnceAgain);
    window.removeEventListener('morning-round-send', atOnceAgain);
    if (typeof document !== 'undefined') document.removeEventListener('visibilitychange', looked);
  };
}

/** Runs it unless another tab is at it, in which case it counts as failed and is tried again later. */
async function alone(name: string, run: () => Promise<Outcome>): Promise<Outcome> {
  if (!('locks' in navigator)) return run();
  return navigator.locks.request(name, { ifAvailable: true }, async (lock) =>
    lock ? run() : { failed: true as const, retryAfter: 0 },
  );
}

/** Says whether something could not be sent that may pass later. */
async function sendAll(accountId: string, isOver: () => boolean): Promise<Outcome> {
  let outcome: Outcome = { failed: false };
  const kept = (await orNothing(deviceStore.logs.where({ accountId }).filter(isUnsent).sortBy('openedAt'))) ?? [];
  const held = heldLogs.ofAccount(accountId).map((h) => h.snapshot().log.localId);
  // Where one of them is what the server stumbles over, the others come first the next time.
  const inTurn = kept.toSorted((a, b) => Number(a.problem !== null) - Number(b.problem !== null));
  for (const localId of new Set([...inTurn.map((log) => log.localId), ...held])) {
    const before: Outcome = outcome;
    let mended = false;
    for (;;) {
      const next = await nextOf(localId);
      if (isOver() || !next) break;
      // What the server has refused for good is not sent again by itself.
      if (next.log.problem && !mayPass(next.log.problem.status)) break;
      const problem = await send(next.log, next.entries);
      if (!problem) continue;
      if (problem.status === 409 && !mended) {
        // Once a try: a log that is refused again after it was mended waits like any other.
        mended = true;
        await mend(next.log, problem);
        continue;
      }
      await noteOf(localId, { problem: { status: problem.status, message: problem.message } });
      outcome = { failed: true, retryAfter: problem.retryAfter ?? 0 };
      // What keeps one log from being sent keeps the others too; they are not tried in vain.
      if (mayPass(problem.status)) return outcome;
      if (problem.status !== 409) outcome = before;
      break;
    }
  }
  return outcome;
}

/** The next entries of a log to send, from this tab where it holds the log; no value where all of it is sent. */
async function nextOf(localId: string): Promise<{ log: KeptLog; entries: readonly Entry[] } | undefined> {
  const known = await knownOf(localId);
  if (!known || !isUnsent(known.log)) return undefined;
  const { log, held } = known;
  const entries = held
    ? held.entries.slice(log.sent, log.sent + atOnce)
    : await entriesFrom(localId, log.sent + 1, atOnce);
  if (entries.length > 0 && entries.every((entry, i) => entry.sequence === log.sent + 1 + i)) return { log, entries };
  // A gap: something was never written. What there is closes up and goes on.
  const closed = closeGaps(await entriesFrom(localId, 1));
  const mended = {
    ...log,
    sent: Math.min(log.sent, (closed.firstMoved ?? Infinity) - 1),
    count: closed.entries.length,
  };
  await rewriteLog(mended, closed.entries);
  if (!isUnsent(mended)) return undefined;
  return { log: mended, entries: closed.entries.slice(mended.sent, mended.sent + atOnce) };
}

/** Sends entries of a log. Gives back what went wrong; no value when it went well. */
async function send(log: KeptLog, entries: readonly Entry[]): Promise<Problem | undefined> {
  try {
    const view = await answer(
      api.POST('/api/sessions/logs/{logId}/entries', {
        params: { path: { logId: log.logId } },
        body: {
          assignmentId: log.assignmentId,
          accountId: log.accountId,
          entries: [...entries],
          continues: log.continues,
          sentAt: new Date().toISOString(),
        },
      }),
    );
    await noteOf(log.localId, {
      logId: log.logId,
      // Not how far the log goes there: what lies beyond can be another device's, or of a page that forgot it.
      sent: log.sent + entries.length,
      problem: null,
      told: {
        keptAfterTakenOut: view.keptAfterTakenOut,
        changedMeanwhile: view.changedMeanwhile,
        fromTwoDevices: view.fromTwoDevices,
      },
    });
    return undefined;
  } catch (e) {
    return e instanceof Problem ? e : new Problem(0, (e as Error).message);
  }
}

/**
 * The server knows less than it said, or another device went on with this log. In the first case sending goes on from where the
 * log ends there; in the second what was done here becomes a log of its own, which goes on from where the two agree.
 */
async function mend(log: KeptLog, problem: Problem) {
  const end = problem.current as { agreesUpTo: number } | undefined;
  const agrees = end?.agreesUpTo ?? 0;
  if (problem.errors['entries']) {
    await noteOf(log.localId, { sent: agrees });
    return;
  }
  await noteOf(log.localId, {
    logId: uuid(),
    generation: log.generation + 1,
    continues: agrees > 0 ? { logId: log.logId, sequence: agrees } : null,
    sent: agrees,
  });
}

/** Has what is not sent be sent now, whoever does the sending. */
export const askToSend = () => window.dispatchEvent(new Event('morning-round-send'));

/** Lets a log that was refused be sent again, now. */
export async function sendAgain(localId: string) {
  await noteOf(localId, { problem: null });
  askToSend();
}
