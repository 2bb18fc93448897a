import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, newRow } from '../../api/client';
import type { Plan } from './draft';

const plansKey = ['plans'];

export const usePlans = () => useQuery({ queryKey: plansKey, queryFn: () => answer(api.GET('/api/plans')) });

export const usePlan = (id: string | undefined) =>
  useQuery({
    queryKey: [...plansKey, id],
    queryFn: () => answer(api.GET('/api/plans/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: id !== undefined,
    // The bench holds the text from here on; fetching it again behind the coach's back would help nobody.
    staleTime: Infinity,
    gcTime: 0,
  });

/** What the server makes of a plan while it is written: one question at a time, the latest wins. */
export const useReading = (plan: Plan) =>
  useQuery({
    queryKey: ['reading', plan],
    queryFn: ({ signal }) => answer(api.POST('/api/plans/check', { body: plan, signal })),
    placeholderData: (previous) => previous,
    staleTime: Infinity,
    gcTime: 10_000,
  });

export function useSavePlan(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ plan, version }: { plan: Plan; version: number | undefined }) =>
      answer(
        api.PUT('/api/plans/{id}', {
          params: { path: { id } },
          body: plan,
          headers: version === undefined ? newRow : changesVersion(version),
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: plansKey, exact: true }),
  });
}

export function useRemovePlan() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => answer(api.DELETE('/api/plans/{id}', { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: plansKey, exact: true }),
  });
}
