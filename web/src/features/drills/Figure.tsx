import { useTheme } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { begin, take, type DrillInput, type Flow, type FlowState, type Walk } from './flow';
import type { Protocol } from './queries';

export type Of<K extends Protocol['kind']> = Extract<Protocol, { kind: K }>;

/** What is counted and what is in hand, in every drill's picture. Orange asks for attention, and nothing here does. */
export const mark = '#0f6b6b';

export const register = (walk: Walk, name: string) => walk.registers[name] ?? 0;

/** Where a state stands in its drill. What the server leaves out of a position is nought. */
export const positionOf = (state: FlowState | undefined) => ({
  /** Whether it stands anywhere: a question about the whole has no place. */
  isPlaced: state?.at !== undefined && state.at !== null,
  station: state?.at?.station ?? 0,
  ball: state?.at?.ball ?? 0,
  step: state?.at?.step ?? 'play',
});

/** Which of the things the drill goes through is in hand; −1 when it is over. */
export const stationOf = (walk: Walk) => (walk.state ? positionOf(walk.state).station : -1);

export const numbersOf = (inputs: readonly DrillInput[]) =>
  inputs.flatMap((i) => (i.kind === 'number' ? [i.tenths / 10] : []));

/** Every input with the place in the drill where it was asked for. */
export function asked(flow: Flow, inputs: readonly DrillInput[]) {
  let walk = begin(flow);
  return inputs.map((input) => {
    const at = positionOf(walk.state);
    walk = take(flow, walk, input);
    return { at, input };
  });
}

/** A register after each attempt, in order. */
export function traceOf(flow: Flow, inputs: readonly DrillInput[], name: string): number[] {
  let walk = begin(flow);
  const trace: number[] = [];
  for (const input of inputs) {
    const before = walk.attempts;
    walk = take(flow, walk, input);
    if (walk.attempts > before) trace.push(register(walk, name));
  }
  return trace;
}

/** A drawing with its text equivalent, as wide as the screen lets it. */
export function Figure({ label, children, height = 150 }: { label: string; children: ReactNode; height?: number }) {
  const { palette } = useTheme();
  return (
    <svg
      viewBox={`0 0 320 ${height}`}
      width="100%"
      role="img"
      aria-label={label}
      fontFamily="inherit"
      fontSize="14"
      fill={palette.text.primary}
      stroke="none"
      style={{ display: 'block', color: palette.text.primary, margin: '8px 0', maxHeight: '42vh' }}
    >
      {children}
    </svg>
  );
}
