import { queryOptions, useQueries, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { weekKeys } from '../../api/queryKeys';
import { useWeekChange } from './queries';
import type { Whose } from './sheet';

/** How many weeks one call checks. */
const checkedTogether = 40;

/** The sheet of a week. */
export const getSheet = (week: string, whose: Whose, signal?: AbortSignal) =>
  answer(
    api.GET('/api/weeks/{week}/sheet', {
      params: { path: { week }, query: whose },
      ...(signal && { signal }),
    }),
  );

export const useSheet = (week: string, whose: Whose) =>
  useQuery({
    queryKey: weekKeys.sheet(week, whose),
    queryFn: ({ signal }) => getSheet(week, whose, signal),
    placeholderData: (before) => before,
    // Another coach may be at the same sheet.
    refetchInterval: 20_000,
  });

export type SetInput = Schemas['SetInput'];

/** Puts a plan into the weeks of several students. */
export const useSet = (week: string) =>
  useWeekChange((body: SetInput) => answer(api.POST('/api/weeks/{week}/set', { params: { path: { week } }, body })));

export type Checks = ReadonlyMap<string, Schemas['CheckedStudentWeek']>;

/** What the check says of the weeks of some students. */
export const checksOf = (week: string, students: readonly string[]) =>
  queryOptions({
    queryKey: weekKeys.checks(week, students),
    queryFn: () =>
      answer(api.POST('/api/weeks/{week}/check', { params: { path: { week } }, body: { students: [...students] } })),
  });

/** What the check says of every week on the sheet, by student; fills up after the sheet itself is there. */
export function useChecks(week: string, students: readonly string[]): Checks {
  const parts = Array.from({ length: Math.ceil(students.length / checkedTogether) }, (_, i) =>
    students.slice(i * checkedTogether, (i + 1) * checkedTogether),
  );
  const answers = useQueries({ queries: parts.map((part) => checksOf(week, part)) });
  return new Map(answers.flatMap((a) => a.data ?? []).map((one) => [one.studentId, one]));
}
