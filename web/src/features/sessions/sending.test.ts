import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { KeptLog } from '../../app/deviceStore';
import { FakeServer } from '../../testing/FakeServer';

// The client asks for the address of its page when it is loaded, and the sender listens for the network there.
const page = Object.assign(new EventTarget(), { location: { origin: 'http://127.0.0.1' } });
globalThis.window = page as unknown as typeof window;
globalThis.fetch = (input) => server.fetch(input);
const storeModule = await import('../../app/deviceStore');
const { closeGaps, entriesFrom, isUnsent, keepAnswer, keepLog, keptAnswer, deviceStore, tidyUp, unbranched } =
  storeModule;
const { HeldLog, heldLogs } = await import('./heldLogs');
const { startSending, waitAfter } = await import('./sending');

/** Adds entries to what is kept of a log, as a tab that holds it does. */
async function appendEntries(log: KeptLog, added: ReturnType<typeof entry>[]) {
  const before = await entriesFrom(log.localId, 1);
  await keepLog({ log, entries: [...before, ...added] }, before.length);
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
  ...unbranched,
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
  await Promise.all([deviceStore.logs.clear(), deviceStore.entries.clear(), deviceStore.answers.clear()]);
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
  const kept = await deviceStore.logs.get(localId);
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
  await deviceStore.logs.update('one', { sent: 2 });
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toHaveLength(3);
});

it('makes a log of its own of what another device went on with, from where the two agree', async () => {
  server.logs.set('log-one', [entry(1), { ...entry(2), balls: 40 }]);
  await appendEntries(log('one'), [entry(1), entry(2), entry(3)]);
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toEqual([entry(1), { ...entry(2), balls: 40 }]);
  const own = await deviceStore.logs.get('one');
  expect(own?.logId).not.toBe('log-one');
  expect(own?.continues).toEqual({ logId: 'log-one', sequence: 1 });
  expect(own?.told.fromTwoDevices).toBe(true);
  expect(server.logs.get(own?.logId ?? '')).toEqual([entry(1), entry(2), entry(3)]);
});

it('keeps everything through a sign-in that ran out, says so, and sends it afterwards', async () => {
  await appendEntries(log('one'), [entry(1)]);
  server.mishaps.push('signed out');
  await untilSettled(
    'aki',
    async () => (await deviceStore.logs.get('one'))?.problem?.status === 401 || (await isSent('one')),
  );
  await untilSettled('aki', () => isSent('one'));
  expect((await deviceStore.logs.get('one'))?.problem).toBeNull();
});

it('does not send again by itself what was refused for good, and loses none of it', async () => {
  await appendEntries(log('one'), [entry(1)]);
  server.mishaps.push('refused');
  await untilSettled('aki', async () => (await deviceStore.logs.get('one'))?.problem?.status === 422);
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

it('writes nothing over what another tab has written', async () => {
  await appendEntries(log('one'), [entry(1), entry(2)]);
  await expect(keepLog({ log: log('one'), entries: [entry(1)] }, 1)).rejects.toThrow(storeModule.TakenError);
  expect(await entriesFrom('one', 1)).toEqual([entry(1), entry(2)]);
  expect((await deviceStore.logs.get('one'))?.count).toBe(2);
});

it('closes a gap in its numbers and sends what came after it', async () => {
  await appendEntries(log('one'), [entry(1), entry(2), entry(3), entry(4)]);
  await deviceStore.entries.delete(['one', 3]);
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toEqual([entry(1), entry(2), { ...entry(4), sequence: 3 }]);
});

it('closes gaps so that an undo still undoes what it undid, and goes with what was lost', () => {
  const undo = (sequence: number, undoes: number) => ({ kind: 'undone' as const, sequence, at: entry(1).at, undoes });
  const closed = closeGaps([entry(1), entry(3), undo(4, 3), undo(5, 2), entry(6)]);
  expect(closed.entries).toEqual([entry(1), { ...entry(3), sequence: 2 }, undo(3, 2), { ...entry(6), sequence: 4 }]);
  expect(closed.firstMoved).toBe(2);
  expect(closeGaps([entry(1), entry(2)]).firstMoved).toBeUndefined();
});

it('holds an entry that could not be written, writes it with the next, and sends all in order', async () => {
  const held = new HeldLog(log('one'), [], 0);
  held.add([entry(1)]);
  await vi.waitFor(() => expect(held.snapshot().kept).toBe(1));
  const write = vi.spyOn(deviceStore.entries, 'bulkPut').mockRejectedValueOnce(new Error('quota reached'));
  held.add([entry(2)]);
  await vi.waitFor(() => expect(held.snapshot().storageError?.message).toBe('quota reached'));
  held.add([entry(3)]);
  await vi.waitFor(() => expect(held.snapshot()).toMatchObject({ kept: 3, storageError: undefined }));
  write.mockRestore();
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toEqual([entry(1), entry(2), entry(3)]);
  held.close();
  expect(heldLogs.get('one')).toBeUndefined();
});

it('sends from memory what the device will not keep at all', async () => {
  const write = vi.spyOn(deviceStore.entries, 'bulkPut').mockRejectedValue(new Error('no storage'));
  const held = new HeldLog(log('one'), [], 0);
  stop.push(startSending('aki'));
  held.add([entry(1), entry(2)]);
  await vi.waitFor(() => expect(server.logs.get('log-one')).toEqual([entry(1), entry(2)]));
  expect(held.snapshot()).toMatchObject({ kept: 0, log: { sent: 2 } });
  write.mockRestore();
  held.add([entry(3)]);
  await vi.waitFor(() => expect(held.snapshot().kept).toBe(3));
  await vi.waitFor(() => expect(server.logs.get('log-one')).toHaveLength(3));
  held.close();
});

it('writes everything anew after the store was deleted under the open page', async () => {
  const held = new HeldLog(log('one'), [], 0);
  held.add([entry(1), entry(2)]);
  await vi.waitFor(() => expect(held.snapshot().kept).toBe(2));
  await deviceStore.delete();
  await deviceStore.open();
  held.add([entry(3)]);
  await vi.waitFor(async () => expect(await entriesFrom('one', 1)).toHaveLength(3));
  await untilSettled('aki', () => isSent('one'));
  expect(server.logs.get('log-one')).toEqual([entry(1), entry(2), entry(3)]);
  held.close();
});

it('waits longer after every failure, up to a minute, never under a second, and as long as the server asks', () => {
  const waits = [1, 2, 3, 4, 5, 6, 20].map((failures) => waitAfter(failures, 0.5));
  expect(waits).toEqual([1500, 3000, 6000, 12_000, 24_000, 45_000, 45_000]);
  expect(waitAfter(1, 0)).toBe(1000);
  expect(waitAfter(20, 1)).toBe(60_000);
  expect(waitAfter(1, 0, 30)).toBe(30_000);
  expect(waitAfter(1, 1, 30)).toBe(45_000);
});

it('leaves another person no answers, and everybody what they have not sent', async () => {
  await keepAnswer('aki week', 'aki', { sessions: 3 });
  await keepAnswer('bo week', 'bo', { sessions: 1 });
  await appendEntries(log('one', 'aki'), [entry(1)]);
  await appendEntries(log('two', 'aki'), [entry(1)]);
  await deviceStore.logs.update('two', { sent: 1, isFinished: true });
  await tidyUp('bo');
  expect(await keptAnswer('aki week')).toBeUndefined();
  expect((await keptAnswer('bo week'))?.value).toEqual({ sessions: 1 });
  expect(await deviceStore.logs.toCollection().primaryKeys()).toEqual(['one']);
});
