import { describe, expect, it } from 'vitest';
import { changed, emptyPlan, newSegment, planFrom, type Change, type Draft } from './draft';

const start: Draft = { plan: emptyPlan, selected: undefined, removed: undefined };
const after = (...changes: Change[]) => changes.reduce(changed, start);
const [warmUp, block, random] = [
  newSegment('warmUp', 'range'),
  newSegment('block', 'range'),
  newSegment('random', 'range'),
];
const three: Change[] = [warmUp, block, random].map((segment) => ({ do: 'add', segment }));
const titles = (draft: Draft) => draft.plan.segments.map((s) => s.title);

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
    expect(titles(changed(without, { do: 'putBack' }))).toEqual(['Warm-up', 'Block', 'Random']);
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
});
