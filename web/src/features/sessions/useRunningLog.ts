import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { appendEntries, entriesFrom, forgetLog, orNothing, phone, type KeptLog } from '../../app/phone';
import { domainNow, usePerson } from '../../app/session';
import { useOneTab } from '../../app/useOneTab';
import { walk, type Entry, type NewEntry } from './log';
import { sendAgain } from './sending';

/** What the server already has of this person's log, for a device that has nothing of its own. */
export interface OnServer {
  logId: string;
  entries: Entry[];
}

/** A log with its entries, as this tab holds them. */
interface Held {
  log: KeptLog;
  entries: Entry[];
}

/**
 * The log of the session being practised. What happens shows at once and is written to this device in the same breath; sending
 * it is somebody else's business. A reload finds everything as it was, and only one tab at a time goes on with it.
 */
export function useRunningLog(session: { assignmentId: string; title: string }, onServer: OnServer | undefined) {
  const person = usePerson();
  const { assignmentId, title } = session;
  const { standing, takeOver } = useOneTab(`morning-round log ${person.accountId} ${assignmentId}`);
  const [held, setHeld] = useState<Held>();
  const [storageError, setStorageError] = useState<Error>();
  const writing = useRef<Promise<unknown>>(Promise.resolve());
  const latest = useRef<Held>(undefined);
  const show = (next: Held | undefined) => {
    latest.current = next;
    setHeld(next);
  };

  const isHere = standing === 'here';
  useEffect(() => {
    if (!isHere) return;
    let isOver = false;
    const load = async () => {
      const kept = await orNothing(phone.logs.where({ accountId: person.accountId, assignmentId }).first());
      const log = kept ?? newLog(person, assignmentId, title, onServer);
      const entries = kept ? await entriesFrom(kept.localId, 1) : (onServer?.entries ?? []);
      if (!kept && onServer) {
        await orNothing(phone.logs.put({ ...log, count: 0 }).then(() => appendEntries(log, entries)));
      }
      if (!isOver) show({ log, entries });
    };
    void load();
    return () => {
      isOver = true;
    };
    // What the server has matters for the first look only; from then on this device knows more.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isHere, person.accountId, assignmentId]);

  const localId = held?.log.localId;
  const kept = useLiveQuery(() => orNothing(localId ? phone.logs.get(localId) : Promise.resolve(undefined)), [localId]);
  const state = useMemo(() => walk(held?.entries ?? []), [held?.entries]);

  const add = (...added: NewEntry[]) => {
    const before = latest.current;
    if (!before) return;
    const numbered = added.map((entry, i) => ({
      ...entry,
      sequence: before.entries.length + 1 + i,
      at: entry.at ?? new Date(domainNow()).toISOString(),
    })) as Entry[];
    show({ ...before, entries: [...before.entries, ...numbered] });
    writing.current = writing.current
      .then(() => appendEntries(before.log, numbered))
      .catch((e: unknown) => setStorageError(e as Error));
  };

  const sent = kept?.sent ?? held?.log.sent ?? 0;
  const unsent = (held?.entries.length ?? 0) - sent;
  return {
    /** Nothing until the log was found on this device or begun. */
    isReady: isHere && held !== undefined,
    isElsewhere: standing === 'elsewhere',
    takeOver,
    state,
    add,
    unsent,
    problem: unsent > 0 ? (kept?.problem ?? undefined) : undefined,
    storageError,
    sendAgain: () => localId && void sendAgain(localId),
    /** Lets go of this device's copy once the server has everything. */
    forget: () => localId && void writing.current.then(() => forgetLog(localId)),
  };
}

const newLog = (
  person: { accountId: string; name: string },
  assignmentId: string,
  title: string,
  onServer: OnServer | undefined,
): KeptLog => ({
  localId: uuid(),
  accountId: person.accountId,
  ownerName: person.name,
  assignmentId,
  title,
  logId: onServer?.logId ?? uuid(),
  count: 0,
  sent: onServer?.entries.length ?? 0,
  isFinished: false,
  problem: null,
  openedAt: Date.now(),
});
