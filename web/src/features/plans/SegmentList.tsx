import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useState } from 'react';
import { dragRow, makesWay, type RowDrag } from '../../ui/dragging';
import { count, intents } from '../../ui/format';
import { PhaseSign } from '../../ui/phases';
import type { Segment } from './benchState';

interface Props {
  segments: Segment[];
  selected: string | undefined;
  onSelect: (id: string) => void;
  onMove: (id: string, to: number) => void;
  onLengthen: (id: string, by: number) => void;
  onRemove: (id: string) => void;
}

/** The segments in order. Drag by the handle, or the arrow keys on it; Alt with the arrow keys moves the one in hand. */
export function SegmentList({ segments, onMove, ...row }: Props) {
  const [drag, setDrag] = useState<RowDrag & { height: number }>();
  const place = (index: number) => {
    if (!drag) return undefined;
    return index === drag.from ? drag.by : makesWay(drag, index, drag.height);
  };
  return (
    <Box component="ol" aria-label="Segments" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {segments.map((segment, i) => (
        <Row
          key={segment.id}
          segment={segment}
          away={place(i)}
          isDragging={drag?.from === i}
          onGrab={(start) => {
            const height = start.currentTarget.closest('li')?.clientHeight ?? 0;
            dragRow(
              start,
              i,
              (now) => setDrag(now && { ...now, height }),
              (to) => onMove(segment.id, to),
            );
          }}
          onStep={(by) => {
            const to = i + by;
            if (to >= 0 && to < segments.length) onMove(segment.id, to);
          }}
          {...row}
        />
      ))}
    </Box>
  );
}

const small = { width: 26, height: 30, borderRadius: 1, fontSize: 17, color: 'text.secondary' };

interface RowProps extends Omit<Props, 'segments' | 'onMove'> {
  segment: Segment;
  /** How far it is from where it stands, in pixels, while a row is dragged. */
  away: number | undefined;
  isDragging: boolean;
  onGrab: (start: React.PointerEvent) => void;
  onStep: (by: 1 | -1) => void;
}

function Row({ segment, selected, away, isDragging, onGrab, onStep, onSelect, onLengthen, onRemove }: RowProps) {
  const isSelected = segment.id === selected;
  return (
    <Box
      component="li"
      data-testid="segment-row"
      sx={{
        display: 'grid',
        gridTemplateColumns: 'auto minmax(0, 1fr) auto',
        alignItems: 'center',
        columnGap: 0.5,
        borderBottom: '1px solid',
        borderColor: 'line',
        bgcolor: isSelected ? 'background.paper' : undefined,
        boxShadow: (theme) => (isSelected ? `inset 4px 0 0 ${theme.palette.text.primary}` : 'none'),
        opacity: isDragging ? 0.6 : 1,
        position: 'relative',
        zIndex: isDragging ? 1 : undefined,
      }}
      style={
        away === undefined
          ? undefined
          : { transform: `translateY(${away}px)`, transition: isDragging ? 'none' : 'transform 120ms' }
      }
    >
      <Box
        component="button"
        type="button"
        onPointerDown={onGrab}
        onKeyDown={(e) => {
          if (e.altKey || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return;
          e.preventDefault();
          e.stopPropagation();
          onStep(e.key === 'ArrowUp' ? -1 : 1);
        }}
        aria-label={`Move ${segment.title}`}
        sx={{
          border: 0,
          background: 'none',
          cursor: 'grab',
          gridArea: '1 / 1 / 3',
          width: 30,
          height: 36,
          p: 0,
          ml: 0.5,
          color: 'text.secondary',
          touchAction: 'none',
        }}
      >
        <svg width="12" height="18" viewBox="0 0 12 18" aria-hidden fill="currentColor">
          {[3, 9, 15].map((y) => [3, 9].map((x) => <circle key={`${x}-${y}`} cx={x} cy={y} r="1.5" />))}
        </svg>
      </Box>
      <Box
        component="button"
        type="button"
        aria-pressed={isSelected}
        onClick={() => onSelect(segment.id)}
        sx={{
          gridArea: '1 / 2 / 3 / -1',
          minWidth: 0,
          minHeight: 58,
          display: 'flex',
          gap: 1,
          alignItems: 'flex-start',
          border: 0,
          background: 'none',
          font: 'inherit',
          color: 'inherit',
          textAlign: 'left',
          cursor: 'pointer',
          py: 0.5,
        }}
      >
        {segment.kind === 'practice' ? <PhaseSign phase={segment.phase} named /> : <Box sx={{ width: 20 }} />}
        <Box sx={{ minWidth: 0 }}>
          <Box sx={{ fontWeight: 620, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
            {segment.title || 'Untitled'}
          </Box>
          <Box sx={{ fontSize: 13.5, color: 'text.secondary', pr: '132px' }}>{underTitle(segment)}</Box>
        </Box>
      </Box>
      <Box sx={{ gridArea: '2 / 3', display: 'flex', alignItems: 'center', alignSelf: 'end' }}>
        <ButtonBase
          sx={small}
          aria-label={`${segment.title}: a minute less`}
          onClick={() => onLengthen(segment.id, -1)}
        >
          −
        </ButtonBase>
        <Box sx={{ width: 52, textAlign: 'center', fontWeight: 620 }}>{segment.minutes} min</Box>
        <ButtonBase sx={small} aria-label={`${segment.title}: a minute more`} onClick={() => onLengthen(segment.id, 1)}>
          +
        </ButtonBase>
        <ButtonBase sx={small} aria-label={`Take ${segment.title} out`} onClick={() => onRemove(segment.id)}>
          ×
        </ButtonBase>
      </Box>
    </Box>
  );
}

function underTitle(segment: Segment): string {
  if (segment.kind === 'pause') return 'Pause';
  const balls = segment.balls > 0 ? `, ${count(segment.balls, 'ball')}` : '';
  const holes = segment.holes ? `, ${count(segment.holes, 'hole')}` : '';
  return `${intents[segment.intent]}${balls}${holes}`;
}
