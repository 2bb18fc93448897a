import { useEffect, useEffectEvent, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { followPointer } from '../../ui/dragging';
import { isLoose, stepped, type Card, type Cell } from './sheet';
import type { Desk } from './useDesk';

/** The cells of a drawing of weeks: arrows walk over them, and sessions are dragged from one into another. */
export function useGrid(desk: Desk, steps: Readonly<Record<string, Partial<Cell>>>) {
  const { rows, selection, select, drop, onKey } = desk;
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
    select({ at, from: e.shiftKey ? selection.from : at });
  }

  const drag = (card: Card, from: Cell) => (start: PointerEvent) => {
    if (start.button !== 0 || !isLoose(card)) return;
    followPointer(
      start,
      (e) => setOver(cellAt(e)),
      (e) => {
        setOver(undefined);
        const to = e.type === 'pointercancel' ? undefined : cellAt(e);
        if (to && (to.row !== from.row || to.column !== from.column)) drop(card, from, to);
      },
    );
  };

  return { grid, over, onKeyDown, drag };
}

/** The cell under a pointer; no value where there is none. */
export function cellAt(e: { clientX: number; clientY: number }): Cell | undefined {
  const cell = document.elementFromPoint(e.clientX, e.clientY)?.closest<HTMLElement>('[data-cell]');
  const [row, column] = cell?.dataset.cell?.split(' ').map(Number) ?? [];
  return row === undefined || column === undefined ? undefined : { row, column };
}
