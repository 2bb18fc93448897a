import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { sessionKeys } from '../../api/queryKeys';
import { useCachedQuery, useKept } from '../../app/useCachedQuery';

export type Session = Schemas['SessionView'];

const getSession = (assignmentId: string) =>
  answer(api.GET('/api/sessions/{assignmentId}', { params: { path: { assignmentId } } }));

export const useSessionView = (assignmentId: string) =>
  useQuery({ queryKey: sessionKeys.one(assignmentId), queryFn: () => getSession(assignmentId) });

/** A session as the server judges it once the log has arrived; what was known of it before is of no use. */
export const useJudged = (assignmentId: string) =>
  useQuery({
    queryKey: sessionKeys.judged(assignmentId),
    queryFn: () => getSession(assignmentId),
    staleTime: 0,
  });

/** A session to practise from, which is also there without a signal. */
export const useSessionToPractise = (assignmentId: string) =>
  useCachedQuery(sessionKeys.one(assignmentId), () => getSession(assignmentId));

/** Keeps sessions on this device with all that practising needs, before anybody is out of reach. Says whether all are here. */
export function useKeepSessions(assignmentIds: string[]): boolean {
  const kept = useKept(assignmentIds.map((id) => ({ queryKey: sessionKeys.one(id), ask: () => getSession(id) })));
  return kept.every((session) => session !== undefined);
}

/** What the server already has of a log that is not finished; asked for only when the phone has nothing of its own. */
export const useEntries = (logId: string | undefined) =>
  useQuery({
    queryKey: sessionKeys.entries(logId),
    queryFn: () => answer(api.GET('/api/sessions/logs/{logId}/entries', { params: { path: { logId: logId ?? '' } } })),
    enabled: logId !== undefined,
    staleTime: Infinity,
    gcTime: 0,
  });
