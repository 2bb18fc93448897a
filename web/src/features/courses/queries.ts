import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { courseKeys } from '../../api/queryKeys';
import { sayDeleted } from '../../ui/deleted';

export type Course = Schemas['Course'];
export type Hole = Schemas['Hole'];

export const useCourses = () => useQuery({ queryKey: courseKeys.all, queryFn: () => answer(api.GET('/api/courses')) });

export function useSaveCourse(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ course, version }: { course: Course; version: number | undefined }) =>
      answer(
        api.PUT('/api/courses/{id}', {
          params: { path: { id } },
          body: course,
          headers: version === undefined ? newRow : changesVersion(version),
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: courseKeys.all }),
  });
}

export function useRemoveCourse() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version }: { id: string; name: string; version: number }) =>
      answer(api.DELETE('/api/courses/{id}', { params: { path: { id } }, headers: changesVersion(version) })),
    onSuccess: (_, { id, name }) => {
      sayDeleted('course', id, name);
      return queries.invalidateQueries({ queryKey: courseKeys.all });
    },
  });
}

export function useRefreshCourses() {
  const queries = useQueryClient();
  return () => void queries.invalidateQueries({ queryKey: courseKeys.all });
}
