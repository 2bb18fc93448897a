import Dexie, { type Table } from 'dexie';
import type { Schemas } from '../api/client';

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
  /** How many entries there are, and how many of them the server is known to have. */
  count: number;
  sent: number;
  isFinished: boolean;
  /** Why the last try to send failed; nothing after one that did not. */
  problem: { status: number; message: string } | null;
  openedAt: number;
}

export interface KeptEntry {
  localId: string;
  sequence: number;
  entry: Schemas['SessionEntry'];
}

/** An answer of the server, for when there is no signal. */
interface KeptAnswer {
  id: string;
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

const day = 86_400_000;
const answersLast = 21 * day;
const sentLogsLast = 2 * day;

/** What is kept on this device. Everything in it belongs to an account. */
class Phone extends Dexie {
  logs!: Table<KeptLog, string>;
  entries!: Table<KeptEntry, [string, number]>;
  answers!: Table<KeptAnswer, string>;
  people!: Table<KeptPerson, string>;

  constructor() {
    super('morning-round');
    this.version(1).stores({
      logs: 'localId, [accountId+assignmentId], accountId',
      entries: '[localId+sequence], localId',
      answers: 'id, accountId, at',
      people: 'id',
    });
  }
}

export const phone = new Phone();

/** Where a browser keeps nothing (a private window, say), everything still works with a signal. */
export const orNothing = <T>(kept: PromiseLike<T>): Promise<T | undefined> =>
  Promise.resolve(kept).catch(() => undefined);

export const isUnsent = (log: KeptLog) => log.sent < log.count;

export const keepAnswer = (id: string, accountId: string, value: unknown) =>
  orNothing(phone.answers.put({ id, accountId, value, at: Date.now() }));

export const keptAnswer = async <T>(id: string): Promise<T | undefined> =>
  (await orNothing(phone.answers.get(id)))?.value as T | undefined;

/** Leaves no answers of anybody but this account, and none of it that has grown old. Logs that are not sent always stay. */
export async function tidyUp(accountId: string | undefined) {
  await orNothing(phone.answers.filter((a) => a.accountId !== accountId || a.at < Date.now() - answersLast).delete());
  const done = await orNothing(
    phone.logs.filter((l) => l.isFinished && !isUnsent(l) && l.openedAt < Date.now() - sentLogsLast).primaryKeys(),
  );
  for (const localId of done ?? []) await forgetLog(localId);
}

/** Adds entries to the end of a log, making it with the first. Entries under a number already taken are refused. */
export const appendEntries = (log: KeptLog, added: Schemas['SessionEntry'][]) =>
  phone.transaction('rw', phone.logs, phone.entries, async () => {
    const kept = (await phone.logs.get(log.localId)) ?? log;
    await phone.entries.bulkAdd(added.map((entry) => ({ localId: log.localId, sequence: entry.sequence, entry })));
    await phone.logs.put({
      ...kept,
      count: kept.count + added.length,
      isFinished: kept.isFinished || added.some((e) => e.kind === 'finished'),
    });
  });

/** The entries of a log in their order, from one on. */
export const entriesFrom = async (localId: string, first: number, most = Infinity) => {
  const rows = await phone.entries
    .where('[localId+sequence]')
    .between([localId, first], [localId, Dexie.maxKey])
    .limit(most)
    .toArray();
  return rows.map((row) => row.entry);
};

export const forgetLog = (localId: string) =>
  phone.transaction('rw', phone.logs, phone.entries, async () => {
    await phone.entries.where('localId').equals(localId).delete();
    await phone.logs.delete(localId);
  });
