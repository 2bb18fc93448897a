import { v7 as uuid } from 'uuid';
import type { Schemas } from '../../api/client';
import { phases, type Phase } from '../../ui/phases';

export type PracticeSegment = Required<Schemas['SegmentPracticeSegment']>;
export type Pause = Required<Schemas['SegmentPause']>;
export type Segment = PracticeSegment | Pause;

/** A plan with every field present, as the bench edits it. */
export interface Plan {
  title: string;
  purpose: string;
  successTest: string;
  segments: Segment[];
}

/** A plan as the server sent it, with nothing left out. */
export function planFrom(plan: Schemas['SessionPlan']): Plan {
  return {
    title: plan.title,
    purpose: plan.purpose ?? '',
    successTest: plan.successTest ?? '',
    segments: plan.segments.map((s) =>
      s.kind === 'pause'
        ? { ...s, instruction: s.instruction ?? '' }
        : {
            ...s,
            instruction: s.instruction ?? '',
            area: s.area ?? null,
            balls: s.balls ?? 0,
            holes: s.holes ?? null,
            clubs: s.clubs ?? [],
            cue: s.cue ?? '',
            feedback: s.feedback ?? null,
            drill: s.drill ?? null,
            slowRepetitions: s.slowRepetitions ?? false,
            bridge: s.bridge ?? false,
            fullRoutine: s.fullRoutine ?? false,
          },
    ),
  };
}

export const emptyPlan: Plan = { title: '', purpose: '', successTest: '', segments: [] };

/** What a new segment of a phase starts as. */
const beginnings: Record<Phase, Pick<PracticeSegment, 'intent' | 'minutes' | 'balls' | 'holes'>> = {
  warmUp: { intent: 'body', minutes: 10, balls: 0, holes: null },
  block: { intent: 'technique', minutes: 15, balls: 20, holes: null },
  random: { intent: 'skill', minutes: 15, balls: 15, holes: null },
  onCourse: { intent: 'performance', minutes: 15, balls: 12, holes: 3 },
};

export function newSegment(of: Phase | 'pause', place: Schemas['PlaceKind']): Segment {
  if (of === 'pause') return { kind: 'pause', id: uuid(), title: 'Water', minutes: 3, instruction: 'Drink something.' };
  return {
    kind: 'practice',
    id: uuid(),
    title: phases[of].name,
    phase: of,
    ...beginnings[of],
    area: null,
    place,
    clubs: [],
    instruction: '',
    cue: '',
    feedback: null,
    drill: null,
    exit: { kind: 'minutes' },
    slowRepetitions: false,
    bridge: false,
    fullRoutine: false,
  };
}

/** A segment that is done with a drill from the shelf, in the first phase the drill suits. */
export function segmentOf({ id, drill, reading }: Schemas['DrillView'], place: Schemas['PlaceKind']): PracticeSegment {
  const phase = drill.phases[0] ?? 'block';
  return {
    kind: 'practice',
    id: uuid(),
    title: drill.name,
    phase,
    intent: drill.intents[0] ?? 'skill',
    minutes: drill.usualMinutes,
    balls: drill.usualBalls ?? 0,
    holes: null,
    area: drill.area,
    place: drill.places.includes(place) ? place : (drill.places[0] ?? place),
    clubs: [],
    instruction: drill.setUp,
    cue: drill.cues?.[0] ?? '',
    feedback: drill.feedback ?? null,
    drill: { drillId: id, drill, rung: reading.ownRung ?? 0, modifiers: {}, goal: null },
    exit: (drill.usualBalls ?? 0) > 0 ? { kind: 'balls' } : { kind: 'minutes' },
    slowRepetitions: false,
    bridge: false,
    fullRoutine: false,
  };
}

export interface Draft {
  plan: Plan;
  selected: string | undefined;
  /** The segment taken out last and where it was, to put back. */
  removed: { segment: Segment; index: number } | undefined;
}

export type Change =
  | { do: 'replace'; plan: Plan }
  | { do: 'write'; text: Partial<Omit<Plan, 'segments'>> }
  | { do: 'select'; id: string | undefined }
  | { do: 'selectNext'; by: 1 | -1 }
  | { do: 'add'; segment: Segment }
  | { do: 'change'; id: string; to: Partial<PracticeSegment> }
  | { do: 'move'; id: string; to: number }
  | { do: 'lengthen'; id: string; by: number }
  | { do: 'remove'; id: string }
  | { do: 'putBack' };

/** The bench's one way to change a plan. */
export function changed(draft: Draft, change: Change): Draft {
  const { plan } = draft;
  const withSegments = (segments: Segment[], more: Partial<Draft> = {}): Draft => ({
    ...draft,
    ...more,
    plan: { ...plan, segments },
  });
  const indexOf = (id: string | undefined) => plan.segments.findIndex((s) => s.id === id);

  switch (change.do) {
    case 'replace':
      return { plan: change.plan, selected: change.plan.segments[0]?.id, removed: undefined };
    case 'write':
      return { ...draft, plan: { ...plan, ...change.text } };
    case 'select':
      return { ...draft, selected: change.id };
    case 'selectNext': {
      const next = Math.min(plan.segments.length - 1, Math.max(0, indexOf(draft.selected) + change.by));
      return { ...draft, selected: plan.segments[next]?.id };
    }
    case 'add': {
      // After the segment that is selected, where the coach is looking.
      const at = indexOf(draft.selected);
      const segments = [...plan.segments];
      segments.splice(at < 0 ? segments.length : at + 1, 0, change.segment);
      return withSegments(segments, { selected: change.segment.id });
    }
    case 'change':
      return withSegments(plan.segments.map((s) => (s.id === change.id ? ({ ...s, ...change.to } as Segment) : s)));
    case 'move': {
      const from = indexOf(change.id);
      const segment = plan.segments[from];
      if (!segment || change.to < 0 || change.to >= plan.segments.length) return draft;
      const segments = plan.segments.filter((s) => s.id !== change.id);
      segments.splice(change.to, 0, segment);
      return withSegments(segments);
    }
    case 'lengthen':
      return withSegments(
        plan.segments.map((s) => (s.id === change.id ? { ...s, minutes: Math.max(1, s.minutes + change.by) } : s)),
      );
    case 'remove': {
      const index = indexOf(change.id);
      const segment = plan.segments[index];
      if (!segment) return draft;
      const segments = plan.segments.filter((s) => s.id !== change.id);
      return withSegments(segments, {
        selected: segments[Math.min(index, segments.length - 1)]?.id,
        removed: { segment, index },
      });
    }
    case 'putBack': {
      if (!draft.removed) return draft;
      const segments = [...plan.segments];
      segments.splice(draft.removed.index, 0, draft.removed.segment);
      return withSegments(segments, { selected: draft.removed.segment.id, removed: undefined });
    }
  }
}
