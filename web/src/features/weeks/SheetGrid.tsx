import Box from '@mui/material/Box';
import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { followPointer } from '../../ui/dragging';
import { columns, dayOf, isLoose, stepped, type Card, type Cell, type Row, type Sheet } from './sheet';
import type { Checks } from './useSheet';
import type { useSheetActions } from './useSheetActions';
import { DayMenu } from './DayMenu';
import { sheetLook } from './sheetLook';
import { SheetRow } from './SheetRow';

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
