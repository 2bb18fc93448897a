import { liveQuery } from 'dexie';
import { v7 as uuid } from 'uuid';
import { answer, api, Problem } from '../../api/client';
import { entriesFrom, isUnsent, phone, type KeptLog } from '../../app/phone';

const retryAfter = 4_000;
const atOnce = 200;

/** Sending the same again can only help when the connection, the sign-in or the server was what failed. */
const mayPass = (status: number) => status === 0 || status === 401 || status === 403 || status === 429 || status >= 500;

/**
 * Sends what is kept of one person's logs, in order, each entry once, for as long as it runs. One tab of a browser sends at a
 * time. Gives back how to stop.
 */
export function startSending(accountId: string): () => void {
  let isOver = false;
  let isBusy = false;
  let isAsked = false;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const pump = async () => {
    if (isBusy) {
      isAsked = true;
      return;
    }
    isBusy = true;
    clearTimeout(timer);
    const failed = await alone(`morning-round sending ${accountId}`, () => sendAll(accountId, () => isOver));
    isBusy = false;
    if (isOver) return;
    if (failed) timer = setTimeout(() => void pump(), retryAfter);
    else if (isAsked) void pump();
    isAsked = false;
  };

  // A try that failed is noted in the log too, which is no reason to try again at once.
  let last = '';
  const waiting = liveQuery(async () => {
    const logs = await phone.logs.where({ accountId }).filter(isUnsent).toArray();
    return logs.map((log) => `${log.localId} ${log.count} ${log.sent}`).join();
  }).subscribe({
    next: (unsent) => {
      if (unsent && unsent !== last) void pump();
      last = unsent;
    },
    // A browser that keeps nothing has nothing to send.
    error: () => undefined,
  });
  const atOnceAgain = () => void pump();
  window.addEventListener('online', atOnceAgain);
  return () => {
    isOver = true;
    clearTimeout(timer);
    waiting.unsubscribe();
    window.removeEventListener('online', atOnceAgain);
  };
}

/** Runs it unless another tab is at it, in which case it counts as failed and is tried again later. */
async function alone(name: string, run: () => Promise<boolean>): Promise<boolean> {
  if (!('locks' in navigator)) return run();
  return navigator.locks.request(name, { ifAvailable: true }, async (lock) => (lock ? run() : true));
}

/** Says whether something could not be sent that may pass later. */
async function sendAll(accountId: string, isOver: () => boolean): Promise<boolean> {
  let failed = false;
  const logs = await phone.logs.where({ accountId }).filter(isUnsent).sortBy('openedAt');
  for (const { localId } of logs) {
    for (;;) {
      const log = await phone.logs.get(localId);
      if (isOver() || !log || !isUnsent(log)) break;
      // What the server has refused for good is not sent again by itself.
      if (log.problem && !mayPass(log.problem.status)) break;
      if (await send(log)) continue;
      failed = true;
      break;
    }
  }
  return failed;
}

/** Sends the next entries of a log. Says whether it went on; what went wrong stands in the log. */
async function send(log: KeptLog): Promise<boolean> {
  try {
    const entries = await entriesFrom(log.localId, log.sent + 1, atOnce);
    const view = await answer(
      api.POST('/api/sessions/logs/{logId}/entries', {
        params: { path: { logId: log.logId } },
        body: { assignmentId: log.assignmentId, accountId: log.accountId, entries },
      }),
    );
    await phone.logs.update(log.localId, { sent: view.lastSequence, problem: null });
    return true;
  } catch (e) {
    const problem = e instanceof Problem ? e : new Problem(0, (e as Error).message);
    if (problem.status === 409) {
      // The server knows less than it said: send from the beginning. Or it knows something else: another device went on with
      // this log, so what was done here becomes a log of its own.
      await phone.logs.update(log.localId, problem.errors['entries'] ? { sent: 0 } : { logId: uuid(), sent: 0 });
      return true;
    }
    await phone.logs.update(log.localId, { problem: { status: problem.status, message: problem.message } });
    return !mayPass(problem.status);
  }
}

/** Lets a log that was refused be sent again. */
export const sendAgain = (localId: string) => phone.logs.update(localId, { problem: null, sent: 0 });
