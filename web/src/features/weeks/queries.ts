import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, type Schemas } from '../../api/client';
import { weekKeys, weekViews } from '../../api/queryKeys';
import { useCachedQuery, useKept } from '../../app/useCachedQuery';

export type Week = Schemas['WeekView'];
export type Card = Schemas['SessionCard'];

const getWeek = (studentId: string, week: string) =>
  answer(api.GET('/api/weeks/{week}/students/{studentId}', { params: { path: { week, studentId } } }));

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
    mutationFn,
    onSettled: () => Promise.all(weekViews.map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
}

/** Moves a session of the student's own week. */
export const useMove = () =>
  useWeekChange(({ card, day }: { card: Card; day: string }) =>
    answer(
      api.PUT('/api/weeks/assignments/{id}/day', {
        params: { path: { id: card.assignmentId } },
        body: { day },
        headers: changesVersion(card.version),
      }),
    ),
  );

/** Says that the student cannot hold a session, or with no reason that they can after all. */
export const useCannot = () =>
  useWeekChange(({ card, reason }: { card: Card; reason: Schemas['CannotReason'] | null }) =>
    answer(
      api.PUT('/api/weeks/assignments/{id}/cannot', {
        params: { path: { id: card.assignmentId } },
        body: { reason },
        headers: changesVersion(card.version),
      }),
    ),
  );

/** Says that the student has seen what changed in a week. */
export const useLooked = (week: string) =>
  useWeekChange(() => answer(api.PUT('/api/weeks/{week}/looked', { params: { path: { week } } })));
