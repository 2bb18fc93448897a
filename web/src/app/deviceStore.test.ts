import 'fake-indexeddb/auto';
import { afterEach, expect, it, vi } from 'vitest';

afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

it('goes on without a store whose browser never answers', async () => {
  vi.resetModules();
  vi.useFakeTimers();
  vi.spyOn(indexedDB, 'open').mockReturnValue({} as IDBOpenDBRequest);
  const { deviceStore, openDeviceStore, orNothing } = await import('./deviceStore');
  const isOpen = openDeviceStore();
  const kept = orNothing(deviceStore.people.get('signed-in'));
  await vi.advanceTimersByTimeAsync(3_000);
  expect(await isOpen).toBe(false);
  // What waited, and whatever is asked later, is answered with nothing instead of never.
  expect(await kept).toBeUndefined();
  expect(await orNothing(deviceStore.people.get('signed-in'))).toBeUndefined();
});
