import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { hintOf, readCard } from './card';
import { displaysOf, type Flow } from './flow';

const file = new URL('../../../../tests/fixtures/flows.json', import.meta.url);
const shared = JSON.parse(readFileSync(file, 'utf8')) as { name: string; flow: Flow }[];
const flowOf = (name: string) => {
  const found = shared.find((s) => s.name === name);
  if (!found) throw new Error(`No flow ${name}.`);
  return found.flow;
};

describe('a card', () => {
  it('is read as digits in a row: made, made, missed, made', () => {
    const flow = flowOf('make rate');
    const { inputs, walk, misfit } = readCard(flow, '1121');
    expect(inputs.map((i) => i.kind === 'choice' && i.value)).toEqual(['made', 'made', 'missed', 'made']);
    expect(inputs.map((i) => i.attempt)).toEqual([1, 2, 3, 4]);
    expect(displaysOf(flow, walk)).toEqual(['3 made, 4 of 6 attempts']);
    expect(misfit).toBeUndefined();
  });

  it('asks for the second length only after a putt that left one', () => {
    const { inputs, misfit } = readCard(flowOf('step ladder'), '1 2 1,5 1');
    expect(inputs.map((i) => i.kind)).toEqual(['choice', 'choice', 'number', 'choice']);
    expect(inputs[2]).toMatchObject({ tenths: 15, attempt: 2 });
    expect(misfit).toBeUndefined();
  });

  it('stops at the first thing that fits nothing, and says which', () => {
    const { inputs, misfit } = readCard(flowOf('make rate'), '1 1 7 1');
    expect(inputs).toHaveLength(2);
    expect(misfit).toBe('7');
  });

  it('does not read on past the end of the drill', () => {
    const { inputs, walk, misfit } = readCard(flowOf('make rate'), '1111111');
    expect(inputs).toHaveLength(6);
    expect(walk.isComplete).toBe(true);
    expect(misfit).toBe('1');
  });

  it('counts taps by their number, and steps likewise', () => {
    expect(readCard(flowOf('repetitions until the segment ends'), '12').inputs).toHaveLength(12);
    expect(readCard(flowOf('box breathing'), '4').inputs.map((i) => i.kind)).toEqual([
      'timer',
      'timer',
      'timer',
      'timer',
    ]);
  });

  it('takes what happens in the middle of an attempt as done', () => {
    const { inputs, walk } = readCard(flowOf('rehearsed scenario'), 'Last hole, one ahead. Calm.\n1 8');
    expect(inputs.map((i) => i.kind)).toEqual(['text', 'timer', 'tap', 'choice', 'number']);
    expect(walk.attempts).toBe(1);
  });

  it('reads ratings, and the cause only where it is asked', () => {
    const { inputs, misfit } = readCard(flowOf('ball rating'), '6 8 4 3');
    expect(misfit).toBeUndefined();
    expect(inputs.map((i) => i.kind)).toEqual(['number', 'number', 'tap', 'number', 'choice']);
  });

  it('says what comes next in words', () => {
    expect(hintOf(readCard(flowOf('make rate'), '').walk)).toBe('1 made, 2 missed');
    expect(hintOf(readCard(flowOf('measured shots'), '').walk)).toBe('club path in °, with a space after it');
    expect(hintOf(readCard(flowOf('make rate'), '111111').walk)).toBe('The drill is whole.');
  });

  it.each(shared.map((s) => [s.name, s.flow] as const))('of nothing is nothing: %s', (_, flow) => {
    expect(readCard(flow, ' \n ')).toMatchObject({ inputs: [], misfit: undefined });
  });
});
