import type { Schemas } from '../api/client';
import { plusDays } from './format';

const names: Schemas['DayOfWeek'][] = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];

/** The day of the week of a day such as 2026-05-06. */
export const weekdayOf = (day: string): Schemas['DayOfWeek'] =>
  names[new Date(`${day}T12:00:00Z`).getUTCDay()] ?? 'monday';

/** The Monday of the week that holds a day. */
export const mondayOf = (day: string) => plusDays(day, -((new Date(`${day}T12:00:00Z`).getUTCDay() + 6) % 7));

/** The ISO week of a Monday, as the server writes it: numbered by the year that holds its Thursday. */
export function isoWeek(monday: string): string {
  const thursday = new Date(`${plusDays(monday, 3)}T12:00:00Z`);
  const first = Date.UTC(thursday.getUTCFullYear(), 0, 1, 12);
  const week = Math.floor((thursday.getTime() - first) / 604_800_000) + 1;
  return `${thursday.getUTCFullYear()}-W${String(week).padStart(2, '0')}`;
}
