import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { weekKeys, weekViews } from '../../api/queryKeys';
import { deviceStore, orNothing, type WaitingChange } from '../../app/deviceStore';
import { usePerson } from '../../app/signIn';
import { useCachedQuery, useKept } from '../../app/useCachedQuery';
import { onChangesSent, sendOrKeep } from './waitingChanges';

export type Week = Schemas['WeekView'];
export type Card = Schemas['SessionCard'];

const getWeek = (studentId: string, week: string) =>
  answer(api.GET('/api/weeks/{week}/students/{studentId}', { params: { path: { week, studentId } } }));

/** Keeps a week on this device that nobody looks at yet, and gives it back once it is there. */
export const useKeepWeek = (studentId: string, week: string | undefined) =>
  useKept(
    week === undefined ? [] : [{ queryKey: weekKeys.one(studentId, week), ask: () => getWeek(studentId, week) }],
  )[0];

/** A student's own week, which is also there without a signal. */
export const useMyWeek = (studentId: string, week: string) =>
  useCachedQuery(weekKeys.one(studentId, week), () => getWeek(studentId, week));

const getWarmUps = (studentId: string) =>
  answer(api.GET('/api/plans/warm-ups/{studentId}', { params: { path: { studentId } } }));

/** A student's warm-ups for today and six days on, which are also there without a signal. */
export const useWarmUps = (studentId: string) =>
  useCachedQuery(weekKeys.warmUps(studentId), () => getWarmUps(studentId));

/** Keeps the warm-ups on this device before anybody is out of reach. */
export const useKeepWarmUps = (studentId: string) =>
  useKept([{ queryKey: weekKeys.warmUps(studentId), ask: () => getWarmUps(studentId) }], 240);

/** What the check says of a plan for a student on a day, before it is put there. */
export const useFindingsOn = (studentId: string, week: string, planId: string, day: string | null) =>
  useQuery({
    queryKey: weekKeys.findings(studentId, week, planId, day),
    queryFn: () =>
      answer(
        api.GET('/api/weeks/{week}/students/{studentId}/findings', {
          params: { path: { week, studentId }, query: { planId, ...(day ? { day } : {}) } },
        }),
      ),
  });

/** Weeks and sessions to be printed. */
export const usePaper = (week: string, students: readonly string[]) =>
  useQuery({
    queryKey: weekKeys.paper(week, students),
    queryFn: () =>
      answer(api.POST('/api/weeks/{week}/paper', { params: { path: { week } }, body: { students: [...students] } })),
    enabled: students.length > 0,
  });

/** A session's text, to be changed for its student only. The bench holds it from then on. */
export const useOwnText = (assignmentId: string) =>
  useQuery({
    queryKey: weekKeys.text(assignmentId),
    queryFn: () => answer(api.GET('/api/weeks/assignments/{id}/text', { params: { path: { id: assignmentId } } })),
    staleTime: Infinity,
    gcTime: 0,
  });

/** What a session would be with its plan's latest text. */
export const useLatestText = () =>
  useMutation({
    mutationFn: (assignmentId: string) =>
      answer(api.GET('/api/weeks/assignments/{id}/text/latest', { params: { path: { id: assignmentId } } })),
  });

/** A change to somebody's week. Everything that shows weeks is asked for again. */
export function useWeekChange<V, R>(mutationFn: (variables: V) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    // Without a signal a call fails at once; it must not wait for one.
    networkMode: 'always',
    mutationFn,
    onSettled: () => Promise.all(weekViews.map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
}

/** Says of a session of the student's own week that it moves, or that it cannot be; without a signal that waits. */
export function useSaid() {
  const { accountId } = usePerson();
  return useWeekChange(({ card, said }: { card: Card; said: WaitingChange['said'] }) =>
    sendOrKeep(accountId, card, said),
  );
}

/** What waits on this device to be sent of a session, and what was refused. */
export const useWaiting = (assignmentId: string) =>
  useLiveQuery(
    async () => (await orNothing(deviceStore.changes.where('id').startsWith(assignmentId).toArray())) ?? [],
    [assignmentId],
  ) ?? [];

/** The weeks are asked for again once something that waited was sent. */
export function useRefreshWhenSent() {
  const queries = useQueryClient();
  useEffect(
    () => onChangesSent(() => weekViews.forEach((queryKey) => void queries.invalidateQueries({ queryKey }))),
    [queries],
  );
}

/** Says that the student has seen what changed in a week. */
export const useLooked = (week: string) =>
  useWeekChange(() => answer(api.PUT('/api/weeks/{week}/looked', { params: { path: { week } } })));
