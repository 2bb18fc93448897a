import type { Schemas } from '../../api/client';
import { count, minutes as inMinutes } from '../../ui/format';

type PlanTrim = Schemas['PlanTrim'];
type TrimShare = Schemas['TrimShare'];
export type TrimmedSegment = Schemas['TrimmedSegment'];

export interface Trimmed {
  kept: TrimmedSegment[];
  dropped: string[];
  reasons: string[];
}

/** So much, divided by weights in whole numbers: rounded down, what is left over to those who lost most, the earlier first. */
export function divide(total: number, weights: readonly number[]): number[] {
  const sum = weights.reduce((s, w) => s + w, 0);
  if (sum === 0 || total <= 0) return weights.map(() => 0);
  const shares = weights.map((w) => Math.floor((w * total) / sum));
  const lost = weights.map((w) => (w * total) % sum);
  const left = total - shares.reduce((s, n) => s + n, 0);
  for (const i of weights
    .map((_, n) => n)
    .toSorted((a, b) => (lost[b] ?? 0) - (lost[a] ?? 0))
    .slice(0, left))
    shares[i] = (shares[i] ?? 0) + 1;
  return shares;
}

/** So many of a whole, as many as a part has of its own whole, halves rounded up, at least one. */
const inProportion = (number: number, part: number, whole: number) =>
  whole <= 0 ? number : Math.max(1, Math.floor((2 * number * part + whole) / (2 * whole)));

/** What is left of a session with so many minutes and balls: the twin of the core's, from the same numbers. Nothing when it fits. */
export function trimAt(trim: PlanTrim, minutes: number, balls: number | null): Trimmed | undefined {
  if (minutes >= trim.minutes && (balls === null || balls >= trim.balls)) return undefined;
  const there = Math.min(minutes, trim.minutes);
  const step = trim.steps.find((s) => s.from <= there);
  if (!step) return undefined;
  const kept = trim.segments.filter((s) => step.kept.includes(s.segmentId));
  const lengths = lengthsOf(kept, there - step.walkMinutes);
  const lengthOf = (i: number) => lengths[i] ?? 1;
  const counts = kept.map((s, i) =>
    s.balls === 0 || lengthOf(i) === s.minutes ? s.balls : inProportion(s.balls, lengthOf(i), s.minutes),
  );
  const bought = kept.map((s, i) => (s.ballsAreBought ? (counts[i] ?? 0) : 0));
  const isShortOfBalls = balls !== null && bought.reduce((s, n) => s + n, 0) > balls;
  if (isShortOfBalls) {
    const shares = divide(balls, bought);
    kept.forEach((s, i) => {
      if (s.ballsAreBought) counts[i] = shares[i] ?? 0;
    });
  }
  const isShorter = kept.some((s, i) => lengthOf(i) < s.minutes);
  const sum = lengths.reduce((s, n) => s + n, 0);
  return {
    kept: kept.map((s, i) => ({
      segmentId: s.segmentId,
      minutes: lengthOf(i),
      balls: counts[i] ?? 0,
      holes: s.holes === null ? null : inProportion(s.holes, lengthOf(i), s.minutes),
      attempts:
        s.attempts === null
          ? null
          : s.balls > 0
            ? inProportion(s.attempts, counts[i] ?? 0, s.balls)
            : inProportion(s.attempts, lengthOf(i), s.minutes),
    })),
    dropped: step.dropped,
    reasons: [
      ...step.reasons,
      ...(isShorter
        ? [`${step.dropped.length === 0 ? 'Everything' : 'The rest'} is shortened in proportion, to ${sum} minutes.`]
        : []),
      ...(isShortOfBalls ? [`Fewer balls everywhere, ${balls} in all.`] : []),
    ],
  };
}

function lengthsOf(kept: readonly TrimShare[], there: number): number[] {
  const planned = kept.reduce((sum, s) => sum + s.minutes, 0);
  if (planned <= there) return kept.map((s) => s.minutes);
  const whole = kept.reduce((sum, s) => sum + (s.staysWhole ? s.minutes : 0), 0);
  const others = kept.filter((s) => !s.staysWhole).length;
  const keepsWhole = others > 0 && there - whole >= others && whole * 2 <= there;
  const shortened = kept.filter((s) => !keepsWhole || !s.staysWhole);
  const shares = divide(
    there - (keepsWhole ? whole : 0) - shortened.length,
    shortened.map((s) => s.minutes - 1),
  );
  return kept.map((s) => (keepsWhole && s.staysWhole ? s.minutes : (shares[shortened.indexOf(s)] ?? 0) + 1));
}

/** When what is left of a segment is over, in the words of its rule. */
export function exitRuleOf(trim: PlanTrim, kept: TrimmedSegment): string {
  const share = trim.segments.find((s) => s.segmentId === kept.segmentId);
  if (!share) return '';
  return (kept.balls > 0 ? share.exitRule : share.exitRuleWithoutBalls)
    .replace('{minutes}', inMinutes(kept.minutes))
    .replace('{balls}', count(kept.balls, 'ball'));
}

/** The flow of a drill with the attempts that are left of it: it reads them where it starts. */
export const withCount = (flow: Schemas['AttemptFlow'], attempts: number | null | undefined): Schemas['AttemptFlow'] =>
  attempts
    ? {
        ...flow,
        registers: flow.registers.map((r) =>
          r.name === '_left' ? { ...r, initial: -attempts } : r.name === '_of' ? { ...r, initial: attempts } : r,
        ),
      }
    : flow;
