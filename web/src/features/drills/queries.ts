import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { drillKeys } from '../../api/queryKeys';
import { sayDeleted } from '../../ui/deleted';

export type Drill = Schemas['Drill'];
export type Protocol = Schemas['ScoringProtocol'];

/** What a coach looks for on the shelf; whatever is left out does not matter. */
export interface Search {
  text?: string | undefined;
  area?: Schemas['Area'] | undefined;
  intent?: Schemas['Intent'] | undefined;
  phase?: Schemas['Phase'] | undefined;
  place?: Schemas['PlaceKind'] | undefined;
  minutes?: number | undefined;
  protocol?: string | undefined;
  /** Names parted by commas; empty when nothing is at hand. */
  atHand?: string | undefined;
}

export const useShelf = (search: Search) =>
  useQuery({
    queryKey: drillKeys.shelf(search),
    queryFn: ({ signal }) => answer(api.GET('/api/drills', { params: { query: search }, signal })),
    placeholderData: (previous) => previous,
  });

export const useDrill = (id: string | undefined) =>
  useQuery({
    queryKey: drillKeys.one(id),
    queryFn: () => answer(api.GET('/api/drills/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: id !== undefined,
  });

/** Every way to score, with sound parameters to begin from. */
export const useProtocols = () =>
  useQuery({
    queryKey: drillKeys.protocols,
    queryFn: () => answer(api.GET('/api/drills/protocols')),
    staleTime: Infinity,
  });

/** What the shelf makes of a drill being written, and the flow to try it by. */
export const useCheck = (trial: Schemas['DrillTrial']) =>
  useQuery({
    queryKey: drillKeys.check(trial),
    queryFn: ({ signal }) => answer(api.POST('/api/drills/check', { body: trial, signal })),
    placeholderData: (previous) => previous,
    gcTime: 10_000,
  });

export function useSaveDrill(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ drill, version }: { drill: Drill; version: number | undefined }) =>
      answer(
        api.PUT('/api/drills/{id}', {
          params: { path: { id } },
          body: drill,
          headers: version === undefined ? newRow : changesVersion(version),
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: drillKeys.all }),
  });
}

export function useRemoveDrill() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version }: { id: string; name: string; version: number }) =>
      answer(api.DELETE('/api/drills/{id}', { params: { path: { id } }, headers: changesVersion(version) })),
    onSuccess: (_, { id, name }) => {
      sayDeleted('drill', id, name);
      return queries.invalidateQueries({ queryKey: drillKeys.shelves });
    },
  });
}
