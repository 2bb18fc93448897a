import { useEffect, useState } from 'react';
import { domainNow } from '../../app/signIn';

/**
 * Minutes since anything was tapped while a clock runs, once they are so many that somebody has to say what they were; nothing
 * otherwise. Looked at when the page is opened and whenever somebody comes back to it, not while it lies in view.
 * @param runningSince The last sign of life of the running clock, in milliseconds; no value while it stands.
 * @param lastAt The time of the last entry.
 * @param askAfter After how many minutes is asked.
 */
export function useSilence(runningSince: number | undefined, lastAt: string | undefined, askAfter: number) {
  const [lookedAt, setLookedAt] = useState(domainNow);
  useEffect(() => {
    const look = () => {
      if (document.visibilityState === 'visible') setLookedAt(domainNow());
    };
    document.addEventListener('visibilitychange', look);
    window.addEventListener('pageshow', look);
    window.addEventListener('focus', look);
    return () => {
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('pageshow', look);
      window.removeEventListener('focus', look);
    };
  }, []);
  const minutes =
    runningSince === undefined || lastAt === undefined
      ? 0
      : Math.floor((lookedAt - Math.max(runningSince, Date.parse(lastAt))) / 60_000);
  return {
    silent: minutes >= askAfter ? minutes : undefined,
    /** It was said what they were; the next silence begins now. */
    answered: () => setLookedAt(domainNow()),
  };
}
