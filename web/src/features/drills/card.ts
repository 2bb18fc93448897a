import { readNumber } from '../../ui/numbers';
import { begin, take, type DrillInput, type Flow, type Walk } from './flow';

export interface CardReading {
  inputs: DrillInput[];
  walk: Walk;
  /** The first piece of the text that fits nothing the drill asks for; everything before it is read. */
  misfit: string | undefined;
}

/**
 * Reads attempts from a card, as short as they were noted: for a choice the number of its answer, digits in a row or apart;
 * numbers apart; for taps and timers how many of them, where an attempt begins with one. Words go to the end of their line.
 */
export function readCard(flow: Flow, text: string): CardReading {
  let rest = text;
  let walk = begin(flow);
  const inputs: DrillInput[] = [];
  const give = (answer: Answer) => {
    const input = { ...answer, attempt: walk.attempts + 1 };
    walk = take(flow, walk, input);
    inputs.push(input);
  };
  for (;;) {
    rest = rest.replace(/^[\s,;]+/, '');
    const ask = walk.state?.question;
    if (!ask) break;
    if ((ask.kind === 'tap' || ask.kind === 'timer') && inputs.at(-1)?.attempt === walk.attempts + 1) {
      give({ kind: ask.kind });
      continue;
    }
    if (rest === '') break;
    const read = readOne(ask, rest);
    if (!read) break;
    rest = rest.slice(read.length);
    for (const answer of read.answers) if (walk.state?.question.kind === ask.kind) give(answer);
  }
  return { inputs, walk, misfit: rest === '' ? undefined : (rest.split(/[\s,;]/)[0] ?? rest) };
}

type Answer =
  | { kind: 'choice'; value: string }
  | { kind: 'number'; tenths: number }
  | { kind: 'text'; text: string }
  | { kind: 'tap' | 'timer' };

function readOne(
  ask: NonNullable<Walk['state']>['question'],
  rest: string,
): { answers: Answer[]; length: number } | undefined {
  switch (ask.kind) {
    case 'choice': {
      const option = ask.options[Number(rest[0]) - 1];
      return option && { answers: [{ kind: 'choice', value: option.value }], length: 1 };
    }
    case 'number': {
      const found = /^[-−+]?\d+([.,]\d+)?/.exec(rest)?.[0];
      if (found === undefined) return undefined;
      const tenths = Math.round((readNumber(found) ?? 0) * 10);
      const fits = tenths >= ask.least && tenths <= ask.most && tenths % ask.step === 0;
      return fits ? { answers: [{ kind: 'number', tenths }], length: found.length } : undefined;
    }
    case 'text': {
      const line = rest.split('\n')[0]?.trim() ?? '';
      return line.length <= ask.longest ? { answers: [{ kind: 'text', text: line }], length: line.length } : undefined;
    }
    case 'tap':
    case 'timer': {
      const found = /^\d{1,3}/.exec(rest)?.[0];
      if (found === undefined) return undefined;
      return { answers: Array.from({ length: Number(found) }, () => ({ kind: ask.kind })), length: found.length };
    }
    case 'nothing':
      return undefined;
  }
}

/** What to type next, in words. */
export function hintOf(walk: Walk): string {
  const ask = walk.state?.question;
  switch (ask?.kind) {
    case undefined:
      return 'The drill is whole.';
    case 'choice':
      return ask.options.map((o, i) => `${i + 1} ${o.label.toLowerCase()}`).join(', ');
    case 'number':
      return `${ask.label}${ask.unit && ` in ${ask.unit}`}, with a space after it`;
    case 'text':
      return 'The words, and a new line after them';
    case 'tap':
    case 'timer':
      return 'How many were done';
    case 'nothing':
      return '';
  }
}
