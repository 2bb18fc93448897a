import type { Schemas } from '../../api/client';

const names: Schemas['DayOfWeek'][] = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];

/** The day of the week of a day such as 2026-05-06. */
export const weekdayOf = (day: string): Schemas['DayOfWeek'] =>
  names[new Date(`${day}T12:00:00Z`).getUTCDay()] ?? 'monday';
