import Box from '@mui/material/Box';
import { columns, dayOf, type Cell, type Selection } from './sheet';
import type { Desk } from './useDesk';
import { DayMenu } from './DayMenu';
import { sheetLook } from './sheetLook';
import { SheetRow } from './SheetRow';
import { useGrid } from './useGrid';

/** Students in rows, days as the lanes of a mown ground, and the tray of what has no day yet beside the names. */
export function SheetGrid({ desk }: { desk: Desk }) {
  const { sheet, rows, checks, selection, select, carried, actions } = desk;
  const inHand = desk.inHand?.assignmentId;
  const { grid, over, onKeyDown, drag } = useGrid(desk, steps);

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
          isTabStop={i === selection.at.row}
          onSelect={select}
          onTake={desk.take}
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
