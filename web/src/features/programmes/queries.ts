import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { programmeKeys, weekViews } from '../../api/queryKeys';
import { sayDeleted } from '../../ui/deleted';

export type Programme = Schemas['Programme'];
export type Slot = Schemas['ProgrammeSlot'];
export type Change = Schemas['SlotChange'];
export type Run = Schemas['ProgrammeRunView'];

export const useProgrammes = () =>
  useQuery({ queryKey: programmeKeys.all, queryFn: () => answer(api.GET('/api/programmes')) });

export const useProgramme = (id: string | undefined) =>
  useQuery({
    queryKey: programmeKeys.one(id),
    queryFn: () => answer(api.GET('/api/programmes/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: id !== undefined,
  });

/** Every week of a programme as it would be, while it is written. */
export const useDrawing = (programme: Programme) =>
  useQuery({
    queryKey: programmeKeys.drawn(programme),
    queryFn: ({ signal }) => answer(api.POST('/api/programmes/draw', { body: programme, signal })),
    placeholderData: (previous) => previous,
    staleTime: Infinity,
    gcTime: 10_000,
  });

/** A change to programmes or for whom they run. Weeks show where they stand. */
function useProgrammeChange<V, R>(mutationFn: (variables: V) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () =>
      Promise.all([programmeKeys.all, ...weekViews].map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
}

export const useSaveProgramme = (id: string) =>
  useProgrammeChange(({ programme, version }: { programme: Programme; version: number | undefined }) =>
    answer(
      api.PUT('/api/programmes/{id}', {
        params: { path: { id } },
        body: programme,
        headers: version === undefined ? newRow : changesVersion(version),
      }),
    ),
  );

export const useRemoveProgramme = () =>
  useProgrammeChange(async ({ id, name, version }: { id: string; name: string; version: number }) => {
    await answer(api.DELETE('/api/programmes/{id}', { params: { path: { id } }, headers: changesVersion(version) }));
    sayDeleted('programme', id, name);
  });

/** Starts a programme for somebody, or ends it. */
export const useSaveRun = () =>
  useProgrammeChange(
    ({ id, version, input }: { id: string; version: number | undefined; input: Schemas['ProgrammeRunInput'] }) =>
      answer(
        api.PUT('/api/programmes/runs/{id}', {
          params: { path: { id } },
          body: input,
          headers: version === undefined ? newRow : changesVersion(version),
        }),
      ),
  );
