import { useEffect, useState } from 'react';

type Standing = 'asking' | 'here' | 'elsewhere';

/**
 * Whether this tab, of all tabs of the browser, is the one that works under a name. It becomes so when the other one closes,
 * or when it takes over.
 */
export function useOneTab(name: string): { standing: Standing; takeOver: () => void } {
  const [standing, setStanding] = useState<Standing>('locks' in navigator ? 'asking' : 'here');
  const [takes, setTakes] = useState(false);
  const [timesLost, setTimesLost] = useState(0);
  useEffect(() => {
    // Off localhost a page without HTTPS has no locks; there a log is guarded by the numbers of its entries alone.
    if (!('locks' in navigator)) return;
    const waiting = new AbortController();
    let letGo: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (letGo = resolve));
    const begin = () => {
      if (waiting.signal.aborted) return undefined;
      setStanding('here');
      return held;
    };
    const ask = async () => {
      if (takes) return navigator.locks.request(name, { steal: true }, begin);
      const tried = await navigator.locks.request(name, { ifAvailable: true }, async (lock) => {
        if (lock) await begin();
        return lock ? 'held' : 'taken';
      });
      if (tried === 'held' || waiting.signal.aborted) return undefined;
      setStanding('elsewhere');
      return navigator.locks.request(name, { signal: waiting.signal }, begin);
    };
    ask().catch(() => {
      // This page was left, or another tab took over; then it is waited for.
      if (waiting.signal.aborted) return;
      setTakes(false);
      setTimesLost((n) => n + 1);
      setStanding('elsewhere');
    });
    return () => {
      waiting.abort();
      letGo();
    };
  }, [name, takes, timesLost]);
  return { standing, takeOver: () => setTakes(true) };
}
