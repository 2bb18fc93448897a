import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { v7 as uuid } from 'uuid';
import { entriesFrom, forgetLog, orNothing, deviceStore, unbranched, type RatingDraft } from '../../app/deviceStore';
import { domainNow, knownOffset, usePerson } from '../../app/signIn';
import { useOneTab } from '../../app/useOneTab';
import { foundLog, HeldLog, heldLogs, noteOf, type Held } from './heldLogs';
import { walk, type Entry, type NewEntry } from './log';
import { askToSend, sendAgain } from './sending';

/** What the server already has of this person's log, for a device that has nothing of its own. */
export interface OnServer {
  logId: string;
  entries: Entry[];
  /** Whether it is over: then it is mended where it is; while it runs, this device goes on from it in a log of its own. */
  isFinished: boolean;
}

const noLog = () => undefined;
const notSubscribed = () => () => undefined;

/**
 * The log of the session being practised. What happens shows at once and is written to this device in the same breath; sending
 * it is somebody else's business. A reload finds everything as it was, and only one tab at a time goes on with it.
 */
export function useRunningLog(session: { assignmentId: string; title: string }, onServer: OnServer | undefined) {
  const person = usePerson();
  const { assignmentId, title } = session;
  const { standing, takeOver } = useOneTab(`morning-round log ${person.accountId} ${assignmentId}`);
  const [opened, setOpened] = useState<HeldLog>();
  const latest = useRef<HeldLog>(undefined);

  const isHere = standing === 'here';
  useEffect(() => {
    if (!isHere) return;
    let isOver = false;
    const load = async () => {
      const log = await open(person, assignmentId, title, onServer);
      if (isOver) {
        log.close();
        return;
      }
      latest.current = log;
      setOpened(log);
      // A tab that closed may have written this without a word to the others.
      const found = log.snapshot();
      if (found.entries.length > found.log.sent) askToSend();
    };
    void load();
    return () => {
      isOver = true;
      latest.current?.close();
      latest.current = undefined;
      setOpened(undefined);
    };
    // What the server has matters for the first look only; from then on this device knows more.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isHere, person.accountId, assignmentId]);

  const held: Held | undefined = useSyncExternalStore(opened?.subscribe ?? notSubscribed, opened?.snapshot ?? noLog);
  const localId = held?.log.localId;
  const kept = useLiveQuery(
    () => orNothing(localId ? deviceStore.logs.get(localId) : Promise.resolve(undefined)),
    [localId],
  );
  const state = useMemo(() => walk(held?.entries ?? []), [held?.entries]);

  const add = (...added: NewEntry[]) => {
    const log = latest.current;
    if (!log) return;
    const { length } = log.snapshot().entries;
    const clockOffset = knownOffset();
    log.add(
      added.map((entry, i) => ({
        ...entry,
        sequence: length + 1 + i,
        at: entry.at ?? new Date(domainNow()).toISOString(),
        ...(clockOffset === undefined ? {} : { clockOffset }),
      })),
    );
  };

  const sent = Math.max(kept?.sent ?? 0, held?.log.sent ?? 0);
  const unsent = (held?.entries.length ?? 0) - sent;
  const isUnkept = held !== undefined && held.kept < held.entries.length && held.storageError !== undefined;
  useEffect(() => {
    if (!isUnkept || unsent === 0) return;
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isUnkept, unsent]);

  return {
    /** Nothing until the log was found on this device or begun. */
    isReady: isHere && held !== undefined,
    isElsewhere: standing === 'elsewhere',
    takeOver,
    state,
    /** The time of the last entry; nothing in an empty log. */
    lastAt: held?.entries.at(-1)?.at,
    add,
    unsent,
    problem: unsent > 0 ? ((kept ?? held?.log)?.problem ?? undefined) : undefined,
    /** What the server said of it that the student should know. */
    told: kept?.told ?? held?.log.told ?? unbranched.told,
    /** Whether this device went on from another. */
    continues: held?.log.continues ?? null,
    /** Set while the device keeps nothing of it. */
    storageError: isUnkept ? held.storageError : undefined,
    ratingDraft: kept?.ratingDraft ?? held?.log.ratingDraft ?? null,
    keepRatingDraft: (ratingDraft: RatingDraft | null) => localId && void noteOf(localId, { ratingDraft }),
    sendAgain: () => localId && void sendAgain(localId),
    /** Lets go of this device's copy once the server has everything. */
    forget: () => {
      if (localId) void orNothing(forgetLog(localId));
    },
  };
}

/** Finds the log on this device, or goes on from the server's, or begins one. */
async function open(
  person: { accountId: string; name: string },
  assignmentId: string,
  title: string,
  onServer: OnServer | undefined,
): Promise<HeldLog> {
  const mine = await orNothing(
    deviceStore.logs.where({ accountId: person.accountId, assignmentId }).sortBy('openedAt'),
  );
  const kept = mine?.at(-1);
  const still = heldLogs.ofAccount(person.accountId).find((h) => h.snapshot().log.assignmentId === assignmentId);
  if (still) return still.comeBack();
  if (kept) return foundLog(kept, await entriesFrom(kept.localId, 1));
  const entries = onServer?.entries ?? [];
  const goesOn = onServer !== undefined && !onServer.isFinished;
  return new HeldLog(
    {
      ...unbranched,
      localId: uuid(),
      accountId: person.accountId,
      ownerName: person.name,
      assignmentId,
      title,
      logId: goesOn || !onServer ? uuid() : onServer.logId,
      continues: goesOn ? { logId: onServer.logId, sequence: entries.length } : null,
      count: entries.length,
      sent: entries.length,
      isFinished: onServer?.isFinished ?? false,
      problem: null,
      openedAt: Date.now(),
    },
    entries,
    0,
  );
}
