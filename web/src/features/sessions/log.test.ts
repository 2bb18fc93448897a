import { describe, expect, it } from 'vitest';
import { secondsOf, stateOf, walk, type Entry, type NewEntry } from './log';

const nine = Date.parse('2026-05-06T09:00:00Z');

/** A log of entries, numbered from 1, each a number of minutes after nine. */
const log = (...entries: [minute: number, entry: NewEntry][]) =>
  walk(
    entries.map(([minute, entry], i) => ({
      ...entry,
      sequence: i + 1,
      at: new Date(nine + minute * 60_000).toISOString(),
    })),
  );

describe('the log on the phone', () => {
  it('counts the clock only while it runs', () => {
    const state = log(
      [0, { kind: 'entered', segmentId: 'a' }],
      [4, { kind: 'stopped' }],
      [10, { kind: 'entered', segmentId: 'a' }],
      [13, { kind: 'settled', segmentId: 'a', outcome: 'done' }],
    );
    expect(stateOf(state, 'a')).toEqual({ balls: null, outcome: 'done', percent: null, seconds: 7 * 60 });
    expect(state.running).toBeNull();
  });

  it('goes on counting for the segment that was entered last', () => {
    const state = log([0, { kind: 'entered', segmentId: 'a' }], [5, { kind: 'entered', segmentId: 'b' }]);
    expect(secondsOf(state, 'a', nine + 9 * 60_000)).toBe(300);
    expect(secondsOf(state, 'b', nine + 9 * 60_000)).toBe(240);
  });

  it('takes back what was undone, and never counts below zero', () => {
    const state = log(
      [0, { kind: 'counted', segmentId: 'a', balls: 5 }],
      [1, { kind: 'counted', segmentId: 'a', balls: 5 }],
      [2, { kind: 'undone', undoes: 2 }],
      [3, { kind: 'counted', segmentId: 'b', balls: -3 }],
      [4, { kind: 'settled', segmentId: 'a', outcome: 'skipped' }],
      [5, { kind: 'undone', undoes: 5 }],
    );
    expect(stateOf(state, 'a')).toMatchObject({ balls: 5, outcome: null });
    expect(stateOf(state, 'b').balls).toBe(0);
    expect(state.undoable?.sequence).toBe(4);
  });

  it('tells a segment nobody counted from one with no balls', () => {
    const state = log([0, { kind: 'entered', segmentId: 'a' }]);
    expect(stateOf(state, 'a').balls).toBeNull();
    expect(stateOf(state, 'never touched').balls).toBeNull();
  });

  it('adds no time when the phone’s clock ran backwards', () => {
    const state = log([10, { kind: 'entered', segmentId: 'a' }], [5, { kind: 'finished' }]);
    expect(stateOf(state, 'a').seconds).toBe(0);
    expect(state.isFinished).toBe(true);
  });

  it('keeps pain and the last rating', () => {
    const rated = { kind: 'rated', note: '' } as const;
    const state = log(
      [0, { kind: 'pain', part: 'knee', side: 'lead', level: 2, sharp: false }],
      [1, { ...rated, focus: 3 }],
      [2, { ...rated, focus: 8 }],
    );
    expect(state.pain).toHaveLength(1);
    expect(state.rating?.focus).toBe(8);
  });
});

describe('undo takes back the last tap', () => {
  const at = '2026-05-06T09:00:00Z';
  const entries = (...some: NewEntryOfTest[]): Entry[] =>
    some.map((entry, i) => ({ at, sequence: i + 1, ...entry }) as Entry);
  type NewEntryOfTest = Record<string, unknown> & { kind: Entry['kind'] };
  const answer = (attempt: number): NewEntryOfTest => ({
    kind: 'answered',
    segmentId: 'a',
    flowVersion: 1,
    input: { kind: 'choice', attempt, value: 'made' },
  });

  it('of a drill, and not the part before it', () => {
    const log = entries(
      { kind: 'settled', segmentId: 'w', outcome: 'done' },
      { kind: 'entered', segmentId: 'a' },
      answer(1),
      answer(2),
    );
    expect(walk(log).undoable?.sequence).toBe(4);
    const once = [...log, ...entries({ kind: 'undone', undoes: 4 }).map((e) => ({ ...e, sequence: 5 }))];
    expect(walk(once).inputs.a).toHaveLength(1);
    expect(walk(once).undoable?.sequence).toBe(3);
    const twice = [...once, ...entries({ kind: 'undone', undoes: 3 }).map((e) => ({ ...e, sequence: 6 }))];
    // With nothing tapped in this part, the last tap is the end of the part before it.
    expect(walk(twice).undoable).toMatchObject({ kind: 'settled', segmentId: 'w' });
  });

  it('passes over answers that went with a dropped attempt', () => {
    const log = entries({ kind: 'entered', segmentId: 'a' }, answer(1), answer(2), {
      kind: 'attemptDropped',
      segmentId: 'a',
    });
    expect(walk(log).undoable?.sequence).toBe(2);
  });
});
