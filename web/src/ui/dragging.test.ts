import { describe, expect, it } from 'vitest';
import { makesWay, placeOf } from './dragging';

// Three rows, the middle one twice as high.
const rows = [
  { top: 0, height: 50 },
  { top: 50, height: 100 },
  { top: 150, height: 50 },
];

describe('a row on its way', () => {
  it('keeps its place until the middle of another one is nearer', () => {
    expect(placeOf(rows, 0, 0)).toBe(0);
    expect(placeOf(rows, 0, 37)).toBe(0);
    expect(placeOf(rows, 0, 38)).toBe(1);
    expect(placeOf(rows, 2, -38)).toBe(1);
  });

  it('goes to the first or the last place when it is dragged out of the list', () => {
    expect(placeOf(rows, 1, -5000)).toBe(0);
    expect(placeOf(rows, 1, 5000)).toBe(2);
  });

  it('lets those between close up by its own height, and no others', () => {
    expect(rows.map((_, i) => makesWay({ from: 0, by: 60, to: 1 }, i, 50))).toEqual([0, -50, 0]);
    expect(rows.map((_, i) => makesWay({ from: 2, by: -160, to: 0 }, i, 50))).toEqual([50, 50, 0]);
    expect(rows.map((_, i) => makesWay({ from: 1, by: 3, to: 1 }, i, 100))).toEqual([0, 0, 0]);
  });
});
