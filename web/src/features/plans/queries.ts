import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { v7 as uuid } from 'uuid';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { planKeys } from '../../api/queryKeys';
import type { Plan } from './benchState';
import { sayDeleted } from '../../ui/deleted';

/** In which order plans are listed. */
export type PlanOrder = 'changed' | 'used' | 'minutes' | 'title';

export interface PlanSearch {
  text: string;
  area: Schemas['Area'] | '';
  order: PlanOrder;
}

/** The plans that are searched for, page after page. What was found before stands until the answer is there. */
export const usePlans = (search: PlanSearch) =>
  useInfiniteQuery({
    queryKey: planKeys.list(search),
    queryFn: ({ pageParam, signal }) =>
      answer(api.GET('/api/plans', { params: { query: { ...search, page: pageParam } }, signal })),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => (last.hasMore ? pages.length : undefined),
    placeholderData: (previous) => previous,
  });

export const usePlan = (id: string | undefined) =>
  useQuery({
    queryKey: planKeys.one(id),
    queryFn: () => answer(api.GET('/api/plans/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: id !== undefined,
    // The bench holds the text from here on; fetching it again behind the coach's back would help nobody.
    staleTime: Infinity,
    gcTime: 0,
  });

/** Who a plan is written for: the check and the drafts ask with it. */
export interface For {
  studentId: string | null;
  /** The whole squad is to practise it. */
  isSquad: boolean;
}

/** What the server makes of a plan while it is written: one question at a time, the latest wins. */
export const useCheck = (plan: Plan, { studentId, isSquad }: For) =>
  useQuery({
    queryKey: planKeys.check(plan, studentId, isSquad),
    queryFn: ({ signal }) =>
      answer(api.POST('/api/plans/check', { body: { plan, studentId, isForSquad: isSquad }, signal })),
    placeholderData: (previous) => previous,
    staleTime: Infinity,
    gcTime: 10_000,
  });

export const usePlanContext = (studentId: string | null) =>
  useQuery({
    queryKey: planKeys.context(studentId),
    queryFn: () =>
      answer(api.GET('/api/plans/context/{studentId}', { params: { path: { studentId: studentId ?? '' } } })),
    enabled: studentId !== null,
  });

export const useFix = () =>
  useMutation({
    mutationFn: (body: Schemas['PlanFixInput']) => answer(api.POST('/api/plans/fix', { body })),
  });

export const useDraftOne = () =>
  useMutation({
    mutationFn: (body: Schemas['PlanDraftInput']) => answer(api.POST('/api/plans/draft', { body })),
  });

export const useTemplates = () =>
  useQuery({
    queryKey: planKeys.templates,
    queryFn: () => answer(api.GET('/api/plans/templates')),
    staleTime: Infinity,
  });

/** Saves a new plan, and says under which id. */
export function useAddPlan() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (plan: Plan) => {
      const id = uuid();
      await answer(api.PUT('/api/plans/{id}', { params: { path: { id } }, body: plan, headers: newRow }));
      return id;
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: planKeys.lists }),
  });
}

/** Writes a plan over a version of it, or for the first time. */
export function useSavePlan(id: string) {
  const queries = useQueryClient();
  return async (plan: Plan, version: number | undefined) => {
    const saved = await answer(
      api.PUT('/api/plans/{id}', {
        params: { path: { id } },
        body: plan,
        headers: version === undefined ? newRow : changesVersion(version),
      }),
    );
    void queries.invalidateQueries({ queryKey: planKeys.lists });
    return saved;
  };
}

export function useRemovePlan() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version }: { id: string; name: string; version: number }) =>
      answer(api.DELETE('/api/plans/{id}', { params: { path: { id } }, headers: changesVersion(version) })),
    onSuccess: (_, { id, name }) => {
      sayDeleted('plan', id, name);
      return queries.invalidateQueries({ queryKey: planKeys.lists });
    },
  });
}
