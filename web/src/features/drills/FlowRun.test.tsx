// @vitest-environment happy-dom
import { act, fireEvent, screen } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { renderInTheme } from '../../testing/renderInTheme';
import { useState } from 'react';
import { walkThrough, withoutLastAttempt, type DrillInput, type Flow } from './flow';
import { FlowRun } from './FlowRun';
import type { Protocol } from './queries';

interface SharedFlow {
  name: string;
  flow: Flow;
  games: { inputs: DrillInput[] }[];
}

const shared = JSON.parse(readFileSync('../tests/fixtures/flows.json', 'utf8')) as SharedFlow[];
const named = (name: string) => {
  const found = shared.find((s) => s.name.startsWith(name));
  if (!found) throw new Error(`There is no flow called ${name}.`);
  return found;
};

/** Pictures have their own tests in the browser; this one is the plainest and needs no parameters of the drill. */
const protocol: Protocol = { kind: 'makeRate', attempts: 10, make: 'holed' };

function Drill({
  flow,
  onChange,
  routine,
}: {
  flow: Flow;
  onChange: (inputs: DrillInput[]) => void;
  routine?: string[];
}) {
  const [inputs, setInputs] = useState<DrillInput[]>([]);
  const change = (next: DrillInput[]) => {
    setInputs(next);
    onChange(next);
  };
  return (
    <FlowRun
      flow={flow}
      inputs={inputs}
      protocol={protocol}
      calls={[]}
      isLeftHanded={false}
      hidesCounts
      routine={routine ?? []}
      onInput={(input) => change([...inputs, input])}
      onUndo={() => change(withoutLastAttempt(inputs))}
    />
  );
}

/** Looking a button up by its words is many times faster here than by its role. */
const buttons = (name: string, within: ParentNode = document) =>
  [...within.querySelectorAll('button')].filter((b) => (b.getAttribute('aria-label') ?? b.textContent) === name);
const press = (name: string, within?: ParentNode) => {
  const [button] = buttons(name, within);
  if (!button) throw new Error(`There is no button "${name}".`);
  fireEvent.click(button);
};

/** Answers the question on the screen as a thumb would. */
function answer(flow: Flow, before: readonly DrillInput[], input: DrillInput) {
  const ask = walkThrough(flow, before).state?.question;
  if (!ask) throw new Error('Nothing is asked any more.');
  if (input.kind === 'stop') press('Stop here');
  else if (ask.kind === 'choice' && ask.offersAt && input.kind === 'choice') {
    const offered = () => document.querySelector(`button[data-value="${input.value}"]`);
    if (!offered()) press('Something else');
    fireEvent.click(offered() as Element);
  } else if (ask.kind === 'choice')
    press(ask.options.find((o) => input.kind === 'choice' && o.value === input.value)?.label ?? '');
  else if (ask.kind === 'tap') press(ask.label);
  else if (ask.kind === 'text' && input.kind === 'text') {
    fireEvent.change(screen.getByLabelText('In your words'), { target: { value: input.text } });
    press('That is it');
  } else if (ask.kind === 'timer') {
    if (buttons('Start').length > 0) press('Start');
    act(() => void vi.advanceTimersByTime((ask.seconds + 1) * 1000));
  } else if (input.kind === 'number') {
    const dial = ask.kind === 'number' && ask.step === 10 && ask.most <= 100 && document.querySelector('[role=group]');
    if (dial) press(String(input.tenths / 10), dial);
    else {
      fireEvent.change(document.querySelector('input') as HTMLInputElement, {
        target: { value: String(input.tenths / 10) },
      });
      press('Enter');
      // What is hardly ever meant is asked about once more.
      if (screen.queryByText(/really\? Enter it again if so/)) press('Enter');
    }
  }
}

afterEach(() => void vi.useRealTimers());

describe('a drill under way', () => {
  it.each(shared.map((s) => [s.name, s] as const))(
    'answers %s with the thumb as the core’s games do',
    (_, { flow, games }) => {
      vi.useFakeTimers();
      for (const { inputs } of games.slice(0, 1)) {
        let given: DrillInput[] = [];
        renderInTheme(<Drill flow={flow} onChange={(next) => (given = next)} />);
        const told = inputs.filter((i) => i.kind !== 'timeUp').slice(0, 20);
        for (const input of told) answer(flow, given, input);
        const plain = (i: DrillInput) => ({ ...i, attempt: undefined, tags: undefined });
        expect(given.map(plain)).toEqual(told.map(plain));
        expect(given.map((i) => i.attempt)).toEqual(told.map((i) => i.attempt));
      }
    },
  );

  it('asks about a carry of nothing before it believes it, and about no other', async () => {
    const { flow } = named('carry guessed');
    let given: DrillInput[] = [];
    const { hands } = renderInTheme(<Drill flow={flow} onChange={(next) => (given = next)} />);
    const enter = async (text: string) => {
      await hands.type(screen.getByRole('textbox'), text);
      await hands.click(screen.getByRole('button', { name: 'Enter' }));
    };
    await enter('0');
    expect(screen.queryByText('0 yd, really? Enter it again if so.')).not.toBeNull();
    expect(given).toHaveLength(0);
    await hands.click(screen.getByRole('button', { name: 'Enter' }));
    expect(given.map((i) => i.kind === 'number' && i.tenths)).toEqual([0]);
    await enter('75');
    expect(given).toHaveLength(2);
  });

  it('says left and right where the sign means a side, and takes a pasted minus for what it is', async () => {
    const { flow } = named('guess and check');
    const first = flow.states.find((s) => s.question.kind === 'number' && s.question.sides);
    if (!first) throw new Error('No question has sides.');
    let given: DrillInput[] = [];
    const { hands } = renderInTheme(
      <Drill flow={{ ...flow, start: first.name }} onChange={(next) => (given = next)} />,
    );
    const box = screen.getByRole('textbox');
    await hands.click(box);
    await hands.paste('−5');
    await hands.click(screen.getByRole('button', { name: 'Enter' }));
    expect(given.map((i) => i.kind === 'number' && i.tenths)).toEqual([-50]);
  });

  it('lets one tag of a group ride with the attempt, and only with that one', async () => {
    const { flow } = named('make rate');
    let given: DrillInput[] = [];
    const { hands } = renderInTheme(<Drill flow={flow} onChange={(next) => (given = next)} />);
    const labels = walkThrough(flow, []).state?.question;
    const make = labels?.kind === 'choice' ? (labels.options[0]?.label ?? '') : '';
    await hands.click(screen.getByRole('button', { name: 'Tag this one' }));
    await hands.click(screen.getByRole('button', { name: 'heavy' }));
    await hands.click(screen.getByRole('button', { name: 'thin' }));
    await hands.click(screen.getByRole('button', { name: make }));
    await hands.click(screen.getByRole('button', { name: make }));
    expect(given.map((i) => i.tags)).toEqual([{ contact: 'thin' }, undefined]);
  });

  it('takes the last attempt back, and has nothing to take back before the first', async () => {
    const { flow } = named('make rate');
    let given: DrillInput[] = [];
    const { hands } = renderInTheme(<Drill flow={flow} onChange={(next) => (given = next)} />);
    const undo = screen.getByRole('button', { name: 'Undo the last one' });
    expect(undo).toHaveProperty('disabled', true);
    const ask = walkThrough(flow, []).state?.question;
    await hands.click(
      screen.getByRole('button', { name: ask?.kind === 'choice' ? (ask.options[1]?.label ?? '') : '' }),
    );
    expect(given).toHaveLength(1);
    await hands.click(undo);
    expect(given).toHaveLength(0);
  });

  it('says between which numbers an answer lies, and takes no other', async () => {
    const { flow } = named('measured shots');
    const given: DrillInput[][] = [];
    const { hands } = renderInTheme(<Drill flow={flow} onChange={(next) => given.push(next)} />);
    const ask = walkThrough(flow, []).state?.question;
    if (ask?.kind !== 'number') throw new Error('Measured shots ask for a number.');
    await hands.type(screen.getByRole('textbox'), String(ask.most / 10 + 1));
    expect(screen.queryByText(`Between ${ask.least / 10} and ${ask.most / 10}, please.`)).not.toBeNull();
    expect(screen.getByRole('button', { name: 'Enter' })).toHaveProperty('disabled', true);
    await hands.keyboard('{Enter}');
    expect(given).toEqual([]);
  });

  it('notes how far the routine was done', async () => {
    const { flow } = named('make rate');
    let given: DrillInput[] = [];
    const { hands } = renderInTheme(
      <Drill flow={flow} routine={['Look from behind', 'One breath']} onChange={(next) => (given = next)} />,
    );
    await hands.click(screen.getByRole('button', { name: 'My routine' }));
    await hands.click(screen.getByRole('button', { name: '1. Look from behind' }));
    const ask = walkThrough(flow, []).state?.question;
    await hands.click(
      screen.getByRole('button', { name: ask?.kind === 'choice' ? (ask.options[0]?.label ?? '') : '' }),
    );
    expect(given[0]?.tags).toEqual({ routine: 'partly' });
  });

  it('says the day’s aim once five balls are given, and again when five more have verified it', () => {
    const { flow, games } = named('aim check');
    const game = games.find((g) => g.inputs.length === 10 && walkThrough(flow, g.inputs).said?.startsWith('It holds'));
    if (!game) throw new Error('No game verifies.');
    let inputs: DrillInput[] = [];
    renderInTheme(<Drill flow={flow} onChange={(next) => (inputs = next)} />);
    for (const input of game.inputs) {
      if (inputs.length === 4) expect(screen.queryByTestId('flow-said')).toBeNull();
      answer(flow, inputs, input);
      if (inputs.length === 5)
        expect(screen.getByTestId('flow-said').textContent).toContain('Five more, only to verify');
    }
    expect(screen.getByTestId('flow-said').textContent).toMatch(/^It holds. Today’s aim at 214 yd: .* with the driver/);
  });
});
