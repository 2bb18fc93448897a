import type { Schemas } from '../api/client';

export type Phase = Schemas['Phase'];

interface PhaseMark {
  name: string;
  /** The fill of a segment. */
  tint: string;
  /** Outline, texture and sign; dark enough to be read as text on paper. */
  line: string;
}

/** How each phase looks, everywhere. Tint, texture and sign each tell it alone. */
export const phases: Record<Phase, PhaseMark> = {
  warmUp: { name: 'Warm-up', tint: '#efe3a6', line: '#655600' },
  block: { name: 'Block', tint: '#a5c3d6', line: '#1f4861' },
  random: { name: 'Random', tint: '#d8bdd4', line: '#613259' },
  onCourse: { name: 'On-course', tint: '#bcd4a0', line: '#33551c' },
};

export const phaseOrder: Phase[] = ['warmUp', 'block', 'random', 'onCourse'];

const textures: Record<Phase, React.ReactNode> = {
  warmUp: <path d="M0 5c2.5-3.5 5.5-3.5 8 0s5.5 3.5 8 0" fill="none" strokeWidth="1.1" />,
  block: <path d="M0 2.5h16M0 7.5h16" strokeWidth="1" />,
  random: (
    <g stroke="none" fill="currentColor">
      <circle cx="3" cy="3" r="1.15" />
      <circle cx="11" cy="7" r="1.15" />
    </g>
  ),
  onCourse: <path d="M-2 11.25 18-1.25M-10 11.25 10-1.25M6 11.25 26-1.25" strokeWidth="2.4" opacity="0.45" />,
};

/** The textures as SVG patterns, once a page; drawn faint for what is planned, full for what is done. */
export function PhasePatterns() {
  return (
    <svg width="0" height="0" style={{ position: 'absolute' }} aria-hidden focusable="false">
      <defs>
        <pattern id="reported" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0v6" stroke="currentColor" strokeWidth="3" />
        </pattern>
        {phaseOrder.map((phase) => (
          <pattern
            key={phase}
            id={`phase-${phase}`}
            width="16"
            height="10"
            patternUnits="userSpaceOnUse"
            color={phases[phase].line}
          >
            <rect width="16" height="10" fill={phases[phase].tint} />
            <g stroke={phases[phase].line}>{textures[phase]}</g>
          </pattern>
        ))}
      </defs>
    </svg>
  );
}

const signs: Record<Phase, React.ReactNode> = {
  // The sun half over the edge of the ground.
  warmUp: (
    <>
      <path d="M5 15a5 5 0 0 1 10 0" fill="currentColor" stroke="none" />
      <path d="M2 15.2h16M10 3.5v3M3.8 6.8l2 2M16.2 6.8l-2 2" />
    </>
  ),
  // The same stroke three times.
  block: <path d="M4 5.5h12M4 10h12M4 14.5h12" />,
  // Never twice the same way.
  random: (
    <>
      <path d="M4 14.5 8 6l4.5 6L16 4.5" />
      <g fill="currentColor" stroke="none">
        <circle cx="4" cy="14.5" r="1.9" />
        <circle cx="8" cy="6" r="1.9" />
        <circle cx="12.5" cy="12" r="1.9" />
        <circle cx="16" cy="4.5" r="1.9" />
      </g>
    </>
  ),
  // A pin in its hole.
  onCourse: (
    <>
      <path d="M8 16.5V3.5" />
      <path d="m8 3.5 7 2.8L8 9z" fill="currentColor" />
      <path d="M4 16.5h8" />
    </>
  ),
};

/** The sign of a phase; decoration next to its name, or named itself. */
export function PhaseSign({ phase, size = 20, named = false }: { phase: Phase; size?: number; named?: boolean }) {
  return (
    <svg
      viewBox="0 0 20 20"
      width={size}
      height={size}
      color={phases[phase].line}
      stroke="currentColor"
      strokeWidth="1.8"
      strokeLinecap="round"
      strokeLinejoin="round"
      fill="none"
      style={{ flex: 'none' }}
      {...(named ? { role: 'img', 'aria-label': phases[phase].name } : { 'aria-hidden': true })}
    >
      {signs[phase]}
    </svg>
  );
}
