import { useTheme } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { begin, take, type DrillInput, type Flow, type Walk } from './flow';
import type { Protocol } from './queries';

export type Of<K extends Protocol['kind']> = Extract<Protocol, { kind: K }>;

/** What is counted and what is in hand, in every drill's picture. Orange asks for attention, and nothing here does. */
export const mark = '#0f6b6b';

export const register = (walk: Walk, name: string) => walk.registers[name] ?? 0;

/** The number at the end of a state's name: which putt, which cell. */
export const indexOf = (walk: Walk) => Number(/(\d+)\D*$/.exec(walk.state?.name ?? '')?.[1] ?? -1);

export const numbersOf = (inputs: readonly DrillInput[]) =>
  inputs.flatMap((i) => (i.kind === 'number' ? [i.tenths / 10] : []));

/** Every input with the name of the state that asked for it. */
export function asked(flow: Flow, inputs: readonly DrillInput[]): { state: string; input: DrillInput }[] {
  let walk = begin(flow);
  return inputs.map((input) => {
    const state = walk.state?.name ?? '';
    walk = take(flow, walk, input);
    return { state, input };
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
