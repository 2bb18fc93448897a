import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { roundKeys, studentKeys } from '../../api/queryKeys';
import { sayRemoved } from '../../ui/deleted';

export type Round = Schemas['Round'];
export type RoundHole = Schemas['RoundHole'];
export type RoundView = Schemas['RoundView'];

/** The latest rounds of a student. */
export const useRounds = (studentId: string, rows: number) =>
  useQuery({
    queryKey: roundKeys.list(studentId, rows),
    queryFn: () => answer(api.GET('/api/rounds/{studentId}', { params: { path: { studentId }, query: { rows } } })),
    placeholderData: keepPreviousData,
  });

/** What a changed round makes stale: the rounds, and the student's file, which says where strokes are lost. */
export function useRefreshRounds(studentId: string) {
  const queries = useQueryClient();
  return () => {
    void queries.invalidateQueries({ queryKey: studentKeys.file(studentId) });
    return queries.invalidateQueries({ queryKey: roundKeys.of(studentId) });
  };
}

export function useSaveRound(studentId: string, id: string) {
  const refresh = useRefreshRounds(studentId);
  return useMutation({
    mutationFn: ({ round, version }: { round: Round; version: number | undefined }) =>
      answer(
        api.PUT('/api/rounds/{studentId}/{id}', {
          params: { path: { studentId, id } },
          body: round,
          headers: version === undefined ? newRow : changesVersion(version),
        }),
      ),
    onSuccess: refresh,
  });
}

export function useRemoveRound(studentId: string) {
  const refresh = useRefreshRounds(studentId);
  return useMutation({
    mutationFn: async ({ id, version, round }: RoundView) => {
      const path = { params: { path: { studentId, id } } };
      await answer(api.DELETE('/api/rounds/{studentId}/{id}', { ...path, headers: changesVersion(version) }));
      sayRemoved(round.course || 'Round', () =>
        answer(api.PUT('/api/rounds/{studentId}/{id}', { ...path, body: round, headers: newRow })),
      );
    },
    onSuccess: refresh,
  });
}
