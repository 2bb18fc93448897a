import type { QueryClient, QueryKey } from '@tanstack/react-query';

/**
 * Shows what the server answered to a change. A question that was asked before may be answered after it, by what was there until
 * then: that answer is not waited for.
 */
export async function showAnswer<T>(
  queries: QueryClient,
  queryKey: QueryKey,
  answered: T | ((shown: T | undefined) => T | undefined),
) {
  await queries.cancelQueries({ queryKey, exact: true });
  queries.setQueryData<T>(queryKey, answered);
}
