import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { testDayKeys, weekViews } from '../../api/queryKeys';
import { useCachedQuery } from '../../app/useCachedQuery';
import { sayDeleted } from '../../ui/deleted';

export type TestView = Schemas['TestDayView'];

const getTestDay = (id: string) => answer(api.GET('/api/test-days/{id}', { params: { path: { id } } }));

export const useTestDays = () =>
  useQuery({ queryKey: testDayKeys.all, queryFn: () => answer(api.GET('/api/test-days')) });

export const useTestDay = (id: string) => useQuery({ queryKey: testDayKeys.one(id), queryFn: () => getTestDay(id) });

/** A test day to score from, which is also there without a signal. */
export const useTestDayToScore = (id: string) => useCachedQuery(testDayKeys.one(id), () => getTestDay(id));

/** A change to test days. Weeks show what was set. */
function useTestDayChange<V, R>(mutationFn: (variables: V) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () =>
      Promise.all([testDayKeys.all, ...weekViews].map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
}

export const useSaveTestDay = (id: string) =>
  useTestDayChange(({ input, version }: { input: Schemas['TestDayInput']; version: number | undefined }) =>
    answer(
      api.PUT('/api/test-days/{id}', {
        params: { path: { id } },
        body: input,
        headers: version === undefined ? newRow : changesVersion(version),
      }),
    ),
  );

export const useRemoveTestDay = (id: string) =>
  useTestDayChange(async ({ name, version }: { name: string; version: number }) => {
    await answer(api.DELETE('/api/test-days/{id}', { params: { path: { id } }, headers: changesVersion(version) }));
    sayDeleted('testDay', id, name);
  });

export const useSetTestDay = (id: string) =>
  useTestDayChange((day: string) =>
    answer(api.POST('/api/test-days/{id}/days', { params: { path: { id } }, body: { day } })),
  );
