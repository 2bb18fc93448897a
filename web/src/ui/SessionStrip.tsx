import Box from '@mui/material/Box';
import type { Schemas } from '../api/client';
import { findingLevels } from './findingLevels';
import { count, minutes } from './format';
import { phases } from './phases';
import { stripDrag } from './dragging';

export type StripSegment = Schemas['StripSegment'];

type Size = 'large' | 'small' | 'tiny';

const heights: Record<Size, number> = { large: 96, small: 46, tiny: 20 };

/** Stretching has no balls and still has a body; putting has many and still fits: a floor, and a scale that flattens. */
export const floor = 0.17;
const fullPace = 4;
export const heightOf = (ballsPerMinute: number | null) =>
  ballsPerMinute === null ? floor : floor + (1 - floor) * Math.sqrt(Math.min(ballsPerMinute, fullPace) / fullPace);

/** A strip of a list has no ids: nobody points at a segment of it. */
const idOf = (segment: StripSegment) => segment.id ?? '';

interface Props {
  segments: StripSegment[];
  size?: Size;
  /** Whether the strip shows what was done (filled as far as it was) or a plan on the bench (all filled). */
  shows?: 'plan' | 'done';
  selected?: string | undefined;
  onSelect?: (id: string) => void;
  /** Makes a segment longer, or shorter where it is below zero, by minutes: its edge was dragged. */
  onResize?: (id: string, by: number) => void;
  /** Moves a segment to another place in the order, by dragging it. */
  onReorder?: (id: string, to: number) => void;
  /** Segments something is to be said about, and how much it weighs. */
  marks?: ReadonlyMap<string, Schemas['FindingLevel']>;
  /** Minutes there are and nothing is planned for: drawn as an empty place at the end. */
  emptyMinutes?: number;
  /** What the strip is of, for those who cannot see it. */
  label: string;
}

/**
 * A session as one strip: width is minutes, height is pace, tint and texture are the phase. Planned is an outline, done
 * is filled.
 */
export function SessionStrip(props: Props) {
  const {
    segments,
    size = 'small',
    shows = 'done',
    selected,
    onSelect,
    onResize,
    onReorder,
    marks,
    emptyMinutes = 0,
    label,
  } = props;
  const height = heights[size];
  const drag = stripDrag(segments, onResize, onReorder);
  const text = `${label}: ${segments.map((s) => inWords(s, shows)).join('; ')}`;
  return (
    <Box
      {...(onSelect ? { role: 'group', 'aria-label': label } : { role: 'img', 'aria-label': text })}
      sx={{
        display: 'flex',
        alignItems: size === 'large' ? 'flex-start' : 'flex-end',
        gap: size === 'tiny' ? '1px' : '2px',
        width: '100%',
      }}
    >
      {segments.map((segment, i) => (
        <Box
          key={segment.id ?? i}
          onPointerDown={drag.begin(idOf(segment))}
          sx={{
            position: 'relative',
            flex: `${segment.minutes} 1 0`,
            minWidth: 0,
            touchAction: onReorder ? 'pan-y' : undefined,
            containerType: size === 'large' ? 'inline-size' : undefined,
            // Where nothing stands below the bar this is its ground too: lists show hundreds of bars.
            ...(size !== 'large' && groundOf(height)),
          }}
        >
          <Bar
            segment={segment}
            height={height}
            hasMinutes={size === 'large'}
            shows={shows}
            isSelected={selected !== undefined && segment.id === selected}
            onSelect={onSelect && (() => onSelect(idOf(segment)))}
          />
          {size === 'large' && <Caption segment={segment} />}
          {marks?.has(idOf(segment)) && <Mark level={marks.get(idOf(segment)) ?? 'note'} />}
          {onResize && (
            <Box
              aria-hidden
              data-testid="resize"
              onPointerDown={drag.beginResize(idOf(segment))}
              sx={{
                position: 'absolute',
                right: -5,
                top: size === 'large' ? 20 : 0,
                width: 10,
                height: height,
                cursor: 'ew-resize',
                touchAction: 'none',
                zIndex: 1,
              }}
            />
          )}
        </Box>
      ))}
      {emptyMinutes > 0 && (
        <Box
          data-testid="empty-minutes"
          role="note"
          sx={{
            flex: `${emptyMinutes} 1 0`,
            minWidth: 0,
            alignSelf: 'stretch',
            fontSize: 13.5,
            color: 'text.secondary',
          }}
        >
          <Box
            sx={{
              height: height,
              border: '1.5px dashed',
              borderColor: 'line',
              borderBottomColor: 'text.secondary',
              borderRadius: '6px 6px 0 0',
              display: 'grid',
              placeItems: 'center',
              overflow: 'hidden',
              textAlign: 'center',
            }}
          >
            {minutes(emptyMinutes)} empty
          </Box>
        </Box>
      )}
    </Box>
  );
}

/** Something is said about this segment, beside the plan. */
function Mark({ level }: { level: Schemas['FindingLevel'] }) {
  return (
    <Box
      aria-hidden
      sx={{ position: 'absolute', top: 0, right: 4, fontSize: 13, lineHeight: 1, color: findingLevels[level].colour }}
    >
      {findingLevels[level].sign}
    </Box>
  );
}

/** What bars stand on, so high that the tallest fits. */
const groundOf = (height: number) =>
  ({
    height,
    display: 'flex',
    flexDirection: 'column',
    justifyContent: 'flex-end',
    borderBottom: '2px solid',
    borderColor: 'text.primary',
  }) as const;

interface BarProps {
  segment: StripSegment;
  height: number;
  hasMinutes: boolean;
  shows: 'plan' | 'done';
  isSelected: boolean;
  onSelect: (() => void) | undefined;
}

function Bar({ segment, height, hasMinutes, shows, isSelected, onSelect }: BarProps) {
  const mark = segment.phase && phases[segment.phase];
  const filled = shows === 'plan' ? 1 : (segment.fraction ?? 0);
  const barHeight = mark ? Math.round(height * heightOf(segment.ballsPerMinute)) : Math.round(height * floor);
  const bar = (
    <Box
      {...(onSelect && {
        component: 'button',
        type: 'button',
        onClick: onSelect,
        'aria-pressed': isSelected,
        'aria-label': inWords(segment, shows),
      })}
      sx={{
        position: 'relative',
        display: 'block',
        width: '100%',
        height: barHeight,
        p: 0,
        overflow: 'hidden',
        background: 'none',
        cursor: onSelect ? 'pointer' : undefined,
        borderRadius: height > 30 ? '5px 5px 0 0' : '2px 2px 0 0',
        border: mark ? `${height > 30 ? 1.5 : 1}px solid ${mark.line}` : 'none',
        borderBottom: 0,
        outline: isSelected ? '3px solid' : undefined,
        outlineColor: isSelected ? 'text.primary' : undefined,
        outlineOffset: 1,
        transition: 'height 160ms',
        // Dropped for pain: struck through, neither filled nor owed.
        backgroundImage:
          mark && shows === 'done' && segment.fraction === null
            ? `repeating-linear-gradient(135deg, transparent 0 6px, ${mark.line}55 6px 7px)`
            : undefined,
      }}
    >
      {mark && segment.phase ? (
        <>
          {filled < 1 && <Texture phase={segment.phase} width={100} faint />}
          {filled > 0 && <Texture phase={segment.phase} width={filled * 100} faint={segment.isReported === true} />}
          {filled > 0 && segment.isReported && (
            // Reported, not shown: hatched.
            <Box
              component="span"
              sx={{
                position: 'absolute',
                inset: 0,
                right: `${100 - filled * 100}%`,
                backgroundImage: `repeating-linear-gradient(45deg, transparent 0 4px, ${mark.line} 4px 6px)`,
              }}
            />
          )}
        </>
      ) : (
        <Box
          component="span"
          sx={{
            position: 'absolute',
            bottom: 2,
            left: '50%',
            height: '100%',
            borderLeft: '2px dotted',
            borderColor: 'text.secondary',
          }}
        />
      )}
    </Box>
  );
  if (!hasMinutes) return bar;
  return (
    <Box sx={groundOf(height + 20)}>
      <Box
        aria-hidden
        sx={{
          fontSize: 13,
          color: 'text.secondary',
          pl: 0.5,
          pb: 0.25,
          whiteSpace: 'nowrap',
          '@container (max-width: 40px)': { visibility: 'hidden' },
        }}
      >
        {minutes(segment.minutes)}
      </Box>
      {bar}
    </Box>
  );
}

function Texture({ phase, width, faint = false }: { phase: keyof typeof phases; width: number; faint?: boolean }) {
  return (
    <svg
      aria-hidden
      width={`${width}%`}
      height="100%"
      style={{
        position: 'absolute',
        left: 0,
        bottom: 0,
        opacity: faint ? 0.22 : 1,
        borderRight: !faint && width < 100 ? `2px solid ${phases[phase].line}` : undefined,
      }}
    >
      <rect width="100%" height="100%" fill={`url(#phase-${phase})`} />
    </svg>
  );
}

function Caption({ segment }: { segment: StripSegment }) {
  return (
    <Box
      sx={{
        pt: 0.75,
        pl: 0.5,
        maxHeight: 62,
        overflow: 'hidden',
        fontSize: 14,
        lineHeight: 1.25,
        '@container (max-width: 64px)': { visibility: 'hidden' },
      }}
    >
      <Box
        sx={{
          fontWeight: 650,
          display: '-webkit-box',
          WebkitLineClamp: 2,
          WebkitBoxOrient: 'vertical',
          overflow: 'hidden',
        }}
      >
        {segment.title || 'Untitled'}
      </Box>
      <Box sx={{ color: 'text.secondary' }}>{load(segment)}</Box>
    </Box>
  );
}

function load(segment: StripSegment): string {
  if (!segment.phase) return 'pause';
  if (segment.holes) return count(segment.holes, 'hole');
  return segment.balls > 0 ? count(segment.balls, 'ball') : 'no balls';
}

function inWords(segment: StripSegment, shows: 'plan' | 'done'): string {
  const phase = segment.phase ? phases[segment.phase].name.toLowerCase() : 'pause';
  const done =
    shows === 'plan' || !segment.phase
      ? ''
      : segment.fraction === null
        ? ', dropped because of pain'
        : `, ${Math.round(segment.fraction * 100)} % ${segment.isReported ? 'reported' : 'done'}`;
  return `${segment.title || 'Untitled'}, ${phase}, ${minutes(segment.minutes)}${done}`;
}
