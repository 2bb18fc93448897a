import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { KeptLog } from '../../app/phone';

// The client asks for the address of its page when it is loaded, and the sender listens for the network there.
const page = Object.assign(new EventTarget(), { location: { origin: 'http://127.0.0.1' } });
globalThis.window = page as unknown as typeof window;
globalThis.fetch = (input) => server.fetch(input);
const { appendEntries, entriesFrom, isUnsent, keepAnswer, keptAnswer, phone, tidyUp } = await import('../../app/phone');
const { startSending } = await import('./sending');

/** A server that keeps entries as the real one does: in order, each number once. */
class FakeServer {
  readonly logs = new Map<string, unknown[]>();
  readonly authors = new Set<string>();
  /** What to do to the next calls before, or after, they are kept. */
  readonly mishaps: ('unreachable' | 'answer lost' | 'signed out' | 'refused')[] = [];
  calls = 0;

  readonly fetch = async (input: RequestInfo | URL) => {
    const request = input as Request;
    this.calls++;
    const mishap = this.mishaps.shift();
    if (mishap === 'unreachable') throw new TypeError('fetch failed');
    if (mishap === 'signed out') return this.answer(401, { title: 'Please sign in.' });
    if (mishap === 'refused') return this.answer(422, { title: 'Some of this needs another look.' });
    const logId = request.url.split('/').at(-2) ?? '';
    const body = (await request.json()) as { accountId: string; entries: { sequence: number }[] };
    this.authors.add(body.accountId);
    const kept = this.logs.get(logId) ?? [];
    for (const entry of body.entries) {
      const before = kept[entry.sequence - 1];
      if (before && JSON.stringify(before) !== JSON.stringify(entry))
        return this.answer(409, { title: 'Continued somewhere else.', errors: { 'entries[0].sequence': ['Taken.'] } });
      if (!before && entry.sequence !== kept.length + 1)
        return this.answer(409, { title: 'Entries are missing.', errors: { entries: ['Missing.'] } });
      if (!before) kept.push(entry);
    }
    this.logs.set(logId, kept);
    if (mishap === 'answer lost') throw new TypeError('fetch failed');
    return this.answer(200, { lastSequence: kept.length, log: {} });
  };

  private answer(status: number, body: unknown) {
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
  }
}

const log = (localId: string, accountId = 'aki'): KeptLog => ({
  localId,
  accountId,
  ownerName: accountId,
  assignmentId: 'session',
  title: 'An hour',
  logId: `log-${localId}`,
  count: 0,
  sent: 0,
  isFinished: false,
  problem: null,
  openedAt: 0,
});

const entry = (sequence: number) => ({
  kind: 'counted' as const,
  sequence,
  at: '2026-05-06T09:00:00.000Z',
  segmentId: 'a',
  balls: sequence,
});

let server: FakeServer;
let stop: (() => void)[] = [];

beforeEach(async () => {
  server = new FakeServer();
  vi.stubGlobal('navigator', {});
  await Promise.all([phone.logs.clear(), phone.entries.clear(), phone.answers.clear()]);
});

afterEach(() => {
  for (const end of stop) end();
  stop = [];
  vi.unstubAllGlobals();
});

/** Sends until nothing is left to send or a problem stands; the network coming back shortens the waits. */
async function untilSettled(accountId: string, isSettled: () => Promise<boolean>) {
  stop.push(startSending(accountId));
  await vi.waitFor(
    async () => {
      page.dispatchEvent(new Event('online'));
      expect(await isSettled()).toBe(true);
    },
    { timeout: 5_000, interval: 20 },
  );
}

const isSent = async (localId: string) => {
  const kept = await phone.logs.get(localId);
  return kept !== undefined && !isUnsent(kept);
};

it('sends a log in order, each entry once', async () => {
  await appendEntries(log('one'), [entry(1), entry(2)]);
  await appendEntries(log('one'), [entry(3)]);
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toEqual([entry(1), entry(2), entry(3)]);
});

it('sends again what the server stored but could not confirm, and it is there once', async () => {
  await appendEntries(log('one'), [entry(1), entry(2)]);
  server.mishaps.push('answer lost', 'unreachable');
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toEqual([entry(1), entry(2)]);
  expect(server.calls).toBe(3);
});

it('begins again where the server knows less than it said', async () => {
  await appendEntries(log('one'), [entry(1), entry(2), entry(3)]);
  await phone.logs.update('one', { sent: 2 });
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toHaveLength(3);
});

it('makes a log of its own of what another device went on with', async () => {
  server.logs.set('log-one', [{ ...entry(1), balls: 40 }]);
  await appendEntries(log('one'), [entry(1), entry(2)]);
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toEqual([{ ...entry(1), balls: 40 }]);
  const own = (await phone.logs.get('one'))?.logId ?? '';
  expect(own).not.toBe('log-one');
  expect(server.logs.get(own)).toEqual([entry(1), entry(2)]);
});

it('keeps everything through a sign-in that ran out, says so, and sends it afterwards', async () => {
  await appendEntries(log('one'), [entry(1)]);
  server.mishaps.push('signed out');
  await untilSettled(
    'aki',
    async () => (await phone.logs.get('one'))?.problem?.status === 401 || (await isSent('one')),
  );
  await untilSettled('aki', () => isSent('one'));
  expect((await phone.logs.get('one'))?.problem).toBeNull();
});

it('does not send again by itself what was refused for good, and loses none of it', async () => {
  await appendEntries(log('one'), [entry(1)]);
  server.mishaps.push('refused');
  await untilSettled('aki', async () => (await phone.logs.get('one'))?.problem?.status === 422);
  page.dispatchEvent(new Event('online'));
  await appendEntries(log('two'), [entry(1)]);
  await untilSettled('aki', () => isSent('two'));
  expect(server.logs.has('log-one')).toBe(false);
  expect(await entriesFrom('one', 1)).toEqual([entry(1)]);
});

it('sends nothing under another person’s name', async () => {
  await appendEntries(log('one', 'aki'), [entry(1)]);
  await appendEntries(log('two', 'bo'), [entry(1)]);
  await untilSettled('bo', () => isSent('two'));
  expect([...server.authors]).toEqual(['bo']);
  expect(await isSent('one')).toBe(false);
});

it('refuses a number that is already taken, whole', async () => {
  await appendEntries(log('one'), [entry(1)]);
  await expect(appendEntries(log('one'), [entry(2), entry(1)])).rejects.toThrow();
  expect(await entriesFrom('one', 1)).toEqual([entry(1)]);
  expect((await phone.logs.get('one'))?.count).toBe(1);
});

it('leaves another person no answers, and everybody what they have not sent', async () => {
  await keepAnswer('aki week', 'aki', { sessions: 3 });
  await keepAnswer('bo week', 'bo', { sessions: 1 });
  await appendEntries(log('one', 'aki'), [entry(1)]);
  await appendEntries({ ...log('two', 'aki'), isFinished: true }, [entry(1)]);
  await phone.logs.update('two', { sent: 1 });
  await tidyUp('bo');
  expect(await keptAnswer('aki week')).toBeUndefined();
  expect(await keptAnswer('bo week')).toEqual({ sessions: 1 });
  expect(await phone.logs.toCollection().primaryKeys()).toEqual(['one']);
});
