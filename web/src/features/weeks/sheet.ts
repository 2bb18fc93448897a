import type { Schemas } from '../../api/client';
import { dayName, minutes, plusDays } from '../../ui/format';
import { mondayOf } from '../../ui/weekdays';
import { everybody } from '../students/WhoseButtons';

export type Sheet = Schemas['WeekSheetView'];
export type Row = Schemas['SheetRow'];
export type Card = Schemas['SessionCard'];
export type Change = Schemas['WeekChangeInput'];

/** A place on the sheet: a row, and a column, of which the first is "any day" and the others are Monday to Sunday. */
export interface Cell {
  row: number;
  column: number;
}

export interface Selection {
  /** The cell in hand. */
  at: Cell;
  /** Where the selection began; the same cell for one alone. */
  from: Cell;
}

/** Whose weeks are shown: with nothing said the coach's own students', or everybody's where they have none. */
export type Whose = Readonly<{ squad?: string; student?: string; everybody?: boolean }>;

/** What an address says of whose weeks are shown. */
export const whoseOf = (squad: string): Whose =>
  squad === '' ? {} : squad === everybody ? { everybody: true } : { squad };

/** Any day, and the seven days. */
export const columns = 8;

/** The day of a column; none for "any day". */
export const dayOf = (monday: string, column: number): string | null =>
  column === 0 ? null : plusDays(monday, column - 1);

export const columnOf = (monday: string, day: string | null): number =>
  day === null ? 0 : Array.from({ length: 7 }, (_, i) => plusDays(monday, i)).indexOf(day) + 1;

const clamp = (n: number, least: number, most: number) => Math.max(least, Math.min(most, n));

/** The cell so many steps away, inside the sheet. */
export const stepped = ({ row, column }: Cell, rows: number, by: Partial<Cell>): Cell => ({
  row: clamp(row + (by.row ?? 0), 0, Math.max(0, rows - 1)),
  column: clamp(column + (by.column ?? 0), 0, columns - 1),
});

/** Whether a cell lies in the rectangle between two others, which may be the same. */
export const isBetween = (cell: Cell, a: Cell, b: Cell) =>
  cell.row >= Math.min(a.row, b.row) &&
  cell.row <= Math.max(a.row, b.row) &&
  cell.column >= Math.min(a.column, b.column) &&
  cell.column <= Math.max(a.column, b.column);

/** The rows of the rectangle between two cells. */
export const rowsBetween = (rows: readonly Row[], a: Cell, b: Cell) =>
  rows.slice(Math.min(a.row, b.row), Math.max(a.row, b.row) + 1);

/** What a day is marked with: a flag where a competition is played, the way there the day they arrive, or that they are away. */
export function markOf(row: Row, day: string): string | undefined {
  const played = row.competitions.find((c) => day >= c.firstDay && day <= c.lastDay);
  const arrives = row.competitions.find((c) => c.arrivalDay === day && day < c.firstDay);
  if (played) return `⚑ ${played.name}`;
  if (arrives) return `→ ${arrives.name}`;
  return row.away.includes(day) ? 'away' : undefined;
}

/** Which week it is, and from when to when. */
export function titleOf(sheet: Sheet): string {
  const [first, last] = [dayName(sheet.monday).slice(4), dayName(plusDays(sheet.monday, 6)).slice(4)];
  // The month once where it is the same: "11 to 17 May".
  const isOneMonth = first.slice(first.indexOf(' ')) === last.slice(last.indexOf(' '));
  const span = `${isOneMonth ? first.slice(0, first.indexOf(' ')) : first} to ${last}`;
  const ahead = Math.round((Date.parse(sheet.monday) - Date.parse(mondayOf(sheet.today))) / 604_800_000);
  const name =
    ahead === 0
      ? 'This week'
      : ahead === 1
        ? 'Next week'
        : ahead === -1
          ? 'Last week'
          : `Week ${Number(sheet.week.slice(6))}`;
  return `${name}, ${span}`;
}

/** What is usual, and the load where it is above that: a lighter week needs no second number beside its minutes. */
export function usualInWords({ usualMinutes, loadRatio, load }: Row): string {
  if (usualMinutes === null) return 'no history yet';
  const isMore = loadRatio !== null && (load === 'busy' || load === 'caution');
  return `usual ${Math.round(usualMinutes)}${isMore ? `, load ${loadRatio.toFixed(1)} ×` : ''}`;
}

/** What is set for a week, beside what is usual. */
export const setAndUsual = (row: Row) => `${minutes(row.minutes)} set, ${usualInWords(row)}.`;

export interface Placed {
  card: Card;
  /** The row of its student. */
  row: number;
}

/** What can be changed by hand: set by the coach, and not begun. */
export const isLoose = (card: Card) => card.requirement !== 'own' && !card.hasLog;

/** The sessions in the rectangle between two cells that can be changed. */
export function looseBetween(rows: readonly Row[], monday: string, a: Cell, b: Cell): Placed[] {
  return rows.flatMap((row, i) =>
    row.sessions
      .filter((card) => isLoose(card) && isBetween({ row: i, column: columnOf(monday, card.day) }, a, b))
      .map((card) => ({ card, row: i })),
  );
}

/** The sessions of a day that can still be moved or excused. */
export const looseOn = (rows: readonly Row[], day: string): Card[] =>
  rows.flatMap((row) => row.sessions.filter((card) => card.day === day && isLoose(card) && card.excuse === null));

export interface Put {
  planId: string;
  studentId: string;
  day: string | null;
  requirement: Schemas['Requirement'];
}

/** Puts that one call can make: the same plan, on the same day, counting the same. */
export function putTogether(puts: readonly Put[]): Put[][] {
  const groups = new Map<string, Put[]>();
  for (const put of puts) {
    const key = `${put.planId} ${put.day ?? ''} ${put.requirement}`;
    groups.set(key, [...(groups.get(key) ?? []), put]);
  }
  return [...groups.values()];
}

export interface Drop {
  moves: Change[];
  puts: Put[];
}

/** A move of a session to a day, as the server wants it; it goes on to count as it did, unless something else is said. */
export const moveTo = (card: Card, day: string | null, requirement = card.requirement): Change => ({
  kind: 'move',
  id: card.assignmentId,
  version: card.version,
  day,
  requirement,
  order: card.order,
  // What stays where it was is put there by nobody anew.
  ...(day === card.day && { isDayChosen: card.notes?.isDayChosen ?? false }),
});

/**
 * What letting sessions go in a cell means: in their own row they move by as many days, in another student's row a session of the
 * same plan is put there.
 */
export function dropped(held: readonly Placed[], from: Cell, to: Cell, rows: readonly Row[], monday: string): Drop {
  const by = to.column - from.column;
  const down = to.row - from.row;
  const drop: Drop = { moves: [], puts: [] };
  for (const { card, row } of held) {
    const day = dayOf(monday, clamp(columnOf(monday, card.day) + by, 0, columns - 1));
    const target = rows[row + down];
    if (down === 0) {
      if (day !== card.day) drop.moves.push(moveTo(card, day));
    } else if (target && card.planId !== null) {
      drop.puts.push({ planId: card.planId, studentId: target.studentId, day, requirement: card.requirement });
    }
  }
  return drop;
}

/** Sessions that were copied, with how many columns each stood to the right of the first. */
export interface Clip {
  planId: string;
  requirement: Schemas['Requirement'];
  offset: number;
}

export function clipOf(copied: readonly Placed[], monday: string): Clip[] {
  const first = Math.min(...copied.map((p) => columnOf(monday, p.card.day)));
  return copied.flatMap(({ card }) =>
    card.planId === null
      ? []
      : [
          {
            planId: card.planId,
            requirement: card.requirement,
            offset: columnOf(monday, card.day) - first,
          },
        ],
  );
}

/** What was copied, put into each row of the rectangle between two cells, from its first column on. */
export function pasted(clips: readonly Clip[], rows: readonly Row[], monday: string, a: Cell, b: Cell): Put[] {
  const first = Math.min(a.column, b.column);
  return rowsBetween(rows, a, b).flatMap((row) =>
    clips.map(({ planId, requirement, offset }) => ({
      planId,
      studentId: row.studentId,
      day: dayOf(monday, Math.min(columns - 1, first + offset)),
      requirement,
    })),
  );
}

/** Rows in an order that stays while they are worked on: those already shown where they were, new ones after them. */
export function keptInOrder(rows: readonly Row[], before: readonly string[]): Row[] {
  const place = new Map(before.map((id, i) => [id, i]));
  return [...rows].sort(
    (a, b) => (place.get(a.studentId) ?? before.length) - (place.get(b.studentId) ?? before.length),
  );
}

/** The cards of a sheet with changes already made, before the server has said so. */
export function changedBefore(sheet: Sheet, changes: readonly Change[]): Sheet {
  const byId = new Map(changes.map((c) => [c.id, c]));
  return {
    ...sheet,
    rows: sheet.rows.map((row) =>
      row.sessions.some((s) => byId.has(s.assignmentId))
        ? {
            ...row,
            sessions: row.sessions.flatMap((card) => {
              const change = byId.get(card.assignmentId);
              if (!change) return [card];
              if (change.kind === 'takeOut') return [];
              return change.kind === 'move'
                ? [{ ...card, day: change.day ?? null, requirement: change.requirement ?? card.requirement }]
                : [card];
            }),
          }
        : row,
    ),
  };
}
