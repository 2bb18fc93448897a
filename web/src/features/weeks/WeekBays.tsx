import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { excuses, minutes, percent, requirements, statuses, weekdays } from '../../ui/format';
import { weekdayOf } from '../../ui/weekdays';
import { columnOf, columns, dayOf, markOf, type Card, type Row } from './sheet';
import { SessionChip, worstOf } from './SessionChip';
import { chipLook } from './sheetLook';
import type { Desk } from './useDesk';
import { useGrid } from './useGrid';

/** The boards along the ground stand so many minutes apart. */
const board = 30;

const steps = {
  ArrowUp: { column: -1 },
  ArrowDown: { column: 1 },
  ArrowLeft: { column: -1 },
  ArrowRight: { column: 1 },
  Home: { column: -columns },
  End: { column: columns },
};

/**
 * One student's week as the bays of a practice ground seen from above: every day a bay, its sessions laid out from the mat as
 * long as they last, with a board every half hour; the time the student has is mown shorter.
 */
export function WeekBays({ desk }: { desk: Desk }) {
  const { sheet, checks, selection, select, inHand, carried, take } = desk;
  const { grid, over, onKeyDown, drag } = useGrid(desk, steps);
  const row = desk.rows[0];
  if (!row) return null;
  const check = checks.get(row.studentId);
  const levels = new Map(check?.sessions.map((s) => [s.assignmentId, worstOf(s.findings)]) ?? []);
  const days = Array.from({ length: columns }, (_, column) => {
    const day = dayOf(sheet.monday, column);
    const sessions = row.sessions.filter((s) => columnOf(sheet.monday, s.day) === column);
    return { day, sessions, times: day === null ? [] : row.times.filter((t) => t.weekday === weekdayOf(day)) };
  });
  const longest = Math.max(90, ...days.map((d) => Math.max(sum(d.sessions), ...d.times.map((t) => t.minutes), 0)));
  // The ground ends at a board, with a little room behind the longest day.
  const ground = board * Math.ceil((longest + 10) / board);
  const at = (of: number) => `${(100 * of) / ground}%`;
  return (
    <Box ref={grid} role="grid" aria-label={`The week of ${row.name}`} onKeyDown={onKeyDown} sx={look}>
      {days.map(({ day, sessions, times }, column) => {
        const cell = { row: 0, column };
        const isAt = selection.at.column === column;
        return (
          <div
            key={column}
            role="row"
            className={['bay', sessions.length === 0 && 'bare', day === null && 'tray', day === sheet.today && 'today']
              .filter(Boolean)
              .join(' ')}
          >
            <span role="rowheader" className="mat">
              <b>{nameOf(day)}</b>
              <small>
                {day === null ? '' : day === sheet.today ? `${Number(day.slice(8))}, today` : Number(day.slice(8))}
              </small>
            </span>
            <div
              role="gridcell"
              data-cell={`0 ${column}`}
              tabIndex={isAt ? 0 : -1}
              aria-selected={desk.isSelected(cell)}
              aria-label={bayInWords(row, day, sessions, times)}
              className={`lane${desk.isSelected(cell) ? ' selected' : ''}${over?.column === column ? ' over' : ''}${
                day !== null && row.away.includes(day) ? ' away' : ''
              }`}
              onPointerDown={(e) => select({ at: cell, from: e.shiftKey ? selection.from : cell })}
              onFocus={() => !isAt && select({ at: cell, from: cell })}
            >
              {times.map((t) => (
                <span key={t.from} aria-hidden className="time" style={{ width: at(t.minutes) }}>
                  <small>
                    {t.from.slice(0, 5)}, {minutes(t.minutes)}
                  </small>
                </span>
              ))}
              {Array.from({ length: ground / board - 1 }, (_, i) => (
                <i key={i} aria-hidden className="board" style={{ left: at(board * (i + 1)) }} />
              ))}
              <Marks row={row} day={day} />
              <div className="laid">
                {sessions.map((card) => (
                  <div key={card.assignmentId} style={{ width: at(card.minutes) }}>
                    <SessionChip
                      card={card}
                      level={levels.get(card.assignmentId)}
                      isInHand={card.assignmentId === inHand?.assignmentId}
                      isCarried={carried.has(card.assignmentId)}
                      onTake={take}
                      onPointerDown={drag(card, cell)}
                    >
                      <small className="state">{stateInWords(card)}</small>
                      {card.pain.length > 0 && <small className="pain">{card.pain.join('; ')}</small>}
                    </SessionChip>
                  </div>
                ))}
              </div>
            </div>
          </div>
        );
      })}
      <div aria-hidden className="boards">
        {Array.from({ length: ground / board }, (_, i) => (
          <small key={i} style={{ left: at(board * (i + 1)) }}>
            {board * (i + 1)}
            {i === 0 && ' min'}
          </small>
        ))}
      </div>
    </Box>
  );
}

const nameOf = (day: string | null) => (day === null ? 'Any day' : weekdays[weekdayOf(day)]);

const sum = (cards: readonly Card[]) => cards.reduce((all, c) => all + c.minutes, 0);

/** A flag where a competition is played, the way there the day they arrive, and a word where they cannot. */
function Marks({ row, day }: { row: Row; day: string | null }) {
  const word = day === null ? undefined : markOf(row, day);
  return word === undefined ? null : <small className="mark">{word}</small>;
}

function bayInWords(
  row: Row,
  day: string | null,
  sessions: readonly Card[],
  times: readonly Schemas['PracticeWindow'][],
): string {
  const facts = [
    day !== null && markOf(row, day),
    ...times.map((t) => `time from ${t.from.slice(0, 5)}, ${minutes(t.minutes)}`),
    ...sessions.map((s) => `${s.title}, ${stateInWords(s)}`),
  ].filter(Boolean);
  return `${nameOf(day)}: ${facts.length > 0 ? facts.join('; ') : 'nothing'}`;
}

/** What became of a session, or is to become of it. */
function stateInWords(card: Card): string {
  if (!card.isPublished) return `draft, ${minutes(card.minutes)}${card.requirement === 'extra' ? ', extra' : ''}`;
  const extra = card.isLesson
    ? 'lesson, '
    : card.requirement === 'must'
      ? ''
      : `${requirements[card.requirement].toLowerCase()}, `;
  const changed = [
    card.changedAfterPublishing && 'moved',
    card.fromTwoDevices && 'from two devices',
    card.keptAfterTakenOut && 'had been taken out',
    card.howMuchUnknown > 0 && 'part done, how much unknown',
  ]
    .filter((word) => word !== false)
    .map((word) => `, ${word}`)
    .join('');
  if (card.status === 'stopped') return `${extra}${card.completion.text}${changed}`;
  if (card.excuse) return `${extra}excused: ${excuses[card.excuse].toLowerCase()}`;
  if (card.hasLog && card.completion.fraction !== null)
    return `${extra}${statuses[card.status]}, ${percent(card.completion.fraction)}, ${card.completion.text}${changed}`;
  return `${extra}${statuses[card.status]}, ${minutes(card.minutes)}${changed}`;
}

const look = {
  position: 'relative',
  fontSize: 14,
  lineHeight: 1.25,
  pb: 2.5,
  // The line they stand on.
  '&::before': {
    content: '""',
    position: 'absolute',
    left: { xs: 94, sm: 118 },
    top: 0,
    bottom: 20,
    borderLeft: '2px solid',
    borderColor: 'text.primary',
    zIndex: 1,
  },
  '& .bay': {
    display: 'grid',
    gridTemplateColumns: { xs: '94px minmax(0, 1fr)', sm: '118px minmax(0, 1fr)' },
    minHeight: 58,
    '&.bare': { minHeight: 36 },
  },
  // Low dividers between the bays, on the side where one stands.
  '& .mat': {
    display: 'flex',
    alignItems: 'baseline',
    gap: 0.75,
    px: 1,
    pt: 1,
    borderTop: '2px solid',
    borderColor: 'line',
    '& b': { fontWeight: 620 },
    '& small': { color: 'text.secondary', fontSize: 13 },
    flexWrap: 'wrap',
    alignContent: 'flex-start',
  },
  '& .today .mat': { bgcolor: 'rgba(30,59,48,.1)', borderRadius: '4px 0 0 4px', '& b': { fontWeight: 700 } },
  '& .lane': {
    position: 'relative',
    minWidth: 0,
    cursor: 'cell',
    p: '20px 0 4px 6px',
    borderTop: '1px dashed',
    borderColor: 'line',
    '&.selected': { boxShadow: 'inset 0 0 0 1.5px rgba(30,59,48,.55)' },
    '&:focus-visible': { outlineOffset: -3 },
    '&.over': { boxShadow: 'inset 0 0 0 3px currentColor' },
    '&.away': { background: 'repeating-linear-gradient(135deg, transparent 0 7px, rgba(30,59,48,.16) 7px 8px)' },
  },
  '& .tray .lane': { borderTop: 0 },
  // What is mown for them: as long as the time they have.
  '& .time': {
    position: 'absolute',
    left: 0,
    top: 0,
    bottom: 0,
    bgcolor: 'rgba(30,59,48,.07)',
    borderRight: '2px solid rgba(30,59,48,.25)',
    textAlign: 'right',
    pr: 0.5,
    pt: '2px',
    '& small': { color: 'text.secondary', fontSize: 12.5, whiteSpace: 'nowrap' },
  },
  '& .board': { position: 'absolute', top: 0, bottom: 0, borderLeft: '1px dotted rgba(30,59,48,.35)' },
  '& .mark': { position: 'absolute', left: 8, top: 2, fontSize: 13, fontWeight: 640 },
  '& .laid': { position: 'relative', display: 'flex', flexWrap: 'wrap', '& > div': { minWidth: 118, pr: 0.75 } },
  '& .chip': {
    ...chipLook,
    pb: '3px',
    '& > span': { display: 'block', whiteSpace: 'normal', fontSize: 14, fontWeight: 620, overflowWrap: 'anywhere' },
    '& .state': { display: 'block', fontSize: 13, color: 'text.secondary' },
    '& .pain': { display: 'block', fontSize: 13, color: 'error.main' },
  },
  '& .boards': {
    position: 'absolute',
    left: { xs: 94, sm: 118 },
    right: 0,
    bottom: 0,
    height: 18,
    '& small': {
      position: 'absolute',
      transform: 'translateX(-100%)',
      pr: 0.5,
      fontSize: 12.5,
      color: 'text.secondary',
      whiteSpace: 'nowrap',
    },
  },
} as const;
