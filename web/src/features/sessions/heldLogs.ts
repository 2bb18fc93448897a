import { v7 as uuid } from 'uuid';
import {
  changeLog,
  closeGaps,
  entriesFrom,
  keepLog,
  newestOf,
  deviceStore,
  reopen,
  TakenError,
  type KeptLog,
} from '../../app/deviceStore';
import { realTiming, type Timing } from '../../app/timing';
import type { Entry } from './log';

const retryFirst = 1_000;
const retryMost = 20_000;

/** A log as a tab holds it. */
export interface Held {
  log: KeptLog;
  entries: readonly Entry[];
  /** How many of the entries are written to the device. */
  kept: number;
  /** Why the device keeps nothing at the moment; no value while it does. */
  storageError: Error | undefined;
}

/**
 * The log that this tab practises, held in memory: what was tapped is here first, and stays here until the device has it and the
 * server too. A write that fails is tried again, with everything that has come since; meanwhile it is sent from here.
 */
export class HeldLog {
  private held: Held;
  private readonly listeners = new Set<() => void>();
  private isWriting = false;
  private isClosed = false;
  private timer: unknown;
  private wait = retryFirst;

  constructor(
    log: KeptLog,
    entries: readonly Entry[],
    kept: number,
    private readonly timing: Timing = realTiming,
  ) {
    this.held = { log, entries, kept, storageError: undefined };
    open.set(log.localId, this);
    if (kept < entries.length) void this.write();
  }

  readonly snapshot = () => this.held;

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  add(entries: readonly Entry[]) {
    this.change({ entries: [...this.held.entries, ...entries] });
    void this.write();
  }

  /** What the sender learned of the log. */
  note(changes: Partial<KeptLog>) {
    this.change({ log: { ...this.held.log, ...changes } });
  }

  /** Goes on with it where its page was left before all of it was written. */
  comeBack() {
    this.isClosed = false;
    return this;
  }

  /** Lets go of it when its page is left; what is not written stays held until it is. */
  close() {
    this.isClosed = true;
    this.forgetWhenDone();
  }

  /** Writes what is not written. One write at a time; what comes in between goes with the next. */
  private async write() {
    this.timing.cancel(this.timer);
    if (this.isWriting) return;
    this.isWriting = true;
    while (this.held.kept < this.held.entries.length) {
      const { log, entries, kept } = this.held;
      try {
        await keepLog({ log, entries }, kept);
        this.wait = retryFirst;
        this.change({ kept: entries.length, storageError: undefined });
      } catch (e) {
        if (e instanceof TakenError) {
          await this.rebase().catch(() => undefined);
          continue;
        }
        this.change({ storageError: e as Error });
        // The browser may have closed or deleted the store under this page; then it is opened anew, and everything written.
        await reopen().catch(() => undefined);
        this.change({ kept: (await deviceStore.logs.get(log.localId).catch(() => undefined))?.count ?? 0 });
        this.timer = this.timing.later(() => void this.write(), this.wait);
        this.wait = Math.min(retryMost, this.wait * 2);
        break;
      }
    }
    this.isWriting = false;
    this.forgetWhenDone();
  }

  /** Another tab wrote on in the meantime: what was done here comes after what was done there. */
  private async rebase() {
    const { log, entries } = this.held;
    const theirs = await entriesFrom(log.localId, 1);
    const kept = await deviceStore.logs.get(log.localId);
    let shared = 0;
    while (shared < theirs.length && JSON.stringify(theirs[shared]) === JSON.stringify(entries[shared])) shared++;
    // Added now, an entry of this tab has no number that theirs did not leave free.
    this.change({
      log: newestOf(kept, log),
      entries: [...theirs, ...after(theirs.length, this.held.entries.slice(shared), shared)],
      kept: theirs.length,
    });
  }

  private forgetWhenDone() {
    if (this.isClosed && this.held.kept === this.held.entries.length) open.delete(this.held.log.localId);
  }

  private change(changes: Partial<Held>) {
    this.held = { ...this.held, ...changes };
    for (const listener of [...this.listeners, ...everywhere]) listener();
  }
}

/** Entries under the numbers that follow; what they undo or mend among themselves moves with them. */
const after = (last: number, entries: readonly Entry[], shared: number): Entry[] =>
  entries.map((entry, i) => {
    const moved = (of: number) => (of > shared ? of - shared + last : of);
    const sequence = last + 1 + i;
    if (entry.kind === 'undone') return { ...entry, sequence, undoes: moved(entry.undoes) };
    if (entry.kind === 'painMended') return { ...entry, sequence, mends: moved(entry.mends) };
    return { ...entry, sequence };
  });

const open = new Map<string, HeldLog>();
const everywhere = new Set<() => void>();

/** The logs that this tab holds. */
export const heldLogs = {
  /** Forgets them all, as a reload does. */
  clear: () => open.clear(),
  get: (localId: string) => open.get(localId),
  ofAccount: (accountId: string) => [...open.values()].filter((h) => h.snapshot().log.accountId === accountId),
  /** Tells of every change of any log held. */
  subscribe: (listener: () => void) => {
    everywhere.add(listener);
    return () => everywhere.delete(listener);
  },
};

/**
 * A log as it is found on the device when its page is opened: gaps closed, and where the server knows more of it than the device
 * (it was sent from memory, and never written), going on from what both know in a log of its own.
 */
export function foundLog(found: KeptLog, there: readonly Entry[], timing?: Timing): HeldLog {
  const { entries, firstMoved } = closeGaps(there);
  const sent = Math.min(found.sent, (firstMoved ?? Infinity) - 1);
  const isAsKept = firstMoved === undefined && found.count === entries.length;
  const log = { ...found, sent, count: entries.length };
  if (sent <= entries.length) return new HeldLog(log, entries, isAsKept ? entries.length : 0, timing);
  const branch = {
    logId: uuid(),
    generation: log.generation + 1,
    continues: entries.length > 0 ? { logId: log.logId, sequence: entries.length } : null,
    sent: entries.length,
  };
  void changeLog(log.localId, branch);
  return new HeldLog({ ...log, ...branch }, entries, isAsKept ? entries.length : 0, timing);
}

/** Notes something about a log wherever it is known: in this tab, on the device, or both. */
export async function noteOf(localId: string, changes: Partial<KeptLog>) {
  heldLogs.get(localId)?.note(changes);
  await changeLog(localId, changes);
}

/** What is known of a log: as this tab holds it, else as the device keeps it. */
export async function knownOf(localId: string): Promise<{ log: KeptLog; held: Held | undefined } | undefined> {
  const held = heldLogs.get(localId)?.snapshot();
  const kept = await deviceStore.logs.get(localId).catch(() => undefined);
  if (held) return { log: { ...newestOf(kept, held.log), count: held.entries.length }, held };
  return kept && { log: kept, held: undefined };
}
