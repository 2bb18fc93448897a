import type { Schemas } from '../../api/client';
import type { StripSegment } from '../../ui/SessionStrip';
import type { Plan } from './benchState';

/** The heaviest finding at each segment, for its mark on the strip. */
export function marksOf(findings: Schemas['Finding'][]): Map<string, Schemas['FindingLevel']> {
  const marks = new Map<string, Schemas['FindingLevel']>();
  for (const f of findings)
    if (f.segmentId && f.overruledBecause === null && !marks.has(f.segmentId)) marks.set(f.segmentId, f.level);
  return marks;
}

/** The strip follows every keystroke; heights come from the server's reading a moment later. */
export function stripOf(plan: Plan, read: StripSegment[]): StripSegment[] {
  return plan.segments.map((s) => ({
    id: s.id,
    title: s.title,
    phase: s.kind === 'practice' ? s.phase : null,
    minutes: s.minutes,
    ballsPerMinute: read.find((r) => r.id === s.id)?.ballsPerMinute ?? null,
    balls: s.kind === 'practice' ? s.balls : 0,
    holes: s.kind === 'practice' ? s.holes : null,
    fraction: null,
    outcome: null,
  }));
}
