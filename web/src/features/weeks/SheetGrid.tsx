import Box from '@mui/material/Box';
import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { followPointer } from '../../ui/dragging';
import { findingLevels } from '../../ui/findingLevels';
import { minutes, weekday } from '../../ui/format';
import { TinyStrip } from '../../ui/TinyStrip';
import type { Schemas } from '../../api/client';
import {
  columnOf,
  columns,
  dayOf,
  isBetween,
  isLoose,
  stepped,
  type Card,
  type Cell,
  type Row,
  type Sheet,
} from './sheet';
import type { Checks, useSheetActions } from './useSheet';
import { DayLine } from './DayLine';
import { DayMenu } from './DayMenu';

export interface Selection {
  /** The cell in hand. */
  at: Cell;
  /** Where the selection began; the same cell for one alone. */
  from: Cell;
}

interface Props {
  sheet: Sheet;
  rows: readonly Row[];
  checks: Checks;
  selection: Selection;
  onSelect: (selection: Selection) => void;
  /** The session in hand, of those of its cell. */
  inHand: string | undefined;
  onTake: (card: Card) => void;
  /** Sessions that are being carried, to be let go in another cell. */
  carried: ReadonlySet<string>;
  /** A session was dragged from one cell into another. */
  onDrop: (card: Card, from: Cell, to: Cell) => void;
  onKey: (e: KeyboardEvent) => void;
  /** What is done to all of a day. */
  actions: Pick<ReturnType<typeof useSheetActions>, 'move' | 'excuse'>;
}

/** Students in rows, days as the lanes of a mown ground, and the tray of what has no day yet beside the names. */
export function SheetGrid(props: Props) {
  const { sheet, rows, checks, selection, onSelect, inHand, onTake, carried, onDrop, onKey, actions } = props;
  const grid = useRef<HTMLDivElement>(null);
  const [over, setOver] = useState<Cell>();
  const { row, column } = selection.at;

  /** The cell in hand has the focus, once the sheet has it at all. */
  const focusCell = useEffectEvent(() => {
    const cell = grid.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`);
    if (cell && grid.current?.contains(document.activeElement) && document.activeElement !== cell) cell.focus();
  });
  useEffect(() => focusCell(), [row, column]);

  function onKeyDown(e: KeyboardEvent) {
    // A button of the head has its own keys.
    if (e.target instanceof HTMLElement && e.target.closest('button')) return;
    const by = steps[e.key];
    if (!by || e.ctrlKey || e.metaKey || e.altKey) {
      onKey(e);
      return;
    }
    e.preventDefault();
    const at = stepped(selection.at, rows.length, by);
    onSelect({ at, from: e.shiftKey ? selection.from : at });
  }

  const drag = (card: Card, from: Cell) => (start: PointerEvent) => {
    if (start.button !== 0 || !isLoose(card)) return;
    followPointer(
      start,
      (e) => setOver(cellAt(e)),
      (e) => {
        setOver(undefined);
        const to = e.type === 'pointercancel' ? undefined : cellAt(e);
        if (to && (to.row !== from.row || to.column !== from.column)) onDrop(card, from, to);
      },
    );
  };

  return (
    <Box
      ref={grid}
      role="grid"
      aria-label="The week of every student"
      aria-rowcount={rows.length + 1}
      onKeyDown={onKeyDown}
      sx={sheetLook}
    >
      <div role="row" className="head">
        <span role="columnheader">Student</span>
        {Array.from({ length: columns }, (_, i) => {
          const day = dayOf(sheet.monday, i);
          return (
            <span role="columnheader" key={i} className={day === sheet.today ? 'today' : undefined}>
              {day === null ? 'Any day' : <DayMenu sheet={sheet} rows={rows} day={day} actions={actions} />}
            </span>
          );
        })}
        <span role="columnheader">Set, and usual</span>
      </div>
      {rows.map((student, i) => (
        <SheetRow
          key={student.studentId}
          sheet={sheet}
          row={student}
          index={i}
          check={checks.get(student.studentId)}
          selection={isNearSelection(i, selection) ? selection : undefined}
          inHand={student.sessions.some((s) => s.assignmentId === inHand) ? inHand : undefined}
          carried={carried}
          over={over?.row === i ? over.column : undefined}
          isTabStop={i === row}
          onSelect={onSelect}
          onTake={onTake}
          drag={drag}
        />
      ))}
    </Box>
  );
}

const steps: Record<string, Partial<Cell>> = {
  ArrowUp: { row: -1 },
  ArrowDown: { row: 1 },
  ArrowLeft: { column: -1 },
  ArrowRight: { column: 1 },
  Home: { column: -columns },
  End: { column: columns },
  PageUp: { row: -10 },
  PageDown: { row: 10 },
};

const isNearSelection = (row: number, { at, from }: Selection) =>
  row >= Math.min(at.row, from.row) && row <= Math.max(at.row, from.row);

/** The cell under a pointer; no value where there is none. */
export function cellAt(e: { clientX: number; clientY: number }): Cell | undefined {
  const cell = document.elementFromPoint(e.clientX, e.clientY)?.closest<HTMLElement>('[data-cell]');
  const [row, column] = cell?.dataset.cell?.split(' ').map(Number) ?? [];
  return row === undefined || column === undefined ? undefined : { row, column };
}

interface RowProps {
  sheet: Sheet;
  row: Row;
  index: number;
  check: Schemas['CheckedStudentWeek'] | undefined;
  /** No value for a row without a selected cell. */
  selection: Selection | undefined;
  inHand: string | undefined;
  carried: ReadonlySet<string>;
  over: number | undefined;
  isTabStop: boolean;
  onSelect: (selection: Selection) => void;
  onTake: (card: Card) => void;
  drag: (card: Card, from: Cell) => (start: PointerEvent) => void;
}

function SheetRow(props: RowProps) {
  const { sheet, row, index, check, selection, inHand, carried, over, isTabStop, onSelect, onTake, drag } = props;
  const worst = worstOf(check?.week ?? []);
  const bySession = new Map(check?.sessions.map((s) => [s.assignmentId, worstOf(s.findings)]) ?? []);
  return (
    <div role="row" className={row.sessions.length === 0 ? 'line empty' : 'line'}>
      <span role="rowheader" className="name">
        {row.name}
        {row.hurt.length > 0 && <em>hurts: {row.hurt.join(', ')}</em>}
        {!row.mayBePublishedTo && <em>no guardian’s consent</em>}
        {row.times.length === 0 && <small>no times on record</small>}
      </span>
      {Array.from({ length: columns }, (_, column) => {
        const day = dayOf(sheet.monday, column);
        const cell = { row: index, column };
        const sessions = row.sessions.filter((s) => columnOf(sheet.monday, s.day) === column);
        const isAt = selection?.at.column === column && selection.at.row === index;
        const isSelected = selection !== undefined && isBetween(cell, selection.at, selection.from);
        return (
          <div
            key={column}
            role="gridcell"
            data-cell={`${index} ${column}`}
            tabIndex={isTabStop && (isAt || (!selection && column === 0)) ? 0 : -1}
            aria-selected={isSelected}
            aria-label={cellInWords(row, day, sessions)}
            className={`cell${isSelected ? ' selected' : ''}${over === column ? ' over' : ''}`}
            onPointerDown={(e) => onSelect({ at: cell, from: e.shiftKey && selection ? selection.from : cell })}
            onFocus={() => !isAt && onSelect({ at: cell, from: cell })}
          >
            {day !== null && <DayLine row={row} day={day} />}
            {sessions.map((card) => (
              <div
                key={card.assignmentId}
                className={chipClass(card, card.assignmentId === inHand, carried.has(card.assignmentId))}
                data-session={card.assignmentId}
                onPointerDown={drag(card, cell)}
                onClick={() => onTake(card)}
              >
                <span>
                  <Marks card={card} level={bySession.get(card.assignmentId)} />
                  {card.title}
                </span>
                <TinyStrip segments={card.strip} label={card.title} />
              </div>
            ))}
          </div>
        );
      })}
      <div role="gridcell" className="sum">
        <span>
          {minutes(row.minutes)}
          {worst && (
            <b style={{ color: findingLevels[worst].colour }} title={check?.week.map((f) => f.why).join('\n')}>
              {' '}
              {findingLevels[worst].sign}
            </b>
          )}
        </span>
        <Usual row={row} />
      </div>
    </div>
  );
}

/** What is set, beside what is usual: the tick is the mean of the four weeks before. */
function Usual({ row }: { row: Row }) {
  const { usualMinutes } = row;
  const most = Math.max(row.minutes, usualMinutes ?? 0, 60) * 1.15;
  const ratio = row.loadRatio === null || row.minutes === 0 ? '' : `, ${row.loadRatio.toFixed(1)} ×`;
  const told = usualMinutes === null ? 'no history yet' : `usual ${Math.round(usualMinutes)}${ratio}`;
  return (
    <>
      <svg aria-hidden width="100%" height="8">
        <rect y="2" width="100%" height="4" rx="2" fill="currentColor" opacity="0.13" />
        <rect y="2" width={`${(100 * row.minutes) / most}%`} height="4" rx="2" fill="currentColor" />
        {usualMinutes !== null && (
          <rect x={`${(100 * usualMinutes) / most}%`} width="2" height="8" fill="currentColor" />
        )}
      </svg>
      <small className={row.load === 'caution' ? 'much' : undefined}>{told}</small>
    </>
  );
}

function Marks({ card, level }: { card: Card; level: Schemas['FindingLevel'] | undefined }) {
  return (
    <>
      {level && <b style={{ color: findingLevels[level].colour }}>{findingLevels[level].sign} </b>}
      {card.notes?.wasMissed && <i title="Missed last week">again </i>}
      {(card.notes?.offers?.length ?? 0) > 0 && <i title="A next step is offered">↑ </i>}
    </>
  );
}

const levelOrder: Schemas['FindingLevel'][] = ['stop', 'caution', 'advice', 'note'];

/** The heaviest of several findings; no value where there are none. */
const worstOf = (findings: readonly { level: Schemas['FindingLevel'] }[]) =>
  levelOrder.find((level) => findings.some((f) => f.level === level));

function chipClass(card: Card, isInHand: boolean, isCarried: boolean): string {
  return [
    'chip',
    card.isPublished ? 'published' : 'draft',
    isLoose(card) && 'loose',
    card.excuse && 'excused',
    card.status === 'missed' && 'missed',
    isInHand && 'in-hand',
    isCarried && 'carried',
  ]
    .filter(Boolean)
    .join(' ');
}

function cellInWords(row: Row, day: string | null, sessions: readonly Card[]): string {
  const when = day === null ? 'any day' : weekday(day);
  const facts = [
    day !== null && row.away.includes(day) && 'away',
    ...row.competitions
      .filter((c) => day !== null && day >= c.firstDay && day <= c.lastDay)
      .map((c) => `${c.name} is played`),
    ...sessions.map((s) => `${s.title}, ${minutes(s.minutes)}${s.isPublished ? '' : ', draft'}`),
  ].filter(Boolean);
  return `${row.name}, ${when}: ${facts.length > 0 ? facts.join('; ') : 'nothing'}`;
}

const narrow = '@container (max-width: 900px)';
const tiny = '@container (max-width: 560px)';

const sheetLook = {
  display: 'grid',
  gridTemplateColumns: '150px 108px repeat(7, minmax(0, 1fr)) 104px',
  fontSize: 13.5,
  lineHeight: 1.25,
  '& .head, & .line': { display: 'grid', gridTemplateColumns: 'subgrid', gridColumn: '1 / -1' },
  // Where there is little room, name and sum stand above the days.
  [narrow]: {
    gridTemplateColumns: 'repeat(8, minmax(0, 1fr))',
    '& .head span:first-of-type, & .head span:last-of-type': { display: 'none' },
    '& .name': { gridColumn: '1 / 6' },
    '& .sum': { gridColumn: '6 / -1', gridRow: 1 },
    '& .cell': { gridRow: 2, minHeight: 48 },
  },
  [tiny]: {
    '& .head span': { px: 0.25, fontSize: 12.5, overflowWrap: 'anywhere' },
    '& .chip span': { display: 'none' },
  },
  '& .head': {
    position: 'sticky',
    top: 0,
    zIndex: 3,
    bgcolor: 'background.default',
    borderBottom: '2px solid',
    borderColor: 'text.primary',
    fontWeight: 640,
    '& > span': { px: 1, py: 0.5, display: 'flex', alignItems: 'center' },
    '& small': { fontWeight: 400, color: 'text.secondary', fontSize: 13 },
    '& .today': { boxShadow: 'inset 0 3px 0 currentColor' },
  },
  '& .line': { borderBottom: '1px solid', borderColor: 'line', minHeight: 48 },
  '& .line.empty .name': { color: 'secondary.main' },
  '& .name': {
    position: 'sticky',
    left: 0,
    zIndex: 2,
    bgcolor: 'background.default',
    px: 1,
    py: 0.5,
    fontWeight: 620,
    overflowWrap: 'anywhere',
    '& em, & small': {
      display: 'block',
      fontWeight: 400,
      fontStyle: 'normal',
      fontSize: 12.5,
      color: 'text.secondary',
    },
    '& em': { color: 'error.main' },
  },
  '& .cell': {
    position: 'relative',
    p: '14px 4px 4px',
    cursor: 'cell',
    minWidth: 0,
    // Mown lanes: every second day a shade darker.
    '&:nth-of-type(odd)': { bgcolor: 'rgba(30,59,48,.045)' },
    // The tray of what has no day yet.
    '&[data-cell$=" 0"]': { bgcolor: 'transparent', borderRight: '2px solid', borderColor: 'line', pt: '4px' },
    '&.selected': { boxShadow: 'inset 0 0 0 1.5px rgba(30,59,48,.55)', bgcolor: 'rgba(30,59,48,.1)' },
    '&:focus-visible': { outlineOffset: -3 },
    '&.over': { boxShadow: 'inset 0 0 0 3px currentColor' },
  },
  '& .chip': {
    p: '2px 4px 0',
    mb: '3px',
    borderRadius: '4px',
    bgcolor: 'background.paper',
    border: '1px solid transparent',
    userSelect: 'none',
    '& span': { display: 'block', overflow: 'hidden', whiteSpace: 'nowrap', textOverflow: 'ellipsis', fontSize: 12.5 },
    '& i': { fontStyle: 'normal', color: 'secondary.main', fontWeight: 640 },
    '&.loose': { cursor: 'grab' },
    '&.draft': { borderStyle: 'dashed', borderColor: 'text.secondary' },
    '&.excused': { opacity: 0.55 },
    '&.missed span': { textDecoration: 'underline', textDecorationStyle: 'wavy', textDecorationThickness: 1 },
    '&.in-hand': { outline: '2px solid', outlineColor: 'text.primary' },
    '&.carried': { opacity: 0.5, transform: 'translateY(-2px)' },
  },
  '& .sum': {
    px: 1,
    py: 0.5,
    '& small': { display: 'block', color: 'text.secondary', fontSize: 12 },
    '& .much': { color: 'secondary.main', fontWeight: 640 },
  },
} as const;
