import { useQueries, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { sessionKeys } from '../../api/queryKeys';
import { useCachedQuery } from '../../app/useCachedQuery';
import { keepAnswer } from '../../app/deviceStore';
import { usePerson } from '../../app/signIn';

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

/** Keeps sessions on this device with all that practising needs, before anybody is out of reach. */
export function useKeepSessions(assignmentIds: string[]) {
  const { accountId } = usePerson();
  useQueries({
    queries: assignmentIds.map((assignmentId) => ({
      queryKey: sessionKeys.one(assignmentId),
      queryFn: async () => {
        const session = await getSession(assignmentId);
        await keepAnswer([accountId, ...sessionKeys.one(assignmentId)].join(' '), accountId, session);
        return session;
      },
      staleTime: 60_000,
    })),
  });
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
