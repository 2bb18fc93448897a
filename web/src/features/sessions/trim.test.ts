import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { divide, trimAt, withCount } from './trim';

const shared = JSON.parse(readFileSync('../tests/fixtures/trims.json', 'utf8')) as {
  trim: Schemas['PlanTrim'];
  sums: number[];
  leftOut: string[];
  sumsWithout: number[];
}[];

/** All trims of a number of minutes in one: FNV-1a over their numbers, as text. */
function sumOf(trim: Schemas['PlanTrim'], minutes: number, leftOut: ReadonlySet<string>): number {
  let hash = 2166136261;
  for (const balls of [...Array.from({ length: trim.balls + 1 }, (_, b) => b), null]) {
    const trimmed = trimAt(trim, minutes, balls, leftOut);
    const kept = trimmed?.kept.map((k) => `${k.minutes},${k.balls},${k.holes ?? ''},${k.attempts ?? ''}`).join(' ');
    const text = trimmed ? `${kept}|${trimmed.reasons.join('|')}` : 'whole';
    for (const c of text) hash = Math.imul(hash ^ c.charCodeAt(0), 16777619);
  }
  return hash >>> 0;
}

describe('a session made to fit', () => {
  it.each(shared.map((s, i) => [i, s] as const))(
    'comes to the server’s numbers for every pair of minutes and balls, plan %i',
    (_, { trim, sums, leftOut, sumsWithout }) => {
      expect(sums).toHaveLength(trim.minutes);
      expect(sums.map((_, i) => sumOf(trim, i + 1, new Set()))).toEqual(sums);
      expect(sums.map((_, i) => sumOf(trim, i + 1, new Set(leftOut)))).toEqual(sumsWithout);
    },
  );

  it('divides whole numbers into whole numbers that add up', () => {
    expect(divide(7, [5, 10, 15])).toEqual([1, 2, 4]);
    expect(divide(3, [20, 15, 12, 10])).toEqual([1, 1, 1, 0]);
    expect(divide(5, [0, 0])).toEqual([0, 0]);
  });

  it('lets a flow read its count where it starts', () => {
    const registers = [
      { name: '_left', initial: -20 },
      { name: '_of', initial: 20 },
      { name: 'made', initial: 0 },
    ];
    const flow = { registers } as unknown as Schemas['AttemptFlow'];
    expect(withCount(flow, 8).registers.map((r) => r.initial)).toEqual([-8, 8, 0]);
    expect(withCount(flow, null)).toBe(flow);
    // Two clubs, ten balls with each: twelve are six rounds.
    const inRounds = {
      registers: [
        { name: '_left', initial: -10 },
        { name: '_of', initial: 20 },
        { name: '_each', initial: 2 },
        { name: '_again', initial: -10 },
      ],
    } as unknown as Schemas['AttemptFlow'];
    expect(withCount(inRounds, 12).registers.map((r) => r.initial)).toEqual([-6, 12, 2, -6]);
  });
});
