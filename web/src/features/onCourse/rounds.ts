import type { Schemas } from '../../api/client';
import type { RoundHole } from './queries';

/** Holes to type into: with the pars of the course where they are known, and with what is typed already. */
export const freshHoles = (
  count: number,
  pars: readonly number[] | undefined,
  typed: readonly RoundHole[] = [],
): RoundHole[] =>
  Array.from(
    { length: count },
    (_, i) =>
      typed[i] ?? { par: pars?.[i] ?? 4, score: 0, fairwayHit: null, greenHit: null, putts: null, penalties: 0 },
  );

/** Totals to type into, beginning with what the holes add up to as far as they were typed. */
export function freshTotals(holes: readonly RoundHole[], count: number): Schemas['RoundTotals'] {
  const isPlayed = holes.some((h) => h.score > 0);
  return {
    par: holes.length > 0 ? holes.reduce((sum, h) => sum + h.par, 0) : 4 * count,
    score: isPlayed ? holes.reduce((sum, h) => sum + h.score, 0) : 0,
    fairways: null,
    greens: null,
    upAndDowns: null,
    putts: null,
    puttsOnGreensHit: null,
    penalties: null,
  };
}
