import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { answer, api, Problem } from '../../api/client';
import { domainNow, usePerson } from '../../app/session';
import { walk, type Entry, type NewEntry } from './log';

/** A log as it is kept on this phone until, and after, the server has it. */
interface KeptLog {
  logId: string;
  entries: Entry[];
  /** How many of the entries the server is known to have. */
  sent: number;
}

const retryAfter = 4_000;
const atOnce = 200;

/**
 * The log of the session being practised. Every entry is kept on the phone first and sent in order afterwards; a reload finds
 * everything as it was. It is kept under the person's name, so that on a shared phone nobody continues somebody else's.
 */
export function useRunningLog(assignmentId: string, onServer: KeptLog | undefined) {
  const person = usePerson();
  const storageKey = `morning-round-log-${person.accountId}-${assignmentId}`;
  const [log, setLog] = useState<KeptLog>(() => {
    const kept = localStorage.getItem(storageKey);
    return kept ? (JSON.parse(kept) as KeptLog) : (onServer ?? { logId: uuid(), entries: [], sent: 0 });
  });
  const [problem, setProblem] = useState<Problem>();
  const isSending = useRef(false);
  const state = useMemo(() => walk(log.entries), [log.entries]);

  const change = useCallback(
    (next: (old: KeptLog) => KeptLog) =>
      setLog((old) => {
        const changed = next(old);
        localStorage.setItem(storageKey, JSON.stringify(changed));
        return changed;
      }),
    [storageKey],
  );

  const add = useCallback(
    (...added: NewEntry[]) =>
      change((old) => ({
        ...old,
        entries: [
          ...old.entries,
          ...added.map((entry, i) => ({
            ...entry,
            sequence: old.entries.length + 1 + i,
            at: new Date(domainNow()).toISOString(),
          })),
        ],
      })),
    [change],
  );

  const send = useCallback(async () => {
    if (isSending.current || log.sent >= log.entries.length) return;
    isSending.current = true;
    try {
      const view = await answer(
        api.POST('/api/sessions/logs/{logId}/entries', {
          params: { path: { logId: log.logId } },
          body: { assignmentId, entries: log.entries.slice(log.sent, log.sent + atOnce) },
        }),
      );
      setProblem(undefined);
      change((old) => (old.logId === log.logId ? { ...old, sent: view.lastSequence } : old));
    } catch (e) {
      const found = e as Problem;
      setProblem(found);
      // The server knows less than it said: send from the beginning. Or it knows something else: another device went on with
      // this log, so what was done here becomes a log of its own.
      if (found.status === 409 && found.errors['entries']) change((old) => ({ ...old, sent: 0 }));
      else if (found.status === 409) change((old) => ({ ...old, logId: uuid(), sent: 0 }));
    } finally {
      isSending.current = false;
    }
  }, [log, assignmentId, change]);

  useEffect(() => {
    if (log.sent >= log.entries.length) return;
    const refused =
      problem && problem.status >= 400 && problem.status < 500 && problem.status !== 401 && problem.status !== 409;
    if (refused) return;
    const timer = setTimeout(() => void send(), problem ? retryAfter : 0);
    return () => clearTimeout(timer);
  }, [log, problem, send]);

  return {
    logId: log.logId,
    state,
    add,
    unsent: log.entries.length - log.sent,
    problem: log.sent < log.entries.length ? problem : undefined,
    sendAgain: () => setProblem(undefined),
    /** Lets go of the phone's copy once the server has everything. */
    forget: () => localStorage.removeItem(storageKey),
  };
}
