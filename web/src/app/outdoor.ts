import { useSyncExternalStore } from 'react';

const key = 'morning-round-outdoor';
const listeners = new Set<() => void>();

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether the high-contrast outdoor look is on, and a way to change it. Kept on this device. */
export function useOutdoor(): [boolean, (on: boolean) => void] {
  const isOn = useSyncExternalStore(subscribe, () => localStorage.getItem(key) === '1');
  return [
    isOn,
    (on) => {
      localStorage.setItem(key, on ? '1' : '0');
      for (const listener of listeners) listener();
    },
  ];
}
