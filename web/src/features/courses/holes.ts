import type { Schemas } from '../../api/client';
import type { Hole } from './queries';

/** A hole to begin from; its numbers are there to be changed. */
export const freshHole = (par: number, tees: number): Hole => ({
  par,
  lengths: Array.from({ length: tees }, () => (par === 3 ? 145 : par === 4 ? 335 : 480)),
  fairwayWidth: par === 3 ? null : 32,
});

/** The holes with a copy of one behind it. */
export const copyAfter = (holes: Hole[], index: number): Hole[] =>
  holes.flatMap((hole, i) => (i === index ? [hole, hole] : [hole]));

const otherSide: Partial<Record<string, string>> = { left: 'right', right: 'left' };

const turned = <T extends string>(side: T): T => (otherSide[side] ?? side) as T;

/** The hole in a mirror: what lay to its left lies to its right. */
export function mirrored(hole: Hole): Hole {
  const green: Schemas['Green'] = hole.green ?? {};
  return {
    ...hole,
    bend: turned(hole.bend ?? 'straight'),
    left: hole.right ?? null,
    right: hole.left ?? null,
    safeSide: hole.safeSide ? turned(hole.safeSide) : null,
    green: { ...green, left: green.right ?? null, right: green.left ?? null },
    pin: { ...hole.pin, side: turned(hole.pin?.side ?? 'middle') },
  };
}
