import { answer, api, changesVersion, Problem } from '../../api/client';
import { deviceStore, orNothing, type WaitingChange } from '../../app/deviceStore';
import type { Card } from './queries';

/** Says to whoever shows weeks that something was sent. */
const sent = new EventTarget();

export function onChangesSent(tell: () => void): () => void {
  sent.addEventListener('sent', tell);
  return () => sent.removeEventListener('sent', tell);
}

/** Sends what was said of a session. */
export function sendChange({ assignmentId, version, said }: Pick<WaitingChange, 'assignmentId' | 'version' | 'said'>) {
  const call = { params: { path: { id: assignmentId } }, headers: changesVersion(version) };
  return said.kind === 'move'
    ? answer(api.PUT('/api/weeks/assignments/{id}/day', { ...call, body: { day: said.day } }))
    : answer(api.PUT('/api/weeks/assignments/{id}/cannot', { ...call, body: { reason: said.reason } }));
}

/** Whether a try failed for a reason that passes: no signal, a sign-in that ran out, a server with too much to do. */
const mayPass = (error: unknown) =>
  !(error instanceof Problem) || [0, 401, 403, 429].includes(error.status) || error.status >= 500;

/** Sends what was said, or keeps it until it can be sent. Nothing where it waits. */
export async function sendOrKeep(
  accountId: string,
  card: Card,
  said: WaitingChange['said'],
): Promise<Card | undefined> {
  const change: WaitingChange = {
    id: `${card.assignmentId} ${said.kind}`,
    accountId,
    assignmentId: card.assignmentId,
    title: card.title,
    version: card.version,
    said,
    refused: null,
    at: Date.now(),
  };
  try {
    const saved = await sendChange(change);
    await orNothing(deviceStore.changes.delete(change.id));
    return saved;
  } catch (error) {
    if (!mayPass(error)) throw error;
    const isKept = await orNothing(deviceStore.changes.put(change).then(() => true));
    if (!isKept) throw error;
    return undefined;
  }
}

/** Takes back what waits, or what was refused and has been read. */
export const dropChange = (id: string) => orNothing(deviceStore.changes.delete(id));

/** Sends what waits, oldest first. Stops at what may pass; what is refused is kept with the reason, until it was read. */
async function sendAll(accountId: string) {
  const waiting = (await orNothing(deviceStore.changes.where({ accountId }).sortBy('at'))) ?? [];
  const versions = new Map<string, number>();
  let any = false;
  for (const change of waiting) {
    if (change.refused !== null) continue;
    try {
      // A second change is made from the session as the first one left it.
      const version = Math.max(change.version, versions.get(change.assignmentId) ?? 0);
      versions.set(change.assignmentId, (await sendChange({ ...change, version })).version);
      await dropChange(change.id);
      any = true;
    } catch (error) {
      if (mayPass(error)) break;
      await orNothing(deviceStore.changes.update(change.id, { refused: (error as Error).message }));
      any = true;
    }
  }
  if (any) sent.dispatchEvent(new Event('sent'));
}

/** After this long a server that would not answer is tried again, in milliseconds. */
const tryAgainAfter = 60_000;

/** Sends one person's waiting changes now, and again whenever there may be a signal. Gives back how to stop. */
export function startSendingChanges(accountId: string): () => void {
  let isBusy = false;
  const send = () => {
    if (isBusy) return;
    isBusy = true;
    void sendAll(accountId).finally(() => (isBusy = false));
  };
  const looked = () => {
    if (document.visibilityState === 'visible') send();
  };
  send();
  const again = setInterval(send, tryAgainAfter);
  window.addEventListener('online', send);
  document.addEventListener('visibilitychange', looked);
  return () => {
    clearInterval(again);
    window.removeEventListener('online', send);
    document.removeEventListener('visibilitychange', looked);
  };
}
