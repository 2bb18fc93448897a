import { v7 as uuid } from 'uuid';
import { beginnings } from '../../api/beginnings';
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
  constraints: Schemas['PlanConstraints'];
  overruled: Schemas['OverruledFinding'][];
}

const noFields = {
  instruction: '',
  area: null,
  balls: 0,
  holes: null,
  play: null,
  clubs: [],
  parts: [],
  cue: '',
  feedback: null,
  drill: null,
  slowRepetitions: false,
  bridge: false,
  fullRoutine: false,
  focus: '',
  skill: '',
  criterion: '',
  swing: null,
  aids: [],
  hideStages: [],
  declaredRun: null,
  calls: [],
  fairwayYards: null,
  realFairwayYards: null,
  priority: 2,
} satisfies Partial<PracticeSegment>;

/** A plan as the server sent it, with nothing left out. */
export function planFrom(plan: Schemas['SessionPlan']): Plan {
  return {
    title: plan.title,
    purpose: plan.purpose ?? '',
    successTest: plan.successTest ?? '',
    constraints: plan.constraints ?? {},
    overruled: plan.overruled ?? [],
    segments: plan.segments.map((s) =>
      s.kind === 'pause' ? { ...s, instruction: s.instruction ?? '' } : { ...noFields, ...s },
    ),
  };
}

/** A plan of its own with everything another one says; its segments are new ones. */
export function copyOf(plan: Plan): Plan {
  const ids = new Map(plan.segments.map((s) => [s.id, uuid()]));
  return {
    ...plan,
    title: `${plan.title}, copy`,
    segments: plan.segments.map((s) => ({ ...s, id: ids.get(s.id) ?? s.id })),
    overruled: plan.overruled.map((o) => ({ ...o, segmentId: o.segmentId ? (ids.get(o.segmentId) ?? null) : null })),
  };
}

export const emptyPlan: Plan = {
  title: '',
  purpose: '',
  successTest: '',
  segments: [],
  constraints: {},
  overruled: [],
};

export function newSegment(of: Phase | 'pause', place: Schemas['PlaceKind']): Segment {
  if (of === 'pause') return { kind: 'pause', id: uuid(), ...beginnings.pause };
  return {
    ...noFields,
    kind: 'practice',
    id: uuid(),
    title: phases[of].name,
    ...beginnings.segments[of],
    place,
  };
}

/** A segment that is done with a drill from the shelf, in the first phase the drill suits. */
export function segmentOf({ id, drill, analysis }: Schemas['DrillView'], place: Schemas['PlaceKind']): PracticeSegment {
  return {
    ...noFields,
    kind: 'practice',
    id: uuid(),
    title: drill.name,
    ...analysis.beginning,
    area: drill.area,
    place: drill.places.includes(place) ? place : (drill.places[0] ?? place),
    instruction: drill.setUp,
    cue: drill.cues?.[0] ?? '',
    feedback: drill.feedback ?? null,
    drill: {
      drillId: id,
      drill,
      rung: analysis.ownRung ?? 0,
      modifiers: {},
      goal: drill.ladder?.[analysis.ownRung ?? 0]?.goal ?? null,
    },
  };
}

/** A template or a bench taken onto a bench that holds words but no segments yet: what was written there stays. */
export function keepingWords(written: Plan, taken: Plan): Plan {
  if (written.segments.length > 0) return taken;
  const set = (part: object) =>
    Object.fromEntries(Object.entries(part).filter(([, value]) => value !== null && value !== '' && value !== false));
  const { title, purpose, successTest } = written;
  return {
    ...taken,
    ...set({ title, purpose, successTest }),
    constraints: { ...taken.constraints, ...set(written.constraints) },
  };
}

export interface BenchState {
  plan: Plan;
  selected: string | undefined;
  /** Plans before this one, the latest last, and those that were undone, the next first. */
  past: Plan[];
  future: Plan[];
  /** What the last change was to, so that a word typed letter by letter is undone as one. */
  lastTo: string | undefined;
  /** The title of the segment taken out last, until something else changes. */
  removed: string | undefined;
}

export type Change =
  /** Another plan altogether, with nothing to go back to. */
  | { do: 'open'; plan: Plan }
  /** The plan as a fix, a bench or a template has made it; it can be undone. */
  | { do: 'take'; plan: Plan }
  | { do: 'write'; text: Partial<Omit<Plan, 'segments'>> }
  | { do: 'select'; id: string | undefined }
  | { do: 'selectNext'; by: 1 | -1 }
  | { do: 'add'; segment: Segment }
  | { do: 'change'; id: string; to: Partial<PracticeSegment> }
  | { do: 'move'; id: string; to: number }
  | { do: 'lengthen'; id: string; by: number }
  | { do: 'duplicate'; id: string }
  | { do: 'split'; id: string }
  | { do: 'remove'; id: string }
  | { do: 'undo' }
  | { do: 'redo' };

const mostSteps = 100;

export const opened = (plan: Plan): BenchState => ({
  plan,
  selected: plan.segments[0]?.id,
  past: [],
  future: [],
  lastTo: undefined,
  removed: undefined,
});

/** A segment parted: together the halves have the balls and the holes of the whole, a single hole apart. */
function halves(segment: PracticeSegment, balls: number): [PracticeSegment, PracticeSegment] {
  const { holes } = segment;
  return [
    { ...segment, balls, holes: holes && Math.max(1, Math.floor(holes / 2)) },
    { ...segment, balls: segment.balls - balls, holes: holes && Math.max(1, Math.ceil(holes / 2)) },
  ];
}

/** The bench's one way to change a plan. */
export function changed(bench: BenchState, change: Change): BenchState {
  switch (change.do) {
    case 'open':
      return opened(change.plan);
    case 'select':
      return { ...bench, selected: change.id };
    case 'selectNext': {
      const { segments } = bench.plan;
      const next = Math.min(segments.length - 1, Math.max(0, indexOf(bench, bench.selected) + change.by));
      return { ...bench, selected: segments[next]?.id };
    }
    case 'undo': {
      const plan = bench.past.at(-1);
      if (!plan) return bench;
      return stepped(bench, plan, bench.past.slice(0, -1), [bench.plan, ...bench.future]);
    }
    case 'redo': {
      const [plan, ...future] = bench.future;
      if (!plan) return bench;
      return stepped(bench, plan, [...bench.past, bench.plan], future);
    }
    default: {
      const next = edited(bench, change);
      if (next.plan === bench.plan) return next;
      const to = targetOf(change);
      const goesOn = to !== undefined && to === bench.lastTo;
      return {
        ...next,
        past: goesOn ? bench.past : [...bench.past, bench.plan].slice(-mostSteps),
        future: [],
        lastTo: to,
        removed: change.do === 'remove' ? bench.plan.segments.find((s) => s.id === change.id)?.title : undefined,
      };
    }
  }
}

type Edit = Exclude<Change, { do: 'open' | 'select' | 'selectNext' | 'undo' | 'redo' }>;

const indexOf = (bench: BenchState, id: string | undefined) => bench.plan.segments.findIndex((s) => s.id === id);

/** Another plan of the history; what was in hand stays in hand where it is still there. */
function stepped(bench: BenchState, plan: Plan, past: Plan[], future: Plan[]): BenchState {
  const selected = plan.segments.some((s) => s.id === bench.selected) ? bench.selected : plan.segments[0]?.id;
  return { plan, selected, past, future, lastTo: undefined, removed: undefined };
}

/** What a change is to, for changes that come letter by letter or minute by minute. */
function targetOf(change: Edit): string | undefined {
  switch (change.do) {
    case 'write':
      return `write ${Object.keys(change.text).join()}`;
    case 'change':
      return `change ${change.id} ${Object.keys(change.to).join()}`;
    case 'lengthen':
      return `lengthen ${change.id}`;
    default:
      return undefined;
  }
}

function edited(bench: BenchState, change: Edit): BenchState {
  const { plan } = bench;
  const withSegments = (segments: Segment[], selected = bench.selected): BenchState => ({
    ...bench,
    selected,
    plan: { ...plan, segments },
  });
  switch (change.do) {
    case 'take':
      return stepped(bench, change.plan, bench.past, bench.future);
    case 'write':
      return { ...bench, plan: { ...plan, ...change.text } };
    case 'add': {
      // After the segment that is selected, where the coach is looking.
      const at = indexOf(bench, bench.selected);
      const segments = [...plan.segments];
      segments.splice(at < 0 ? segments.length : at + 1, 0, change.segment);
      return withSegments(segments, change.segment.id);
    }
    case 'change':
      return withSegments(plan.segments.map((s) => (s.id === change.id ? ({ ...s, ...change.to } as Segment) : s)));
    case 'move': {
      const segment = plan.segments[indexOf(bench, change.id)];
      if (!segment || change.to < 0 || change.to >= plan.segments.length) return bench;
      const segments = plan.segments.filter((s) => s.id !== change.id);
      segments.splice(change.to, 0, segment);
      return withSegments(segments);
    }
    case 'lengthen':
      return withSegments(
        plan.segments.map((s) => (s.id === change.id ? { ...s, minutes: Math.max(1, s.minutes + change.by) } : s)),
      );
    case 'duplicate': {
      const at = indexOf(bench, change.id);
      const segment = plan.segments[at];
      if (!segment) return bench;
      const twin = { ...segment, id: uuid() };
      return withSegments([...plan.segments.slice(0, at + 1), twin, ...plan.segments.slice(at + 1)], twin.id);
    }
    case 'split': {
      const at = indexOf(bench, change.id);
      const segment = plan.segments[at];
      if (!segment || segment.minutes < 2) return bench;
      const minutes = Math.floor(segment.minutes / 2);
      const [first, second] =
        segment.kind === 'pause'
          ? [segment, segment]
          : halves(segment, Math.round((segment.balls * minutes) / segment.minutes));
      return withSegments([
        ...plan.segments.slice(0, at),
        { ...first, minutes },
        { ...second, minutes: segment.minutes - minutes, id: uuid() },
        ...plan.segments.slice(at + 1),
      ]);
    }
    case 'remove': {
      const index = indexOf(bench, change.id);
      if (index < 0) return bench;
      const segments = plan.segments.filter((s) => s.id !== change.id);
      return withSegments(segments, segments[Math.min(index, segments.length - 1)]?.id);
    }
  }
}
