import type { Schemas } from '../../api/client';
import { count, minutes as inMinutes } from '../../ui/format';

type PlanTrim = Schemas['PlanTrim'];
type TrimShare = Schemas['TrimShare'];
type TrimStep = Schemas['TrimStep'];
export type TrimmedSegment = Schemas['TrimmedSegment'];

export interface Trimmed {
  kept: TrimmedSegment[];
  dropped: string[];
  reasons: string[];
}

/** The fewest minutes that a segment is begun for. */
const least = (s: TrimShare) => s.leastMinutes ?? 1;

/** The fewest minutes for which anything is left of a session. */
export const fewestMinutes = (trim: PlanTrim) => trim.steps.at(-1)?.from ?? 0;

const sum = (numbers: readonly number[]) => numbers.reduce((s, n) => s + n, 0);

/** A total divided by weights in whole numbers: rounded down, the rest to those who lost most, the earlier first. */
export function divide(total: number, weights: readonly number[]): number[] {
  const whole = sum(weights);
  if (whole === 0 || total <= 0) return weights.map(() => 0);
  const shares = weights.map((w) => Math.floor((w * total) / whole));
  const lost = weights.map((w) => (w * total) % whole);
  const left = total - sum(shares);
  for (const i of weights
    .map((_, n) => n)
    .toSorted((a, b) => (lost[b] ?? 0) - (lost[a] ?? 0))
    .slice(0, left))
    shares[i] = (shares[i] ?? 0) + 1;
  return shares;
}

/** A number scaled by part ÷ whole, halves rounded up, at least one. */
const inProportion = (number: number, part: number, whole: number) =>
  whole <= 0 ? number : Math.max(1, Math.floor((2 * number * part + whole) / (2 * whole)));

/**
 * What is left of a session for the minutes (null: all it takes) and balls at hand, without what hurts: the twin of the
 * core's, from the same numbers. Nothing when it fits.
 */
export function trimAt(
  trim: PlanTrim,
  minutes: number | null,
  balls: number | null,
  leftOut: ReadonlySet<string>,
): Trimmed | undefined {
  const ballless =
    balls === 0 ? trim.segments.filter((s) => s.ballsAreBought && s.balls > 0 && !leftOut.has(s.segmentId)) : [];
  if (ballless.length > 0) leftOut = new Set([...leftOut, ...ballless.map((s) => s.segmentId)]);
  const all = trim.segments.filter((s) => !leftOut.has(s.segmentId));
  if (all.length === 0) return undefined;
  const needed = sum(all.map((s) => s.minutes)) + (trim.steps[0]?.walkMinutes ?? 0);
  const there = Math.min(minutes ?? needed, needed);
  if (
    ballless.length === 0 &&
    there === needed &&
    (balls === null || balls >= sum(all.map((s) => (s.ballsAreBought ? s.balls : 0))))
  )
    return undefined;
  const step = stepFor(trim, there, leftOut);
  if (!step) return undefined;
  const kept = all.filter((s) => step.kept.includes(s.segmentId));
  const dropped = step.dropped.filter((d) => !leftOut.has(d.segmentId));
  if (kept.length === 0 || there - step.walkMinutes < sum(kept.map(least))) return undefined;
  const lengths = lengthsOf(kept, there - step.walkMinutes);
  const lengthOf = (i: number) => lengths[i] ?? 1;
  const counts = kept.map((s, i) =>
    s.balls === 0 || lengthOf(i) === s.minutes ? s.balls : inProportion(s.balls, lengthOf(i), s.minutes),
  );
  const bought = kept.map((s, i) => (s.ballsAreBought ? (counts[i] ?? 0) : 0));
  const isShortOfBalls = balls !== null && sum(bought) > balls;
  if (isShortOfBalls) {
    const shares = divide(balls, bought);
    kept.forEach((s, i) => {
      if (s.ballsAreBought) counts[i] = shares[i] ?? 0;
    });
  }
  const isShorter = kept.some((s, i) => lengthOf(i) < s.minutes);
  return {
    kept: kept.map((s, i) => ({
      segmentId: s.segmentId,
      minutes: lengthOf(i),
      balls: counts[i] ?? 0,
      holes: s.holes === null ? null : inProportion(s.holes, lengthOf(i), s.minutes),
      attempts:
        s.attempts === null
          ? null
          : s.attemptsEach *
            (s.balls > 0
              ? inProportion(s.attempts / s.attemptsEach, counts[i] ?? 0, s.balls)
              : inProportion(s.attempts / s.attemptsEach, lengthOf(i), s.minutes)),
    })),
    dropped: [...ballless.map((s) => s.segmentId), ...dropped.map((d) => d.segmentId)],
    reasons: [
      ...(ballless.length > 0 ? ['Segments with range balls are left out.'] : []),
      ...dropped.map((d) => d.reason),
      ...(isShorter
        ? [
            `${dropped.length === 0 ? 'Everything' : 'The rest'} is shortened in proportion, to ${sum(lengths)} minutes.`,
          ]
        : []),
      ...(isShortOfBalls ? [`Fewer balls everywhere, ${balls} in all.`] : []),
    ],
  };
}

/**
 * What falls out: without what hurts the first step that fits and fills nine tenths of the time, and never one further
 * than with it.
 */
function stepFor(trim: PlanTrim, there: number, leftOut: ReadonlySet<string>) {
  const last = trim.steps.findIndex((s) => s.from <= there);
  if (leftOut.size === 0) return trim.steps[last];
  const minutesOf = (step: TrimStep) =>
    sum(
      trim.segments.filter((s) => step.kept.includes(s.segmentId) && !leftOut.has(s.segmentId)).map((s) => s.minutes),
    );
  let chosen = trim.steps[0];
  for (const step of last < 0 ? trim.steps : trim.steps.slice(0, last + 1)) {
    if (chosen && minutesOf(chosen) + chosen.walkMinutes <= there) break;
    if (minutesOf(step) >= Math.floor(((there - step.walkMinutes) * 9) / 10)) chosen = step;
  }
  return chosen;
}

function lengthsOf(kept: readonly TrimShare[], there: number): number[] {
  const planned = sum(kept.map((s) => s.minutes));
  if (planned <= there) return kept.map((s) => s.minutes);
  const whole = sum(kept.map((s) => (s.staysWhole ? s.minutes : 0)));
  const others = sum(kept.filter((s) => !s.staysWhole).map(least));
  const keepsWhole = others > 0 && there - whole >= others && whole * 2 <= there;
  const shortened = kept.filter((s) => !keepsWhole || !s.staysWhole);
  const shares = divide(
    there - (keepsWhole ? whole : 0) - sum(shortened.map(least)),
    shortened.map((s) => s.minutes - least(s)),
  );
  return kept.map((s) => (keepsWhole && s.staysWhole ? s.minutes : (shares[shortened.indexOf(s)] ?? 0) + least(s)));
}

/** When what is left of a segment is over, in the words of its rule. */
export function exitRuleOf(trim: PlanTrim, kept: TrimmedSegment): string {
  const share = trim.segments.find((s) => s.segmentId === kept.segmentId);
  if (!share) return '';
  return (kept.balls > 0 ? share.exitRule : share.exitRuleWithoutBalls)
    .replace('{minutes}', inMinutes(kept.minutes))
    .replace('{balls}', count(kept.balls, 'ball'));
}

/** The flow of a drill with the attempts that are left of it: it reads them where it starts, in rounds where it goes round. */
export function withCount(flow: Schemas['AttemptFlow'], attempts: number | null | undefined): Schemas['AttemptFlow'] {
  if (!attempts) return flow;
  const each = flow.registers.find((r) => r.name === '_each')?.initial ?? 1;
  const rounds = Math.max(1, Math.floor(attempts / each));
  const initial: Record<string, number> = { _left: -rounds, _again: -rounds, _of: attempts };
  return { ...flow, registers: flow.registers.map((r) => ({ ...r, initial: initial[r.name] ?? r.initial })) };
}
