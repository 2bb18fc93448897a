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

const currentVersion = 2;

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

/** The walk after a state's transition, and after those of the states behind it that ask nothing; no value where none holds. */
function through(flow: Flow, walk: Walk, state: FlowState, input: DrillInput): Walk | undefined {
  const taken = state.transitions.find((t) => (t.when ?? []).every((guard) => holds(guard, input, walk)));
  if (!taken) return undefined;
  const registers = { ...walk.registers };
  for (const effect of taken.then ?? []) carry(effect, input, registers);
  const next: Walk = {
    ...walk,
    state: taken.to ? flow.states.find((s) => s.name === taken.to) : undefined,
    registers,
    attempts: walk.attempts + (taken.endsAttempt ? 1 : 0),
    isComplete: !taken.to,
  };
  if (taken.says) next.said = filled(taken.says, next);
  return next.state?.question.kind === 'nothing' ? through(flow, next, next.state, input) : next;
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

function operandOf(effect: Schemas['FlowEffect'], input: DrillInput, registers: Record<string, number>): number {
  const from = registers[effect.from ?? ''] ?? 0;
  switch (effect.kind) {
    case 'register':
      return from;
    case 'product':
      return from * (registers[effect.by ?? ''] ?? 0);
    case 'lookup':
      return (effect.table ?? []).filter((n) => from >= n).length;
    case 'input':
      return input.kind === 'number' ? input.tenths : 0;
    default:
      return effect.number ?? 0;
  }
}

function carry(effect: Schemas['FlowEffect'], input: DrillInput, registers: Record<string, number>) {
  const before = registers[effect.register] ?? 0;
  const operand = operandOf(effect, input, registers) * (effect.negative ? -1 : 1);
  registers[effect.register] =
    effect.do === 'set' ? operand : effect.do === 'add' ? before + operand : Math.max(before, operand);
}

/** A line of a flow with its numbers. */
export const filled = (text: Schemas['FlowText'], walk: Walk): string =>
  (text.values ?? []).reduce((line, value, i) => line.replaceAll(`{${i}}`, shown(value, walk)), text.text);

export const promptOf = (walk: Walk): string => (walk.state ? filled(walk.state.prompt, walk) : '');

export const displaysOf = (flow: Flow, walk: Walk): string[] => flow.displays.map((line) => filled(line, walk));

/** Whole-number arithmetic only, rounded half away from zero, so that every walker shows the same digits. */
function shown(value: Schemas['FlowValue'], walk: Walk): string {
  if (value.words) {
    const word = Math.min(Math.max(walk.registers[value.register] ?? 0, 0), value.words.length - 1);
    return value.words[word] ?? '';
  }
  const divisor = (value.dividedBy ? (walk.registers[value.dividedBy] ?? 0) : 1) * (value.inTenths ? 10 : 1);
  if (divisor === 0) return '–';
  const decimals = value.decimals ?? 0;
  const scale = 10 ** decimals;
  const numerator = (walk.registers[value.register] ?? 0) * scale;
  const [n, d] = [Math.abs(numerator), Math.abs(divisor)];
  const rounded = Math.floor((2 * n + d) / (2 * d));
  const sign = numerator < 0 !== divisor < 0 && rounded !== 0 ? '−' : '';
  const fraction = decimals === 0 ? '' : `.${String(rounded % scale).padStart(decimals, '0')}`;
  return `${sign}${Math.floor(rounded / scale)}${fraction}`;
}
