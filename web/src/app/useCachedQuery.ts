import { useQueries, useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { Problem } from '../api/client';
import { keepAnswer, keptAnswer } from './deviceStore';
import { usePerson } from './signIn';

/** The server's refusals that nothing kept can stand in for. */
const isFinal = (error: Error | null) => error instanceof Problem && (error.status === 403 || error.status === 404);

/**
 * Asks the server, and shows what is kept on this device until it answers, or when it cannot be reached. Nothing waits for the
 * network once the same was asked before.
 */
export function useCachedQuery<T>(queryKey: readonly string[], ask: () => Promise<T>) {
  const { accountId } = usePerson();
  const id = [accountId, ...queryKey].join(' ');
  const kept = useLiveQuery(async () => ({ answer: await keptAnswer(id) }), [id]);
  const query = useQuery({
    queryKey,
    // Without a signal a call fails at once, and what is kept is shown; it must not wait for a signal.
    networkMode: 'always',
    // What was just practised has changed it; what is kept is shown until the answer is there.
    refetchOnMount: 'always',
    queryFn: async () => {
      const data = await ask();
      await keepAnswer(id, accountId, data);
      return data;
    },
  });
  const data = query.data ?? (isFinal(query.error) ? undefined : (kept?.answer?.value as T | undefined));
  return {
    data,
    error: data === undefined && kept ? query.error : null,
    isPending: data === undefined && (!kept || query.isPending),
    /** When what is shown was heard from the server, in milliseconds, once the server could not be reached; else nothing. */
    asOf:
      query.failureCount === 0 && !query.error
        ? undefined
        : query.data !== undefined
          ? query.dataUpdatedAt
          : kept?.answer?.at,
    refetch: query.refetch,
  };
}

/** Keeps answers on this device that nobody looks at yet; what is older than so many minutes is asked for again. */
export function useKept<T>(
  answers: { queryKey: readonly string[]; ask: () => Promise<T> }[],
  freshMinutes = 1,
): (T | undefined)[] {
  const { accountId } = usePerson();
  return useQueries({
    queries: answers.map(({ queryKey, ask }) => ({
      queryKey,
      queryFn: async () => {
        const data = await ask();
        await keepAnswer([accountId, ...queryKey].join(' '), accountId, data);
        return data;
      },
      staleTime: freshMinutes * 60_000,
    })),
  }).map((query) => query.data);
}
