import { useMutation, useQueryClient, type QueryKey } from '@tanstack/react-query';

/** A change of accounts; what was shown of them is asked for anew. */
export function useChange<T, R>(change: (input: T) => Promise<R>, ...stale: readonly QueryKey[]) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => Promise.all(stale.map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
}
