import { describe, expect, it } from 'vitest';
import {
  changedBefore,
  clipOf,
  columnOf,
  dayOf,
  dropped,
  isBetween,
  keptInOrder,
  looseBetween,
  pasted,
  putTogether,
  stepped,
  type Card,
  type Row,
  type Sheet,
} from './sheet';

const monday = '2026-05-04';

const card = (id: string, day: string | null, more: Partial<Card> = {}) =>
  ({
    assignmentId: id,
    planId: `plan of ${id}`,
    version: 1,
    title: id,
    day,
    requirement: 'must',
    order: null,
    hasLog: false,
    isPublished: false,
    ...more,
  }) as Card;

const row = (studentId: string, ...sessions: Card[]) => ({ studentId, name: studentId, sessions }) as unknown as Row;

const rows = [
  row('anna', card('a1', '2026-05-04'), card('a2', '2026-05-06'), card('done', '2026-05-06', { hasLog: true })),
  row('ben', card('b1', null), card('own', '2026-05-05', { requirement: 'own' })),
  row('cleo'),
];

describe('the sheet', () => {
  it('has any day first, then Monday to Sunday, over the end of a month and of a year', () => {
    expect(dayOf(monday, 0)).toBeNull();
    expect(dayOf('2026-12-28', 7)).toBe('2027-01-03');
    expect(columnOf('2026-12-28', '2027-01-03')).toBe(7);
    expect(columnOf(monday, null)).toBe(0);
  });

  it('is never left by a step', () => {
    expect(stepped({ row: 0, column: 0 }, 3, { row: -1, column: -1 })).toEqual({ row: 0, column: 0 });
    expect(stepped({ row: 2, column: 7 }, 3, { row: 10, column: 8 })).toEqual({ row: 2, column: 7 });
    expect(stepped({ row: 0, column: 0 }, 0, { row: 1 })).toEqual({ row: 0, column: 0 });
  });

  it('has a rectangle between any two corners', () => {
    expect(isBetween({ row: 1, column: 2 }, { row: 2, column: 3 }, { row: 0, column: 1 })).toBe(true);
    expect(isBetween({ row: 1, column: 4 }, { row: 2, column: 3 }, { row: 0, column: 1 })).toBe(false);
  });

  it('takes in hand what is not begun and was set by a coach', () => {
    const all = looseBetween(rows, monday, { row: 0, column: 0 }, { row: 2, column: 7 });
    expect(all.map((p) => p.card.assignmentId)).toEqual(['a1', 'a2', 'b1']);
  });

  it('moves what is let go in its own row, each by as many days, and not beyond the week', () => {
    const held = looseBetween(rows, monday, { row: 0, column: 0 }, { row: 0, column: 7 });
    const drop = dropped(held, { row: 0, column: 1 }, { row: 0, column: 6 }, rows, monday);
    expect(drop.puts).toEqual([]);
    expect(drop.moves.map((m) => [m.id, m.day])).toEqual([
      ['a1', '2026-05-09'],
      ['a2', '2026-05-10'],
    ]);
  });

  it('puts the same plan in for another student when it is let go there', () => {
    const held = looseBetween(rows, monday, { row: 0, column: 1 }, { row: 0, column: 1 });
    const drop = dropped(held, { row: 0, column: 1 }, { row: 2, column: 0 }, rows, monday);
    expect(drop).toEqual({
      moves: [],
      puts: [{ planId: 'plan of a1', studentId: 'cleo', day: null, requirement: 'must' }],
    });
  });

  it('lets go where it was without moving anything', () => {
    const held = looseBetween(rows, monday, { row: 0, column: 1 }, { row: 0, column: 1 });
    expect(dropped(held, { row: 0, column: 1 }, { row: 0, column: 1 }, rows, monday)).toEqual({ moves: [], puts: [] });
  });

  it('puts what was copied into every row that is selected, as far apart as it stood', () => {
    const clips = clipOf(looseBetween(rows, monday, { row: 0, column: 0 }, { row: 0, column: 7 }), monday);
    const puts = pasted(clips, rows, monday, { row: 1, column: 2 }, { row: 2, column: 2 });
    expect(puts.map((p) => [p.studentId, p.planId, p.day])).toEqual([
      ['ben', 'plan of a1', '2026-05-05'],
      ['ben', 'plan of a2', '2026-05-07'],
      ['cleo', 'plan of a1', '2026-05-05'],
      ['cleo', 'plan of a2', '2026-05-07'],
    ]);
    expect(putTogether(puts).map((group) => group.length)).toEqual([2, 2]);
  });

  it('does not copy what has no plan', () => {
    expect(clipOf([{ card: card('x', null, { planId: null }), row: 0 }], monday)).toEqual([]);
  });

  it('keeps its lines where they were while something is set for them', () => {
    expect(keptInOrder([...rows].reverse(), ['anna', 'ben']).map((r) => r.studentId)).toEqual(['anna', 'ben', 'cleo']);
  });

  it('shows a change before the server has said so', () => {
    const sheet = { rows } as unknown as Sheet;
    const after = changedBefore(sheet, [
      { kind: 'move', id: 'a1', version: 1, day: '2026-05-08', requirement: 'must' },
      { kind: 'takeOut', id: 'b1', version: 1 },
    ]);
    expect(after.rows[0]?.sessions[0]?.day).toBe('2026-05-08');
    expect(after.rows[1]?.sessions.map((s) => s.assignmentId)).toEqual(['own']);
    expect(after.rows[2]).toBe(rows[2]);
  });
});
