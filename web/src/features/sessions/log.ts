import type { Schemas } from '../../api/client';
import { withoutLastAttempt, type DrillInput } from '../drills/flow';

export type Entry = Schemas['SessionEntry'];
export type EntryOf<K extends Entry['kind']> = Extract<Entry, { kind: K }>;
/** An entry before it has its number; its time is now unless it says another. */
export type NewEntry = { [K in Entry['kind']]: Omit<EntryOf<K>, 'sequence' | 'at'> & { at?: string } }[Entry['kind']];

export type Tap = EntryOf<'settled'> | EntryOf<'counted'> | EntryOf<'answered'>;

export interface SegmentState {
  balls: number | null;
  outcome: Schemas['SegmentOutcome'] | null;
  /** What was said of how much was done, where that was asked. */
  percent: number | null;
  seconds: number;
}

export interface LogState {
  segments: Record<string, SegmentState>;
  /**
   * The segment the clock runs for, since when, and the last sign of life (milliseconds); the seconds in between count, also
   * when the phone's clock was set in the meantime.
   */
  running: { segmentId: string; since: number; seen: number; seconds: number } | null;
  /** Pain as it counts: mended where it was mended, left out where it was a slip. */
  pain: EntryOf<'pain'>[];
  /** Pain as it was reported first. */
  reports: EntryOf<'pain'>[];
  /** How pain of earlier sessions is. */
  followUps: EntryOf<'painFollowedUp'>[];
  unwell: EntryOf<'unwell'> | null;
  /** The weather that ended it. */
  weather: EntryOf<'weather'> | null;
  rating: EntryOf<'rated'> | null;
  isFinished: boolean;
  /** How the student came; no value where nothing was said. */
  ready: EntryOf<'readied'> | null;
  /** What was left of the session when it was made to fit; no value where it is practised as set. */
  trim: EntryOf<'trimmed'> | null;
  /** The inputs of each segment's drill that stand. */
  inputs: Record<string, DrillInput[]>;
  /** The last tap that still stands, an answer, a ball or the end of a segment: what "undo" takes back. */
  undoable: Tap | null;
}

/** The inputs with other tags on one attempt: on its last input, and off all others of it. */
const withTags = (inputs: DrillInput[], attempt: number, tags: DrillInput['tags']): DrillInput[] => {
  const last = inputs.findLast((i) => i.attempt === attempt);
  return inputs.map((i) => (i.attempt !== attempt ? i : { ...i, tags: i === last ? tags : null }));
};

const untouched: SegmentState = { balls: null, outcome: null, percent: null, seconds: 0 };

/**
 * Walks a log's entries to what the phone shows while practising. The server reads the same entries with the job's own rules;
 * this only adds up clocks and counts.
 */
export function walk(entries: readonly Entry[]): LogState {
  const undone = new Set(entries.flatMap((e) => (e.kind === 'undone' ? [e.undoes] : [])));
  const state: LogState = {
    segments: {},
    running: null,
    pain: [],
    reports: [],
    followUps: [],
    unwell: null,
    weather: null,
    rating: null,
    isFinished: false,
    ready: null,
    trim: null,
    inputs: {},
    undoable: null,
  };
  const taps: Tap[] = [];
  const segment = (id: string) => (state.segments[id] ??= { ...untouched });
  const advance = (at: string) => {
    if (!state.running) return;
    const now = Date.parse(at);
    state.running.seconds += Math.max(0, (now - state.running.seen) / 1000);
    state.running.seen = now;
  };
  const stop = () => {
    if (!state.running) return;
    segment(state.running.segmentId).seconds += state.running.seconds;
    state.running = null;
  };
  for (const entry of entries) {
    if (entry.kind === 'undone' || undone.has(entry.sequence)) continue;
    advance(entry.at);
    switch (entry.kind) {
      case 'entered':
        stop();
        segment(entry.segmentId);
        state.running = {
          segmentId: entry.segmentId,
          since: Date.parse(entry.at),
          seen: Date.parse(entry.at),
          seconds: 0,
        };
        break;
      case 'stopped':
        stop();
        break;
      case 'counted': {
        const counted = segment(entry.segmentId);
        counted.balls = Math.max(0, (counted.balls ?? 0) + entry.balls);
        taps.push(entry);
        break;
      }
      case 'answered':
        segment(entry.segmentId);
        (state.inputs[entry.segmentId] ??= []).push(entry.input);
        taps.push(entry);
        break;
      case 'attemptDropped':
        state.inputs[entry.segmentId] = withoutLastAttempt(state.inputs[entry.segmentId] ?? []);
        dropTaps(taps, entry.segmentId, state.inputs[entry.segmentId]?.length ?? 0);
        break;
      case 'settled':
        if (state.running?.segmentId === entry.segmentId) stop();
        segment(entry.segmentId).outcome = entry.outcome;
        segment(entry.segmentId).percent = entry.percent ?? null;
        taps.push(entry);
        break;
      case 'pain':
        state.pain.push(entry);
        state.reports.push(entry);
        break;
      case 'painMended':
        state.pain = state.reports.flatMap((report) => {
          const p = report.sequence === entry.mends ? report : state.pain.find((q) => q.sequence === report.sequence);
          if (!p) return [];
          if (report.sequence !== entry.mends) return [p];
          return entry.level === 0 ? [] : [{ ...report, level: entry.level, sharp: entry.sharp }];
        });
        break;
      case 'painFollowedUp':
        state.followUps = [
          ...state.followUps.filter((f) => f.part !== entry.part || (f.side ?? null) !== (entry.side ?? null)),
          entry,
        ];
        break;
      case 'unwell':
        stop();
        state.unwell ??= entry;
        break;
      case 'weather':
        stop();
        state.weather ??= entry;
        break;
      case 'tagsMended':
        state.inputs[entry.segmentId] = withTags(state.inputs[entry.segmentId] ?? [], entry.attempt, entry.tags);
        break;
      case 'readied':
        state.ready = entry;
        break;
      case 'trimmed':
        state.trim = entry;
        break;
      case 'rated':
        state.rating = entry;
        break;
      case 'finished':
        stop();
        state.isFinished = true;
        break;
    }
  }
  state.undoable = taps.at(-1) ?? null;
  return state;
}

/** An attempt that was dropped took its answers with it: only the first so many of the segment's stand. */
function dropTaps(taps: Tap[], segmentId: string, standing: number) {
  let seen = 0;
  for (let i = 0; i < taps.length; i++) {
    const tap = taps[i];
    if (tap?.kind !== 'answered' || tap.segmentId !== segmentId) continue;
    seen += 1;
    if (seen > standing) taps.splice(i--, 1);
  }
}

export const stateOf = (log: LogState, segmentId: string): SegmentState => log.segments[segmentId] ?? untouched;

/** Seconds a segment has taken so far, the running stretch included. */
export function secondsOf(log: LogState, segmentId: string, now: number): number {
  const { running } = log;
  const stretch = running?.segmentId === segmentId ? running.seconds + Math.max(0, (now - running.seen) / 1000) : 0;
  return stateOf(log, segmentId).seconds + stretch;
}

/** Balls a segment has taken so far: counted, or else the attempts of its drill. */
export const ballsOf = (log: LogState, segmentId: string): number =>
  stateOf(log, segmentId).balls ?? log.inputs[segmentId]?.at(-1)?.attempt ?? 0;
