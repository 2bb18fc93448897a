import { useState } from 'react';
import type { Ready } from './Readiness';

/** What was said of time, balls and nerves before a session begins: kept while this tab lives, so that a reload loses nothing. */
export function useReadiness(assignmentId: string): [Ready, (ready: Ready) => void] {
  const key = `ready ${assignmentId}`;
  const [ready, setReady] = useState<Ready>(() => {
    try {
      return JSON.parse(sessionStorage.getItem(key) ?? '{}') as Ready;
    } catch {
      return {};
    }
  });
  return [
    ready,
    (now) => {
      setReady(now);
      try {
        sessionStorage.setItem(key, JSON.stringify(now));
      } catch {
        // A device without storage keeps it as long as the page stands.
      }
    },
  ];
}
