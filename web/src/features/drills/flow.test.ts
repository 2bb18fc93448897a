import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  begin,
  displaysOf,
  offersOf,
  promptOf,
  proposedOf,
  take,
  walkThrough,
  withoutLastAttempt,
  type DrillInput,
  type Flow,
} from './flow';

interface SharedFlow {
  name: string;
  flow: Flow;
  games: { inputs: DrillInput[]; shown: string[]; withoutLastAttempt: number }[];
}

const file = new URL('../../../../tests/fixtures/flows.json', import.meta.url);
const shared = JSON.parse(readFileSync(file, 'utf8')) as SharedFlow[];

const line = (flow: Flow, inputs: DrillInput[]) => {
  const walk = walkThrough(flow, inputs);
  const { state, attempts, isComplete, misfitAt } = walk;
  const where = `${state?.name ?? '-'} ${attempts} ${isComplete ? 'complete' : 'open'} ${misfitAt ?? 'fits'}`;
  const offers = offersOf(flow, walk).map((o) => `${o.value}: ${o.notes.join(' ')}`);
  return [
    where,
    promptOf(walk),
    walk.said ?? '-',
    proposedOf(walk) ?? '-',
    offers.join('; '),
    ...displaysOf(flow, walk),
  ].join(' | ');
};

describe('the phone’s walker', () => {
  it('knows games of every protocol', () => expect(shared.length).toBeGreaterThanOrEqual(33));

  it.each(shared.map((s) => [s.name, s] as const))('walks %s as the core does', (_, { flow, games }) => {
    for (const { inputs, shown } of games) {
      expect(shown).toHaveLength(inputs.length + 1);
      shown.forEach((expected, n) => expect(line(flow, inputs.slice(0, n))).toBe(expected));
    }
  });

  it('takes back an attempt whole', () => {
    for (const { games } of shared)
      for (const game of games) expect(withoutLastAttempt(game.inputs)).toHaveLength(game.withoutLastAttempt);
  });

  it('goes on where it was left', () => {
    for (const { flow, games } of shared)
      for (const { inputs } of games) {
        const half = Math.floor(inputs.length / 2);
        const resumed = inputs
          .slice(half)
          .reduce((walk, input) => take(flow, walk, input), walkThrough(flow, inputs.slice(0, half)));
        expect(resumed).toEqual(walkThrough(flow, inputs));
      }
  });

  it('refuses a flow of another format', () =>
    expect(() => begin({ ...(shared[0] as SharedFlow).flow, version: 4 })).toThrow('format 4'));
});
