import Dexie, { type Table } from 'dexie';
import type { Schemas } from '../api/client';
import { apiVersion } from '../api/version';

/** A log as it is kept on this device until, and after, the server has it. */
export interface KeptLog {
  /** Never changes; the id under which the server knows the log can. */
  localId: string;
  /** Whose log it is. It is sent under no other name. */
  accountId: string;
  ownerName: string;
  assignmentId: string;
  title: string;
  logId: string;
  /** The log of another device that this one goes on from; its entries up to there stand here too, as sent. */
  continues: Schemas['LogBranch'] | null;
  /** How often the server's id of it has changed, so that the newest is known. */
  generation: number;
  /** How many entries there are, and how many of them the server is known to have. */
  count: number;
  sent: number;
  /** What the server said of it that the student should know. */
  told: {
    keptAfterTakenOut: boolean;
    /** No value in what was kept before it was told. */
    changedMeanwhile?: readonly string[];
    fromTwoDevices: boolean;
  };
  /** What was answered about the session and not yet handed in, so that a reload finds it. */
  ratingDraft: RatingDraft | null;
  isFinished: boolean;
  /** Why the last try to send failed; nothing after one that did not. */
  problem: { status: number; message: string } | null;
  openedAt: number;
}

/** Answers about a session while they are given. */
export type RatingDraft = Record<string, unknown>;

export interface KeptEntry {
  localId: string;
  sequence: number;
  entry: Schemas['SessionEntry'];
}

/** An answer of the server, for when there is no signal. */
interface KeptAnswer {
  id: string;
  /** The version of the API it was given in. It is read in no other. */
  api: number;
  accountId: string;
  value: unknown;
  at: number;
}

/** Who was signed in last on this device, and how far the job's clock was from the device's. */
interface KeptPerson {
  id: 'signed-in';
  person: Schemas['PersonView'];
  clockOffset: number;
}

/** What a student said of a session of the week without a signal: it waits on this device until it can be sent. */
export interface WaitingChange {
  /** One waits of each kind for a session; the later one takes the place of the earlier. */
  id: string;
  accountId: string;
  assignmentId: string;
  title: string;
  /** The version of the session that it was said of. */
  version: number;
  said: { kind: 'move'; day: string } | { kind: 'cannot'; reason: Schemas['CannotReason'] | null };
  /** Why the server would not take it; nothing while it waits. */
  refused: string | null;
  at: number;
}

/** A log that began by itself, and of which the server has said nothing. */
export const unbranched = {
  continues: null,
  generation: 0,
  told: { keptAfterTakenOut: false, changedMeanwhile: [] as readonly string[], fromTwoDevices: false },
  ratingDraft: null,
};

const day = 86_400_000;
const answersLast = 21 * day;
const sentLogsLast = 2 * day;

/** What is kept on this device. Everything in it belongs to an account. */
class DeviceStore extends Dexie {
  logs!: Table<KeptLog, string>;
  entries!: Table<KeptEntry, [string, number]>;
  answers!: Table<KeptAnswer, string>;
  people!: Table<KeptPerson, string>;
  changes!: Table<WaitingChange, string>;

  constructor() {
    super('morning-round');
    this.version(1).stores({
      logs: 'localId, [accountId+assignmentId], accountId',
      entries: '[localId+sequence], localId',
      answers: 'id, accountId, at',
      people: 'id',
    });
    this.version(2)
      .stores({})
      .upgrade((tx) =>
        tx
          .table<KeptLog>('logs')
          .toCollection()
          .modify((log) => {
            Object.assign(log, { ...unbranched, ...log });
          }),
      );
    this.version(3).stores({ changes: 'id, accountId' });
  }
}

export const deviceStore = new DeviceStore();

/** How long a browser has to open its store, in milliseconds; one that never answers is gone on without. */
const openWithin = 3_000;

/** Opens the store; when the browser does not answer in time, everything asked of it fails at once from then on. */
export function openDeviceStore(): Promise<boolean> {
  const opened = deviceStore.open().then(
    () => true,
    () => false,
  );
  const gaveUp = new Promise<boolean>((resolve) =>
    setTimeout(() => {
      if (!deviceStore.isOpen()) deviceStore.close({ disableAutoOpen: true });
      resolve(deviceStore.isOpen());
    }, openWithin),
  );
  return Promise.race([opened, gaveUp]);
}

/** Where a browser keeps nothing (a private window, say), everything still works with a signal. */
export const orNothing = <T>(kept: PromiseLike<T>): Promise<T | undefined> =>
  Promise.resolve(kept).catch(() => undefined);

export const isUnsent = (log: KeptLog) => log.sent < log.count;

export const keepAnswer = (id: string, accountId: string, value: unknown) =>
  orNothing(deviceStore.answers.put({ id, api: apiVersion, accountId, value, at: Date.now() }));

export const keptAnswer = async (id: string) => {
  const kept = await orNothing(deviceStore.answers.get(id));
  return kept?.api === apiVersion ? kept : undefined;
};

/** Leaves no answers of anybody but this account, and none of it that has grown old. Logs that are not sent always stay. */
export async function tidyUp(accountId: string | undefined) {
  await orNothing(
    deviceStore.answers
      .filter((a) => a.api !== apiVersion || a.accountId !== accountId || a.at < Date.now() - answersLast)
      .delete(),
  );
  const done = await orNothing(
    deviceStore.logs
      .filter((l) => l.isFinished && !isUnsent(l) && l.openedAt < Date.now() - sentLogsLast)
      .primaryKeys(),
  );
  for (const localId of done ?? []) await forgetLog(localId);
}

/** Another tab has written to a log that this one thought was its own. */
export class TakenError extends Error {}

/**
 * Brings what is kept of a log up to what this tab holds of it, in one go: whatever the device lacks is written, be it the last
 * entry or, after the browser threw its storage away, all of them.
 * @param held The log with all its entries, as the tab has them.
 * @param known How many of them the tab believes to be kept.
 */
export const keepLog = (held: { log: KeptLog; entries: readonly Schemas['SessionEntry'][] }, known: number) =>
  deviceStore.transaction('rw', deviceStore.logs, deviceStore.entries, async () => {
    const { log, entries } = held;
    const kept = await deviceStore.logs.get(log.localId);
    if (kept && kept.count > known) throw new TakenError();
    const there = await deviceStore.entries.where('localId').equals(log.localId).count();
    const from = kept?.count === there ? there : 0;
    await deviceStore.entries.bulkPut(
      entries.slice(from).map((entry) => ({ localId: log.localId, sequence: entry.sequence, entry })),
    );
    await deviceStore.logs.put({
      ...newestOf(kept, log),
      count: entries.length,
      isFinished: entries.some((e) => e.kind === 'finished'),
    });
  });

/** What is known of a log here and in the store: under its newest id, with the most that is known to be sent. */
export function newestOf(kept: KeptLog | undefined, held: KeptLog): KeptLog {
  if (!kept || kept.generation < held.generation) return held;
  return kept.generation > held.generation ? kept : { ...kept, sent: Math.max(kept.sent, held.sent) };
}

/** Opens the store anew, after the browser closed or deleted it under an open page. */
export async function reopen() {
  deviceStore.close();
  await deviceStore.open();
}

/** Changes what is kept of a log, where it is kept. */
export const changeLog = (localId: string, changes: Partial<KeptLog>) =>
  orNothing(deviceStore.logs.update(localId, changes));

/** The entries of a log in their order, from one on. */
export const entriesFrom = async (localId: string, first: number, most = Infinity) => {
  const rows = await deviceStore.entries
    .where('[localId+sequence]')
    .between([localId, first], [localId, Dexie.maxKey])
    .limit(most)
    .toArray();
  return rows.map((row) => row.entry);
};

/**
 * Closes gaps in a log's numbers: what was lost was lost, what came after it moves up, and what undid something lost goes. Says
 * from where on the entries are not what they were; no value where there was no gap.
 */
export function closeGaps(entries: readonly Schemas['SessionEntry'][]): {
  entries: Schemas['SessionEntry'][];
  firstMoved: number | undefined;
} {
  const moved = new Map<number, number>();
  const closed: Schemas['SessionEntry'][] = [];
  let firstMoved: number | undefined;
  for (const entry of entries) {
    const sequence = closed.length + 1;
    let next = { ...entry, sequence };
    if (entry.kind === 'undone' || entry.kind === 'painMended') {
      const of = moved.get(entry.kind === 'undone' ? entry.undoes : entry.mends);
      if (of === undefined) {
        firstMoved ??= sequence;
        continue;
      }
      next = entry.kind === 'undone' ? { ...entry, sequence, undoes: of } : { ...entry, sequence, mends: of };
    }
    if (entry.sequence !== sequence) firstMoved ??= sequence;
    moved.set(entry.sequence, sequence);
    closed.push(next);
  }
  return { entries: closed, firstMoved };
}

/** Writes a log and its entries anew, under the numbers they have now. */
export const rewriteLog = (log: KeptLog, entries: readonly Schemas['SessionEntry'][]) =>
  deviceStore.transaction('rw', deviceStore.logs, deviceStore.entries, async () => {
    await deviceStore.entries.where('localId').equals(log.localId).delete();
    await deviceStore.entries.bulkPut(
      entries.map((entry) => ({ localId: log.localId, sequence: entry.sequence, entry })),
    );
    await deviceStore.logs.put({ ...log, count: entries.length });
  });

export const forgetLog = (localId: string) =>
  deviceStore.transaction('rw', deviceStore.logs, deviceStore.entries, async () => {
    await deviceStore.entries.where('localId').equals(localId).delete();
    await deviceStore.logs.delete(localId);
  });
