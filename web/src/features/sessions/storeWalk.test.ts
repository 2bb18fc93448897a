import 'fake-indexeddb/auto';
import { afterEach, expect, it, vi } from 'vitest';
import type { KeptLog } from '../../app/deviceStore';
import type { Timing } from '../../app/timing';
import { FakeServer, type Mishap } from '../../testing/FakeServer';

// Walks a phone's store through whatever can go wrong, from seeds, and compares what the server has with what was tapped.

const page = Object.assign(new EventTarget(), { location: { origin: 'http://127.0.0.1' } });
globalThis.window = page as unknown as typeof window;
globalThis.fetch = (input) => server.fetch(input);
vi.stubGlobal('navigator', {});
const { entriesFrom, deviceStore, unbranched } = await import('../../app/deviceStore');
const { foundLog, HeldLog, heldLogs } = await import('./heldLogs');
const { startSending } = await import('./sending');

const isLong = process.env.MORNING_ROUND_LONG === '1';
const walks = isLong ? 200 : 12;
const first = Number(process.env.FIRST_SEED ?? 1);

let server: FakeServer;

/** A small generator from a seed: mulberry32. */
function chanceFrom(seed: number) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** Time that only moves when it is told to. */
class MadeUpTime implements Timing {
  private at = 0;
  private timers = new Map<number, { due: number; run: () => void }>();
  private next = 1;
  constructor(readonly chance: () => number) {}
  readonly now = () => this.at;
  readonly later = (run: () => void, after: number) => {
    this.timers.set(this.next, { due: this.at + after, run });
    return this.next++;
  };
  readonly cancel = (timer: unknown) => void this.timers.delete(timer as number);
  /** What a page was waiting for when it was left never comes. */
  readonly forget = () => this.timers.clear();
  async pass(milliseconds: number) {
    const end = this.at + milliseconds;
    for (;;) {
      const [id, timer] = [...this.timers].sort(([, a], [, b]) => a.due - b.due)[0] ?? [];
      if (id === undefined || !timer || timer.due > end) break;
      this.timers.delete(id);
      this.at = Math.max(this.at, timer.due);
      timer.run();
      await settled();
    }
    this.at = end;
  }
}

/** Lets everything that does not wait for time come to rest. */
async function settled() {
  for (let i = 0; i < 60; i++) await new Promise((resolve) => setImmediate(resolve));
}

const newLog = (localId: string): KeptLog => ({
  localId,
  accountId: 'aki',
  ownerName: 'Aki',
  assignmentId: 'session',
  title: 'An hour',
  logId: `log-${localId}`,
  count: 0,
  sent: 0,
  isFinished: false,
  problem: null,
  openedAt: 0,
  ...unbranched,
});

afterEach(() => vi.restoreAllMocks());

async function walk(seed: number) {
  const chance = chanceFrom(seed);
  const time = new MadeUpTime(chance);
  server = new FakeServer();
  await Promise.all([deviceStore.logs.clear(), deviceStore.entries.clear()]);
  heldLogs.clear();
  const trials: number[] = [];
  let wasRefused = false;
  server.onCall = (wentWell) => {
    if (wasRefused) trials.push(time.now() - lastCall);
    lastCall = time.now();
    wasRefused = !wentWell;
  };
  let lastCall = 0;
  let failing = 0;
  const put = deviceStore.entries.bulkPut.bind(deviceStore.entries);
  vi.spyOn(deviceStore.entries, 'bulkPut').mockImplementation(((rows: never) => {
    if (failing > 0) {
      failing--;
      return Promise.reject(new Error('The write failed.'));
    }
    return put(rows);
  }) as never);

  const tapped = new Set<number>();
  const maybeLost = new Set<number>();
  let clock = Date.parse('2026-05-06T09:00:00Z');
  let tap = 0;
  let held = new HeldLog(newLog(`phone-${seed}`), [], 0, time);
  let stop = startSending('aki', time);
  const isOnServer = (n: number) => [...server.logs.values()].flat().some((e) => (e as { balls: number }).balls === n);
  const add = (many: number) => {
    const { length } = held.snapshot().entries;
    held.add(
      Array.from({ length: many }, (_, i) => {
        tapped.add(++tap);
        const at = new Date(clock).toISOString();
        return { kind: 'counted' as const, sequence: length + 1 + i, at, segmentId: 'a', balls: tap };
      }),
    );
  };
  /** The page is left and opened again, or another tab takes over: what is on the device is all there is. */
  const reload = async () => {
    stop();
    // A transaction that was begun is finished before the next page reads.
    await settled();
    time.forget();
    held.close();
    const { localId } = held.snapshot().log;
    heldLogs.clear();
    const log = await deviceStore.logs.get(localId);
    const entries = log ? await entriesFrom(localId, 1) : [];
    // What was neither written nor sent when the page went is gone, and the page had said so.
    for (const entry of held.snapshot().entries) {
      const { balls } = entry as { balls: number };
      if (!entries.some((e) => (e as { balls: number }).balls === balls) && !isOnServer(balls)) maybeLost.add(balls);
    }
    held = log ? foundLog(log, entries, time) : new HeldLog(newLog(`phone-${seed}-${tap}`), [], 0, time);
    // Whoever opens the page anew is waiting for it to be sent.
    wasRefused = false;
    stop = startSending('aki', time);
  };

  const mishaps: Mishap[] = ['unreachable', 'answer lost', 'signed out', 'busy'];
  for (let step = 0; step < 40; step++) {
    const what = chance();
    if (what < 0.45) add(1 + Math.floor(chance() * 3));
    else if (what < 0.55) failing = 1 + Math.floor(chance() * 4);
    else if (what < 0.7) server.mishaps.push(mishaps[Math.floor(chance() * mishaps.length)] ?? 'unreachable');
    else if (what < 0.76) await reload();
    else if (what < 0.8) clock += (chance() - 0.5) * 1_000_000_000_000;
    else if (what < 0.85) page.dispatchEvent(new Event('online'));
    else await time.pass(chance() * 20_000);
    if (chance() < 0.6) await settled();
    clock += 1_000;
  }

  failing = 0;
  server.mishaps.length = 0;
  for (let round = 0; round < 6; round++) {
    await settled();
    page.dispatchEvent(new Event('online'));
    await settled();
    await time.pass(120_000);
  }
  await settled();
  stop();
  held.close();
  const arrived = [...server.logs].flatMap(([id, entries]) =>
    entries.slice(server.shared.get(id)).map((e) => (e as { balls: number }).balls),
  );
  return { mustArrive: [...tapped].filter((n) => !maybeLost.has(n) || arrived.includes(n)), arrived, trials };
}

it(
  `loses and doubles nothing on ${walks} walks, and asks at most once a second while it is refused`,
  { timeout: 600_000 },
  async () => {
    for (let seed = first; seed < first + walks; seed++) {
      const { mustArrive, arrived, trials } = await walk(seed);
      expect(
        [...arrived].sort((a, b) => a - b),
        `seed ${seed}`,
      ).toEqual(mustArrive.sort((a, b) => a - b));
      expect(
        trials.filter((after) => after < 1_000),
        `seed ${seed}`,
      ).toEqual([]);
      vi.restoreAllMocks();
    }
  },
);
