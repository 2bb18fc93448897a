import type { PointerEvent } from 'react';
import type { Schemas } from '../../api/client';
import { findingLevels } from '../../ui/findingLevels';
import { minutes, weekday } from '../../ui/format';
import { DayLine } from './DayLine';
import { SessionChip, worstOf } from './SessionChip';
import {
  columnOf,
  columns,
  dayOf,
  isBetween,
  usualInWords,
  type Card,
  type Cell,
  type Row,
  type Selection,
  type Sheet,
} from './sheet';

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

/** One student's line: what stands in each day, and what the days are like. */
export function SheetRow(props: RowProps) {
  const { sheet, row, index, check, selection, inHand, carried, over, isTabStop, onSelect, onTake, drag } = props;
  const worst = worstOf(check?.week ?? []);
  const bySession = new Map(check?.sessions.map((s) => [s.assignmentId, worstOf(s.findings)]) ?? []);
  return (
    <div role="row" className={row.sessions.length === 0 ? 'line empty' : 'line'}>
      <span role="rowheader" className="name">
        {row.name}
        {row.hurt.length > 0 && <em>hurts: {row.hurt.join(', ')}</em>}
        {!row.mayBePublishedTo && <em>no guardian’s consent</em>}
        {row.programmes.map((p) => (
          <small key={p.runId} title={p.name}>
            {p.week === null ? 'programme waits' : `week ${p.week} of ${p.weeks}`}
          </small>
        ))}
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
              <SessionChip
                key={card.assignmentId}
                card={card}
                level={bySession.get(card.assignmentId)}
                isInHand={card.assignmentId === inHand}
                isCarried={carried.has(card.assignmentId)}
                onTake={onTake}
                onPointerDown={drag(card, cell)}
              />
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
  return (
    <>
      <svg aria-hidden width="100%" height="8">
        <rect y="2" width="100%" height="4" rx="2" fill="currentColor" opacity="0.13" />
        <rect y="2" width={`${(100 * row.minutes) / most}%`} height="4" rx="2" fill="currentColor" />
        {usualMinutes !== null && (
          <rect x={`${(100 * usualMinutes) / most}%`} width="2" height="8" fill="currentColor" />
        )}
      </svg>
      <small className={row.load === 'caution' ? 'much' : undefined}>{usualInWords(row)}</small>
    </>
  );
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
