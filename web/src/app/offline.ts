import { useSyncExternalStore } from 'react';

/** What is known of the copy of the application that this device keeps. */
interface Kept {
  /** Whether it is here, so that everything opens without a signal. */
  isHere: boolean;
  /** Loads a newer version; no value where there is none. */
  renew: (() => void) | undefined;
}

let kept: Kept = { isHere: false, renew: undefined };
const listeners = new Set<() => void>();

function know(part: Partial<Kept>) {
  kept = { ...kept, ...part };
  listeners.forEach((tell) => tell());
}

const subscribe = (tell: () => void) => {
  listeners.add(tell);
  return () => void listeners.delete(tell);
};

export const useKeptApplication = (): Kept => useSyncExternalStore(subscribe, () => kept);

/**
 * Keeps the application itself on the device. A new version waits until somebody asks for it, or until every tab of the old one
 * is closed: nobody's practice is interrupted.
 */
export async function keepApplication() {
  const registration = await navigator.serviceWorker.register('/sw.js');
  void navigator.serviceWorker.ready.then(() => know({ isHere: true }));
  const offer = (worker: ServiceWorker | null) => {
    if (!worker || !navigator.serviceWorker.controller) return;
    know({
      renew: () => {
        navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true });
        worker.postMessage({ type: 'SKIP_WAITING' });
      },
    });
  };
  offer(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const worker = registration.installing;
    worker?.addEventListener('statechange', () => worker.state === 'installed' && offer(worker));
  });
}
