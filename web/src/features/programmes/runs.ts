import type { Run } from './queries';

/** For whom a programme runs and where it stands. */
export function runInWords(run: Run): string {
  if (run.week !== null) return `${run.name}: week ${run.week} of ${run.weeks}`;
  return run.until === null
    ? `${run.name}: from ${weekInWords(run.start)}`
    : `${run.name}: ended in ${weekInWords(run.until)}`;
}

/** A week such as 2026-W31 as people say it. */
export const weekInWords = (week: string) => `week ${Number(week.slice(6))} of ${week.slice(0, 4)}`;
