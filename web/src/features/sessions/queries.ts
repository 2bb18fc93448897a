import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type Session = Schemas['SessionView'];

export const useSessionView = (assignmentId: string) =>
  useQuery({
    queryKey: ['sessions', assignmentId],
    queryFn: () => answer(api.GET('/api/sessions/{assignmentId}', { params: { path: { assignmentId } } })),
  });

/** What the server already has of a log that is not finished; asked for only when the phone has nothing of its own. */
export const useEntries = (logId: string | undefined) =>
  useQuery({
    queryKey: ['entries', logId],
    queryFn: () => answer(api.GET('/api/sessions/logs/{logId}/entries', { params: { path: { logId: logId ?? '' } } })),
    enabled: logId !== undefined,
    staleTime: Infinity,
    gcTime: 0,
  });
