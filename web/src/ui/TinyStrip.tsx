import type { Schemas } from '../api/client';
import { phases } from './phases';
import { floor, heightOf } from './SessionStrip';

const height = 18;

interface Props {
  segments: readonly Schemas['StripSegment'][];
  /** What the strip is of, for those who cannot see it; none where that is said beside it. */
  label?: string;
}

/** The session strip where hundreds of them stand at once: the same drawing as one picture. */
export function TinyStrip({ segments, label }: Props) {
  const all = segments.reduce((sum, s) => sum + s.minutes, 0) || 1;
  const starts = segments.map((_, i) => segments.slice(0, i).reduce((sum, s) => sum + s.minutes, 0));
  return (
    <svg
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
      width="100%"
      height={height + 2}
      style={{ display: 'block' }}
    >
      {segments.map((segment, i) => {
        const mark = segment.phase && phases[segment.phase];
        const tall = Math.round(height * (mark ? heightOf(segment.ballsPerMinute) : floor));
        const x = (100 * (starts[i] ?? 0)) / all;
        const width = (100 * segment.minutes) / all;
        const done = segment.fraction ?? 0;
        if (!mark) return null;
        return (
          <g key={i} fill={`url(#phase-${segment.phase})`} stroke={mark.line}>
            <rect
              x={`${x}%`}
              y={height - tall}
              width={`${width}%`}
              height={tall}
              fillOpacity={done < 1 || segment.isReported ? 0.22 : 1}
            />
            {done > 0 && (done < 1 || segment.isReported) && (
              <rect
                x={`${x}%`}
                y={height - tall}
                width={`${width * done}%`}
                height={tall}
                stroke="none"
                {...(segment.isReported && { fill: 'url(#reported)' })}
              />
            )}
          </g>
        );
      })}
      <rect y={height} width="100%" height="2" fill="currentColor" />
    </svg>
  );
}
