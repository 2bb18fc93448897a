import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { reviewKeys, studentKeys, weekKeys } from '../../api/queryKeys';

/** After a change to a student: everything that shows students is asked for again. */
export function useStudentsChanged() {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      [reviewKeys.teeLine, studentKeys.all, weekKeys.all].map((queryKey) => queries.invalidateQueries({ queryKey })),
    );
}

export const useStudents = () =>
  useQuery({ queryKey: studentKeys.all, queryFn: () => answer(api.GET('/api/students')) });

export const useStudent = (id: string, enabled = true) =>
  useQuery({
    queryKey: studentKeys.one(id),
    queryFn: () => answer(api.GET('/api/students/{id}', { params: { path: { id } } })),
    enabled,
  });

/** The squads of the academy, with their members. */
export const useSquads = () =>
  useQuery({ queryKey: studentKeys.squads, queryFn: () => answer(api.GET('/api/squads')) });
