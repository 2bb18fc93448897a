import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { placeKeys } from '../../api/queryKeys';
import { sayDeleted } from '../../ui/deleted';

export type Place = Schemas['Place'];

export const usePlaces = () => useQuery({ queryKey: placeKeys.all, queryFn: () => answer(api.GET('/api/places')) });

export function useSavePlace(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ place, version }: { place: Place; version: number | undefined }) =>
      answer(
        api.PUT('/api/places/{id}', {
          params: { path: { id } },
          body: place,
          headers: version === undefined ? newRow : changesVersion(version),
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: placeKeys.all }),
  });
}

export function useRemovePlace() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version }: { id: string; name: string; version: number }) =>
      answer(api.DELETE('/api/places/{id}', { params: { path: { id } }, headers: changesVersion(version) })),
    onSuccess: (_, { id, name }) => {
      sayDeleted('place', id, name);
      return queries.invalidateQueries({ queryKey: placeKeys.all });
    },
  });
}

export function useRefreshPlaces() {
  const queries = useQueryClient();
  return () => void queries.invalidateQueries({ queryKey: placeKeys.all });
}
