import { describe, expect, it } from 'vitest';
import { freshHoles, freshTotals } from './rounds';

describe('a round to type into', () => {
  it('begins with the pars of the course, and with fours where nobody knows them', () => {
    expect(freshHoles(3, [4, 3, 5]).map((h) => h.par)).toEqual([4, 3, 5]);
    expect(freshHoles(2, undefined).map((h) => h.par)).toEqual([4, 4]);
    expect(freshHoles(2, [5]).map((h) => [h.par, h.score, h.putts])).toEqual([
      [5, 0, null],
      [4, 0, null],
    ]);
  });

  it('keeps what was typed when nine holes become eighteen', () => {
    const nine = freshHoles(9, undefined).map((h) => ({ ...h, score: 5 }));
    expect(freshHoles(18, undefined, nine).map((h) => h.score)).toEqual(
      Array.from({ length: 18 }, (_, i) => (i < 9 ? 5 : 0)),
    );
  });

  it('takes what the holes add up to along into the totals', () => {
    const typed = freshHoles(2, [4, 3]).map((h) => ({ ...h, score: h.par + 1 }));
    expect(freshTotals(typed, 2)).toMatchObject({ par: 7, score: 9, putts: null });
    expect(freshTotals([], 18)).toMatchObject({ par: 72, score: 0 });
  });
});
