import Box from '@mui/material/Box';
import { useId } from 'react';
import { dayName } from './format';

/** A number on a day. */
export interface PlotDot {
  day: string;
  value: number;
  /** Where it lies with 95 % confidence; missing where one result says nothing of that. */
  doubt?: { low: number; high: number } | null;
  /** Dots of one stretch are comparable; between two stretches the line is broken. */
  stretch?: number;
  /** Drawn hollow: a lesson, or something ticked off. It judges nothing. */
  isHollow?: boolean;
  /** Drawn square: typed in from a card. */
  isPaper?: boolean;
}

interface Props {
  /** What it shows, in words, with its numbers. */
  label: string;
  from: string;
  to: string;
  min: number;
  max: number;
  dots: readonly PlotDot[];
  /** The band to come to, hatched; an end that is missing lies beyond the picture. */
  band?: { least: number | null; most: number | null };
  /** A line through means, broken where there is none. */
  means?: readonly { day: string; value: number | null }[];
  /** Where it may go, from a dot to the band: the soonest and the latest. */
  fan?: { day: string; value: number; soonest: string; latest: string; to: number };
  competitions?: readonly { name: string; firstDay: string }[];
  marks?: readonly number[];
  unit?: string;
  height?: number;
}

const dayNumber = (day: string) => Date.parse(`${day}T00:00:00Z`) / 86_400_000;

/** Where a day and a number stand in a picture of a hundred by a hundred. */
export function placing({ from, to, min, max }: { from: string; to: string; min: number; max: number }) {
  const [first, days, span] = [dayNumber(from), Math.max(1, dayNumber(to) - dayNumber(from)), max - min || 1];
  const round = (n: number) => Math.round(n * 100) / 100;
  return {
    across: (day: string) => round((100 * (dayNumber(day) - first)) / days),
    up: (value: number) => round(100 - (100 * (Math.min(max, Math.max(min, value)) - min)) / span),
  };
}

/** A scale that holds all numbers with their doubt, and the band, with a little air. */
export function scaleOf(numbers: readonly (number | null | undefined)[], within?: [number, number]) {
  const known = numbers.filter((n): n is number => n != null);
  const [low, high] = known.length === 0 ? [0, 1] : [Math.min(...known), Math.max(...known)];
  const air = (high - low || Math.abs(high) || 1) * 0.12;
  return {
    min: Math.max(low - air, within?.[0] ?? -Infinity),
    max: Math.min(high + air, within?.[1] ?? Infinity),
  };
}

/**
 * Numbers over time: each a dot with its doubt, joined where they are comparable. A handful of paths, however many dots, so that
 * a page holds a dozen of them.
 */
export function TimePlot(props: Props) {
  const { label, dots, band, means, fan, competitions = [], marks = [], unit = '', height = 92, min, max } = props;
  const { across, up } = placing(props);
  const hatch = useId();
  const lines = linesOf(dots)
    .map((line) => 'M' + line.map((d) => `${across(d.day)} ${up(d.value)}`).join('L'))
    .join('');
  const whiskers = dots
    .filter((d) => d.doubt)
    .map((d) => `M${across(d.day)} ${up(d.doubt?.low ?? 0)}V${up(d.doubt?.high ?? 0)}`)
    .join('');
  const points = (shown: readonly PlotDot[]) => shown.map((d) => `M${across(d.day)} ${up(d.value)}h0`).join('');
  const [top, bottom] = band ? [up(band.most ?? max), up(band.least ?? min)] : [0, 0];
  return (
    <Box role="img" aria-label={label} sx={{ position: 'relative', height, color: 'primary.main' }}>
      <svg
        width="100%"
        height="100%"
        viewBox="0 0 100 100"
        preserveAspectRatio="none"
        aria-hidden
        style={{ position: 'absolute', overflow: 'visible' }}
      >
        {band && (
          <>
            <pattern id={hatch} width="1.6" height="5" patternUnits="userSpaceOnUse">
              <path
                d="M0 5L1.6 0"
                stroke="currentColor"
                strokeWidth="1"
                opacity=".28"
                vectorEffect="non-scaling-stroke"
              />
            </pattern>
            <rect x="0" y={top} width="100" height={Math.max(0, bottom - top)} fill={`url(#${hatch})`} />
          </>
        )}
        <g fill="none" stroke="currentColor" strokeLinecap="round">
          {band && (
            <path
              d={[band.least, band.most].map((end) => (end === null ? '' : `M0 ${up(end)}H100`)).join('')}
              strokeWidth="1.2"
              strokeDasharray="5 4"
              vectorEffect="non-scaling-stroke"
            />
          )}
          {competitions.map((c) => (
            <path
              key={`${c.name} ${c.firstDay}`}
              d={`M${across(c.firstDay)} 0V100`}
              strokeWidth="1.4"
              strokeDasharray="1 4"
              vectorEffect="non-scaling-stroke"
            />
          ))}
          {fan && (
            <path
              d={`M${across(fan.soonest)} ${up(fan.to)}L${across(fan.day)} ${up(fan.value)}L${across(fan.latest)} ${up(fan.to)}`}
              strokeWidth="1.6"
              strokeDasharray="2 5"
              vectorEffect="non-scaling-stroke"
            />
          )}
          <path d={whiskers} strokeWidth="1.4" opacity=".55" vectorEffect="non-scaling-stroke" />
          <path d={lines} strokeWidth="1.3" opacity=".7" vectorEffect="non-scaling-stroke" />
          {means && <path d={broken(means, across, up)} strokeWidth="2.4" vectorEffect="non-scaling-stroke" />}
          <path d={points(dots.filter((d) => !d.isPaper))} strokeWidth="8" vectorEffect="non-scaling-stroke" />
          <path
            d={points(dots.filter((d) => d.isPaper))}
            strokeWidth="8"
            strokeLinecap="square"
            vectorEffect="non-scaling-stroke"
          />
        </g>
        <Box
          component="path"
          d={points(dots.filter((d) => d.isHollow))}
          sx={{ stroke: 'var(--mui-palette-background-default, #f6f1e6)' }}
          fill="none"
          strokeWidth="4.5"
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {marks.map((mark) => (
        <Box
          key={mark}
          aria-hidden
          sx={{
            position: 'absolute',
            top: `${up(mark)}%`,
            right: '100%',
            pr: 0.75,
            transform: 'translateY(-50%)',
            fontSize: 12,
            color: 'text.secondary',
            whiteSpace: 'nowrap',
          }}
        >
          {mark}
          {unit === '%' ? '\u00a0%' : unit}
        </Box>
      ))}
    </Box>
  );
}

/** Dots that are joined: comparable and solid ones in a row. */
function linesOf(dots: readonly PlotDot[]): PlotDot[][] {
  const lines: PlotDot[][] = [];
  for (const dot of dots) {
    if (dot.isHollow) continue;
    const last = lines.at(-1);
    if (last && last[0]?.stretch === dot.stretch) last.push(dot);
    else lines.push([dot]);
  }
  return lines.filter((line) => line.length > 1);
}

function broken(
  means: readonly { day: string; value: number | null }[],
  across: (day: string) => number,
  up: (value: number) => number,
): string {
  return means
    .map(({ day, value }, i) =>
      value === null ? '' : `${(means[i - 1]?.value ?? null) === null ? 'M' : 'L'}${across(day)} ${up(value)}`,
    )
    .join('');
}

/** The days at both ends of a picture, and competitions by name where they stand. */
export function DayAxis({
  from,
  to,
  competitions = [],
}: {
  from: string;
  to: string;
  competitions?: readonly { name: string; firstDay: string }[];
}) {
  const { across } = placing({ from, to, min: 0, max: 1 });
  return (
    <Box aria-hidden sx={{ position: 'relative', height: competitions.length > 0 ? 38 : 20, fontSize: 13, mt: 0.5 }}>
      <Box sx={{ position: 'absolute', left: 0, color: 'text.secondary' }}>{dayName(from).slice(4)}</Box>
      <Box sx={{ position: 'absolute', right: 0, color: 'text.secondary' }}>{dayName(to).slice(4)}</Box>
      {competitions.map((c) => (
        <Box
          key={`${c.name} ${c.firstDay}`}
          sx={{
            position: 'absolute',
            top: 18,
            ...(across(c.firstDay) > 60
              ? { right: `${100 - across(c.firstDay)}%` }
              : { left: `${Math.max(0, across(c.firstDay))}%` }),
            whiteSpace: 'nowrap',
          }}
        >
          ⚑ {c.name}
        </Box>
      ))}
    </Box>
  );
}
