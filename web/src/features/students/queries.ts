import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { studentKeys } from '../../api/queryKeys';

export const useStudents = () =>
  useQuery({ queryKey: studentKeys.all, queryFn: () => answer(api.GET('/api/students')) });

export const useStudent = (id: string, enabled = true) =>
  useQuery({
    queryKey: studentKeys.one(id),
    queryFn: () => answer(api.GET('/api/students/{id}', { params: { path: { id } } })),
    enabled,
  });
