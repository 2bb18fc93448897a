import { useInfiniteQuery, useQuery, type QueryKey } from '@tanstack/react-query';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { peopleKeys, reviewKeys, signInKeys, studentKeys } from '../../api/queryKeys';
import { useChange } from './useChange';

export const usePeople = () => useQuery({ queryKey: peopleKeys.all, queryFn: () => answer(api.GET('/api/people')) });

/** The account of a student; null where there is none yet. */
export const useStudentAccount = (studentId: string) =>
  useQuery({
    queryKey: peopleKeys.student(studentId),
    queryFn: () =>
      answer(api.GET('/api/students/{studentId}/account', { params: { path: { studentId } } })).catch((e: unknown) => {
        if (e instanceof Problem && e.status === 404) return null;
        throw e;
      }),
  });

/** The security log, a page at a time, the latest first. */
export const useSecurityLog = () =>
  useInfiniteQuery({
    queryKey: peopleKeys.log,
    queryFn: ({ pageParam }) =>
      answer(api.GET('/api/people/security-log', { params: { query: pageParam ? { older: pageParam } : {} } })),
    initialPageParam: '',
    getNextPageParam: (page) => page.older ?? undefined,
  });

/** Something about somebody else's account; what is shown of people is asked for anew. */
const useTheirChange = <T, R>(change: (input: T) => Promise<R>, ...stale: readonly QueryKey[]) =>
  useChange(change, peopleKeys.all, ...stale);

export const useChangeRole = () =>
  useTheirChange(
    ({ id, role }: { id: string; role: Schemas['AcademyRole'] }) =>
      answer(api.PUT('/api/people/{id}/role', { params: { path: { id } }, body: { role } })),
    signInKeys.all,
  );

export const useChangeState = () =>
  useTheirChange(
    ({ id, ...body }: { id: string; state: Schemas['AccountState']; handTo?: string }) =>
      answer(api.PUT('/api/people/{id}/state', { params: { path: { id } }, body })),
    studentKeys.all,
    studentKeys.coaches,
    reviewKeys.teeLine,
  );

export const useEndTheirSecondStep = () =>
  useTheirChange((id: string) => answer(api.DELETE('/api/people/{id}/second-step', { params: { path: { id } } })));

export const useRevokeInvitation = () =>
  useTheirChange((id: string) => answer(api.DELETE('/api/people/invitations/{id}', { params: { path: { id } } })));

export const useChangeAcademy = () =>
  useTheirChange(
    (body: Schemas['AcademyInput']) => answer(api.PUT('/api/academy', { body })),
    // Which day it is may be another one now.
    signInKeys.all,
  );

export const useChangeStudentState = (studentId: string) =>
  useTheirChange(
    (state: Schemas['AccountState']) =>
      answer(api.PUT('/api/students/{studentId}/account/state', { params: { path: { studentId } }, body: { state } })),
    peopleKeys.student(studentId),
    studentKeys.all,
  );
