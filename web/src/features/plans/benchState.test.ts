import { describe, expect, it } from 'vitest';
import {
  changed,
  copyOf,
  emptyPlan,
  keepingWords,
  newSegment,
  opened,
  planFrom,
  type Change,
  type BenchState,
  type Plan,
} from './benchState';

const start = opened(emptyPlan);
const after = (...changes: Change[]) => changes.reduce(changed, start);
const [warmUp, block, random] = [
  newSegment('warmUp', 'range'),
  newSegment('block', 'range'),
  newSegment('random', 'range'),
];
const three: Change[] = [warmUp, block, random].map((segment) => ({ do: 'add', segment }));
const titles = (draft: BenchState) => draft.plan.segments.map((s) => s.title);

describe('a copy of a plan', () => {
  it('says the same under a title of its own, with segments of its own', () => {
    const overruled = [{ finding: 'noBreak' as const, segmentId: warmUp.id, reason: 'It is short.' }];
    const copy = copyOf({ ...emptyPlan, title: 'Hour', purpose: 'Line', segments: [warmUp, block], overruled });
    expect(copy.title).toBe('Hour, copy');
    expect(copy.segments.map((s) => s.title)).toEqual([warmUp.title, block.title]);
    expect(copy.segments.map((s) => s.id)).not.toContain(warmUp.id);
    expect(copy.overruled[0]?.segmentId).toBe(copy.segments[0]?.id);
  });
});

describe('the plan on the bench', () => {
  it('puts a new segment after the one in hand', () => {
    const draft = after(
      ...three,
      { do: 'select', id: warmUp.id },
      { do: 'add', segment: newSegment('pause', 'range') },
    );
    expect(titles(draft)).toEqual(['Warm-up', 'Water', 'Block', 'Random']);
    expect(draft.selected).toBe(draft.plan.segments[1]?.id);
  });

  it('moves a segment, but not past the ends', () => {
    expect(titles(after(...three, { do: 'move', id: random.id, to: 0 }))).toEqual(['Random', 'Warm-up', 'Block']);
    expect(titles(after(...three, { do: 'move', id: random.id, to: 3 }))).toEqual(['Warm-up', 'Block', 'Random']);
    expect(titles(after(...three, { do: 'move', id: warmUp.id, to: -1 }))).toEqual(['Warm-up', 'Block', 'Random']);
  });

  it('never makes a segment shorter than a minute', () => {
    const draft = after(...three, { do: 'lengthen', id: block.id, by: -99 });
    expect(draft.plan.segments[1]?.minutes).toBe(1);
  });

  it('puts back what was taken out, where it was', () => {
    const without = after(...three, { do: 'remove', id: block.id });
    expect(titles(without)).toEqual(['Warm-up', 'Random']);
    expect(without.selected).toBe(random.id);
    expect(without.removed).toBe('Block');
    expect(titles(changed(without, { do: 'undo' }))).toEqual(['Warm-up', 'Block', 'Random']);
  });

  it('undoes step by step, and does again what was undone until something else changes', () => {
    const draft = after(...three, { do: 'move', id: random.id, to: 0 });
    const back = changed(changed(draft, { do: 'undo' }), { do: 'undo' });
    expect(titles(back)).toEqual(['Warm-up', 'Block']);
    expect(titles(changed(changed(back, { do: 'redo' }), { do: 'redo' }))).toEqual(['Random', 'Warm-up', 'Block']);
    const other = changed(back, { do: 'remove', id: block.id });
    expect(changed(other, { do: 'redo' })).toBe(other);
  });

  it('undoes a word typed letter by letter as one, and selecting is nothing to undo', () => {
    const draft = after(
      ...three,
      { do: 'write', text: { title: 'A' } },
      { do: 'write', text: { title: 'An' } },
      { do: 'select', id: warmUp.id },
      { do: 'write', text: { purpose: 'x' } },
    );
    const once = changed(draft, { do: 'undo' });
    expect(once.plan).toMatchObject({ title: 'An', purpose: '' });
    expect(changed(once, { do: 'undo' }).plan.title).toBe('');
  });

  it('has nothing to undo in a plan that was just opened', () => {
    expect(changed(start, { do: 'undo' })).toBe(start);
    expect(after(...three, { do: 'open', plan: emptyPlan }).past).toEqual([]);
  });

  it('makes a twin with an id of its own behind a segment', () => {
    const draft = after(...three, { do: 'duplicate', id: block.id });
    expect(titles(draft)).toEqual(['Warm-up', 'Block', 'Block', 'Random']);
    expect(new Set(draft.plan.segments.map((s) => s.id)).size).toBe(4);
  });

  it('parts a segment into two that add up', () => {
    const draft = after(
      ...three,
      { do: 'change', id: block.id, to: { minutes: 15, balls: 21 } },
      { do: 'split', id: block.id },
    );
    const parts = draft.plan.segments.filter((s) => s.title === 'Block');
    expect(parts.map((s) => s.minutes)).toEqual([7, 8]);
    expect(parts.map((s) => s.kind === 'practice' && s.balls)).toEqual([10, 11]);
  });

  it('takes a draft or a fix as one step that can be undone', () => {
    const plan = { ...emptyPlan, title: 'Drafted', segments: [random] };
    const draft = after(...three, { do: 'take', plan });
    expect(draft.plan).toBe(plan);
    expect(titles(changed(draft, { do: 'undo' }))).toEqual(['Warm-up', 'Block', 'Random']);
  });

  it('fills in what the server may leave out, and tells the kinds of segment apart', () => {
    const plan = planFrom({
      title: 'T',
      segments: [
        {
          kind: 'practice',
          id: 'a',
          title: 'Gate',
          minutes: 5,
          phase: 'block',
          intent: 'skill',
          place: 'range',
          exit: { kind: 'until', criterion: 'three are in' },
        },
        { kind: 'pause', id: 'b', title: 'Water', minutes: 3 },
      ],
    });
    const [gate, water] = plan.segments;
    expect(gate?.kind === 'practice' && gate.exit.kind === 'until' && gate.exit.criterion).toBe('three are in');
    expect(gate).toMatchObject({ balls: 0, clubs: [], cue: '', feedback: null, holes: null });
    expect(water).toEqual({ kind: 'pause', id: 'b', title: 'Water', minutes: 3, instruction: '' });
  });

  it('parts a segment without making balls or holes', () => {
    const holes = { ...newSegment('onCourse', 'range'), minutes: 15, balls: 11, holes: 5 } as Plan['segments'][number];
    const { segments } = after({ do: 'add', segment: holes }, { do: 'split', id: holes.id }).plan;
    expect(segments).toMatchObject([
      { minutes: 7, balls: 5, holes: 2 },
      { minutes: 8, balls: 6, holes: 3 },
    ]);
  });

  it('keeps what was written on an empty bench when a template is taken', () => {
    const template = {
      ...emptyPlan,
      title: 'An hour',
      purpose: 'Theirs',
      constraints: { minutes: 60, balls: 100 },
      segments: [block],
    };
    const written = { ...emptyPlan, title: 'Mine', constraints: { ...emptyPlan.constraints, balls: 80 } };
    const taken = keepingWords(written, template);
    expect(taken).toMatchObject({
      title: 'Mine',
      purpose: 'Theirs',
      constraints: { minutes: 60, balls: 80 },
      segments: [block],
    });
    expect(keepingWords({ ...written, segments: [random] }, template)).toBe(template);
  });
});
