import { useSyncExternalStore } from 'react';
import { localStore } from './localStore';

const key = 'morning-round-outdoor';
/** What was chosen on this page, for a browser that keeps nothing. */
let heldOnPage: string | undefined;
const listeners = new Set<() => void>();

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether the high-contrast outdoor look is on, and a way to change it. Kept on this device. */
export function useOutdoor(): [boolean, (on: boolean) => void] {
  const isOn = useSyncExternalStore(subscribe, () => (heldOnPage ?? localStore.get(key)) === '1');
  return [
    isOn,
    (on) => {
      heldOnPage = on ? '1' : '0';
      localStore.set(key, heldOnPage);
      for (const listener of listeners) listener();
    },
  ];
}
