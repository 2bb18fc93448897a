import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { guardianKeys, studentKeys } from '../../api/queryKeys';

/** The children of the guardian who is signed in. */
export const useChildren = () =>
  useQuery({ queryKey: guardianKeys.children, queryFn: () => answer(api.GET('/api/guardian/children')) });

export const useChildWeek = (studentId: string, week: string) =>
  useQuery({
    queryKey: guardianKeys.week(studentId, week),
    queryFn: () =>
      answer(api.GET('/api/guardian/children/{studentId}/weeks/{week}', { params: { path: { studentId, week } } })),
  });

/** Takes consent back; what was kept here of the child goes at once. */
export function useWithdraw(studentId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () =>
      answer(api.POST('/api/guardian/children/{studentId}/withdrawal', { params: { path: { studentId } } })),
    onSuccess: () => {
      queries.removeQueries({ queryKey: guardianKeys.weeksOf(studentId) });
      return queries.invalidateQueries({ queryKey: guardianKeys.children });
    },
  });
}

/** The guardians of a student, for a coach. */
export const useGuardians = (studentId: string) =>
  useQuery({
    queryKey: guardianKeys.of(studentId),
    queryFn: () => answer(api.GET('/api/students/{studentId}/guardians', { params: { path: { studentId } } })),
  });

export function useRemoveGuardian(studentId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (accountId: string) =>
      answer(
        api.DELETE('/api/students/{studentId}/guardians/{accountId}', { params: { path: { studentId, accountId } } }),
      ),
    onSuccess: () =>
      Promise.all(
        [guardianKeys.of(studentId), studentKeys.file(studentId)].map((queryKey) =>
          queries.invalidateQueries({ queryKey }),
        ),
      ),
  });
}
