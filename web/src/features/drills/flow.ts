import type { Schemas } from '../../api/client';

export type Flow = Schemas['AttemptFlow'];
export type FlowState = Schemas['FlowState'];
export type DrillInput = Schemas['DrillInput'];

/** Where a walk of a flow stands. It knows nothing of golf: the rules were compiled into the flow on the server. */
export interface Walk {
  /** The state that asks now; no value when the drill is over. */
  state: FlowState | undefined;
  registers: Record<string, number>;
  attempts: number;
  /** Whether the drill came to its own end, rather than being stopped. */
  isComplete: boolean;
  /** The index of the first input that did not fit. */
  misfitAt: number | undefined;
  taken: number;
  /** What was said last; no value while nothing was. */
  said: string | undefined;
}

const currentVersion = 3;

/** More states than these are never passed with one input. */
const mostPassed = 1000;

export function begin(flow: Flow): Walk {
  if (flow.version < 1 || flow.version > currentVersion) throw new Error(`This flow has format ${flow.version}.`);
  return {
    state: flow.states.find((s) => s.name === flow.start),
    registers: Object.fromEntries(flow.registers.map((r) => [r.name, r.initial])),
    attempts: 0,
    isComplete: false,
    misfitAt: undefined,
    taken: 0,
    said: undefined,
  };
}

/** Walks inputs from the start, as resuming and undoing do. */
export const walkThrough = (flow: Flow, inputs: readonly DrillInput[]): Walk =>
  inputs.reduce((walk, input) => take(flow, walk, input), begin(flow));

/** The walk after one more input. An input that does not fit is noted, and everything after it passed over. */
export function take(flow: Flow, walk: Walk, input: DrillInput): Walk {
  if (walk.misfitAt !== undefined) return walk;
  const misfit = { ...walk, misfitAt: walk.taken };
  const { state } = walk;
  if (!state || input.attempt !== walk.attempts + 1) return misfit;
  if (input.kind === 'stop' || input.kind === 'timeUp') return { ...walk, state: undefined, taken: walk.taken + 1 };
  if (!fits(state.question, input)) return misfit;
  const next = through(flow, walk, state, input);
  return next ? { ...next, taken: walk.taken + 1 } : misfit;
}

/** States by name, once for each flow: a phone walks through them at every tap. */
const statesOf = new WeakMap<Flow, Map<string, FlowState>>();

function stateNamed(flow: Flow, name: string): FlowState | undefined {
  let states = statesOf.get(flow);
  if (!states) statesOf.set(flow, (states = new Map(flow.states.map((s) => [s.name, s]))));
  return states.get(name);
}

/**
 * The walk after a state's transition, and after those of the states behind it that ask nothing; no value where none holds, or
 * where so many ask nothing that they must go round in a circle.
 */
function through(flow: Flow, walk: Walk, state: FlowState, input: DrillInput): Walk | undefined {
  const next: Walk = { ...walk, registers: { ...walk.registers } };
  let at = state;
  for (let passed = 0; passed < mostPassed; passed++) {
    const taken = at.transitions.find((t) => (t.when ?? []).every((guard) => holds(guard, input, next)));
    if (!taken) return undefined;
    for (const effect of taken.then ?? []) carry(effect, input, next.registers);
    if (taken.endsAttempt) next.attempts++;
    if (taken.says) next.said = filled(taken.says, next);
    next.state = taken.to ? stateNamed(flow, taken.to) : undefined;
    if (next.state?.question.kind !== 'nothing') return { ...next, isComplete: !taken.to };
    at = next.state;
  }
  return undefined;
}

/** Whether a drill still wants something. */
export const isAsking = (flow: Flow, inputs: readonly DrillInput[]): boolean =>
  walkThrough(flow, inputs).state !== undefined;

/** Leaves out the last attempt with all its inputs; one that was only begun counts as the last. */
export function withoutLastAttempt(inputs: readonly DrillInput[]): DrillInput[] {
  const last = inputs.at(-1)?.attempt;
  let end = inputs.length;
  while (end > 0 && inputs[end - 1]?.attempt === last) end--;
  return inputs.slice(0, end);
}

function fits(ask: FlowState['question'], input: DrillInput): boolean {
  switch (ask.kind) {
    case 'choice':
      return input.kind === 'choice' && ask.options.some((o) => o.value === input.value);
    case 'number':
      return (
        input.kind === 'number' &&
        input.tenths >= ask.least &&
        input.tenths <= ask.most &&
        input.tenths % ask.step === 0
      );
    case 'text':
      return input.kind === 'text' && input.text.length <= ask.longest;
    case 'tap':
      return input.kind === 'tap';
    case 'timer':
      return input.kind === 'timer';
    case 'nothing':
      return false;
  }
}

function holds(guard: Schemas['FlowGuard'], input: DrillInput, walk: Walk): boolean {
  switch (guard.kind) {
    case 'choice':
      return input.kind === 'choice' && input.value === guard.value;
    case 'number':
      return input.kind === 'number' && input.tenths >= guard.least && input.tenths <= guard.most;
    case 'register':
      return (walk.registers[guard.register] ?? 0) >= guard.atLeast;
    case 'registers':
      return (walk.registers[guard.register] ?? 0) >= (walk.registers[guard.other] ?? 0);
  }
}

type Registers = Record<string, number>;

/** The name of a register, or of one of a row. */
const inRow = (register: string, at: string | null | undefined, registers: Registers) =>
  at ? `${register}${registers[at] ?? 0}` : register;

/** How many of ascending numbers a number has reached. */
const reached = (table: readonly number[], number: number) => table.filter((n) => number >= n).length;

function operandOf(effect: Schemas['FlowEffect'], input: DrillInput, registers: Registers): number {
  const from = registers[effect.from ?? ''] ?? 0;
  switch (effect.kind) {
    case 'register':
      return registers[inRow(effect.from ?? '', effect.fromAt, registers)] ?? 0;
    case 'product':
      return from * (registers[effect.by ?? ''] ?? 0);
    case 'lookup': {
      const found = reached(effect.table ?? [], from);
      return effect.values?.[found] ?? found;
    }
    case 'input':
      return input.kind === 'number' ? input.tenths : 0;
    default:
      return effect.number ?? 0;
  }
}

function carry(effect: Schemas['FlowEffect'], input: DrillInput, registers: Registers) {
  const operand = operandOf(effect, input, registers) * (effect.negative ? -1 : 1);
  const changed = inRow(effect.register, effect.registerAt, registers);
  const before = registers[changed] ?? 0;
  registers[changed] =
    effect.do === 'set' ? operand : effect.do === 'add' ? before + operand : Math.max(before, operand);
}

/** A line of a flow with its numbers. */
export const filled = (text: Schemas['FlowText'], walk: Walk): string =>
  (text.values ?? []).reduce((line, value, i) => line.replaceAll(`{${i}}`, shown(value, walk)), text.text);

/** An answer that is offered before the others, and what is said of it. */
export interface Offer {
  value: string;
  /** Whole sentences; the first says the most. */
  notes: string[];
}

/** What is offered first of the answers a state takes; empty where nothing is. */
export function offersOf(flow: Flow, walk: Walk): Offer[] {
  const ask = walk.state?.question;
  if (ask?.kind !== 'choice' || !ask.offersAt) return [];
  const list = flow.offers?.[walk.registers[ask.offersAt] ?? -1] ?? [];
  return list.map((offer) => ({
    value: offer.value,
    notes: (offer.notes ?? [])
      .map((n) => flow.notes?.[n])
      .map((note) => (note ? filled(note, walk) : ''))
      .filter((note) => note !== ''),
  }));
}

/** The number that a question begins from, in tenths; no value where none is proposed. */
export function proposedOf(walk: Walk): number | undefined {
  const ask = walk.state?.question;
  if (ask?.kind !== 'number' || !ask.proposed) return undefined;
  const number = walk.registers[ask.proposed] ?? 0;
  return number >= ask.least && number <= ask.most && number % ask.step === 0 ? number : undefined;
}

export const promptOf = (walk: Walk): string => (walk.state ? filled(walk.state.prompt, walk) : '');

export const displaysOf = (flow: Flow, walk: Walk): string[] => flow.displays.map((line) => filled(line, walk));

/** Whole-number arithmetic only, rounded half away from zero, so that every walker shows the same digits. */
function shown(value: Schemas['FlowValue'], walk: Walk): string {
  const register = walk.registers[value.register] ?? 0;
  if (value.words) {
    const word = value.table ? reached(value.table, register) : register;
    return value.words[Math.min(Math.max(word, 0), value.words.length - 1)] ?? '';
  }
  const divisor = (value.dividedBy ? (walk.registers[value.dividedBy] ?? 0) : 1) * (value.inTenths ? 10 : 1);
  if (divisor === 0) return '–';
  const decimals = value.decimals ?? 0;
  const scale = 10 ** decimals;
  const numerator = (register + (value.plus ?? 0)) * scale;
  const [n, d] = [Math.abs(numerator), Math.abs(divisor)];
  const rounded = Math.floor((2 * n + d) / (2 * d));
  const isNegative = !value.withoutSign && numerator < 0 !== divisor < 0;
  const sign = isNegative && rounded !== 0 ? '−' : '';
  const fraction = decimals === 0 ? '' : `.${String(rounded % scale).padStart(decimals, '0')}`;
  return `${sign}${Math.floor(rounded / scale)}${fraction}`;
}
