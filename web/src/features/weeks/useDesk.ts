import { useState, type KeyboardEvent } from 'react';
import { useKeys } from '../../app/keys';
import { count, dayName } from '../../ui/format';
import {
  clipOf,
  columnOf,
  dayOf,
  dropped,
  isBetween,
  keptInOrder,
  looseBetween,
  pasted,
  rowsBetween,
  type Card,
  type Cell,
  type Clip,
  type Placed,
  type Selection,
  type Sheet,
  type Whose,
} from './sheet';
import { useChecks } from './useSheet';
import { useSheetActions } from './useSheetActions';

export interface DeskProps {
  sheet: Sheet;
  week: string;
  whose: Whose;
  /** Whether this is still another week, until the one asked for is there. */
  isOld: boolean;
  /** What was copied, which stays at hand from one week to the next. */
  clips: readonly Clip[];
  onCopy: (clips: readonly Clip[]) => void;
  onWeek: (week: string) => void;
  /** The column in hand to begin with. */
  startsAt?: number;
}

/**
 * What a coach holds and does on a sheet, with one set of keys, however it is drawn: as the lines of many students, or as the
 * bays of one.
 */
export function useDesk({ sheet, week, whose, isOld, clips, onCopy, onWeek, startsAt = 0 }: DeskProps) {
  const actions = useSheetActions(week, whose);
  // Nobody jumps to another line because something was set for them.
  const [order, setOrder] = useState<readonly string[]>([]);
  const ids = sheet.rows.map((r) => r.studentId);
  if (!isOld && ids.some((id) => !order.includes(id))) setOrder([...order, ...ids.filter((id) => !order.includes(id))]);
  const rows = keptInOrder(sheet.rows, order);
  const checks = useChecks(week, isOld ? [] : order.filter((id) => ids.includes(id)));
  const [selection, setSelection] = useState<Selection>(() => {
    const at = { row: 0, column: startsAt };
    return { at, from: at };
  });
  const [taken, setTaken] = useState<string>();
  const [carried, setCarried] = useState<{ held: Placed[]; from: Cell }>();
  const [publishing, setPublishing] = useState<readonly string[]>();
  const [copying, setCopying] = useState<readonly string[]>();
  const [showsPlans, setShowsPlans] = useState(false);

  const row = rows[selection.at.row];
  const here = row?.sessions.filter((s) => columnOf(sheet.monday, s.day) === selection.at.column) ?? [];
  const inHand = here.find((s) => s.assignmentId === taken) ?? here[0];
  // One session that was taken by itself, or all that stand in what is selected.
  const selected = looseBetween(rows, sheet.monday, selection.at, selection.from).filter(
    ({ card }) => taken === undefined || card.assignmentId === taken,
  );
  const chosen = rowsBetween(rows, selection.at, selection.from).map((r) => r.studentId);
  const isOne = selection.at.row === selection.from.row;
  /** Whom an act is for: the rows that are selected, or everybody on the sheet. */
  const whom = isOne ? rows.map((r) => r.studentId) : chosen;

  const select = (next: Selection) => {
    setSelection(next);
    setTaken(undefined);
  };

  function letGo(held: readonly Placed[], from: Cell, to: Cell) {
    const { moves, puts } = dropped(held, from, to, rows, sheet.monday);
    void actions.move(
      moves,
      held.map((h) => h.card),
    );
    void actions.put(puts);
    select({ at: to, from: to });
  }

  const gridKeys: Record<string, () => void> = {
    ' ': () => {
      if (carried) {
        letGo(carried.held, carried.from, selection.at);
        setCarried(undefined);
      } else if (selected.length > 0) {
        setCarried({ held: selected, from: selection.at });
        actions.say({
          text: `Carrying ${count(selected.length, 'session')}: arrows, then space to let go.`,
          refused: [],
        });
      }
    },
    Escape: () => {
      setCarried(undefined);
      setTaken(undefined);
    },
    Enter: () => {
      const at = here.findIndex((s) => s.assignmentId === taken);
      setTaken(here[(at + 1) % here.length]?.assignmentId);
    },
    c: () => {
      const copied = clipOf(selected, sheet.monday);
      onCopy(copied);
      actions.say({
        text: copied.length > 0 ? `Copied ${count(copied.length, 'session')}; v puts it in.` : 'Nothing here to copy.',
        refused: [],
      });
    },
    v: () => void actions.put(pasted(clips, rows, sheet.monday, selection.at, selection.from)),
    x: () => void actions.takeOut(selected.map((s) => s.card)),
  };
  /** Copies last week at once into weeks that are empty; where something stands already it is asked how. */
  const askCopy = () => {
    const isFilled = rows.some(
      (r) => whom.includes(r.studentId) && r.sessions.some((s) => s.requirement !== 'own' && !s.notes?.programme),
    );
    if (isFilled) setCopying(whom);
    else void actions.copyLastWeek(whom);
  };
  useKeys({
    l: askCopy,
    f: () => void actions.fill(whom),
    g: () => void actions.place(whom),
    p: () => setPublishing(whom),
    d: () => setShowsPlans((shows) => !shows),
    'Ctrl+z': actions.undo,
    // The first arrow takes hold of the sheet.
    ArrowRight: () => focusCell(selection.at),
    ArrowDown: () => focusCell(selection.at),
    '[': () => onWeek(sheet.previous),
    ']': () => onWeek(sheet.next),
  });

  return {
    sheet,
    week,
    actions,
    rows,
    checks,
    selection,
    select,
    /** The row and the session in hand. */
    row,
    inHand,
    /** The sessions of the selection that are not begun. */
    selected: selected.map((s) => s.card),
    take: (card: Card) => setTaken(card.assignmentId),
    carried: new Set(carried?.held.map((h) => h.card.assignmentId)),
    drop: (card: Card, from: Cell, to: Cell) => letGo([{ card, row: from.row }], from, to),
    /** A key pressed in the grid; arrows are the grid's own. */
    onKey: (e: KeyboardEvent) => {
      const act = e.ctrlKey || e.metaKey || e.altKey ? undefined : gridKeys[e.key];
      if (!act) return;
      e.preventDefault();
      act();
    },
    isOne,
    chosen,
    whom,
    isSelected: (cell: Cell) => isBetween(cell, selection.at, selection.from),
    /** Whose week is about to be published; no value while nobody asked for it. */
    publishing,
    setPublishing,
    /** For whom it is asked how last week is copied; no value while nobody asked for it. */
    copying,
    setCopying,
    askCopy,
    showsPlans,
    setShowsPlans,
    /** Puts a plan into a cell, or without one into those that are selected. */
    putPlan: (planId: string, cell?: Cell) => {
      const cells = cell ? { at: cell, from: cell } : selection;
      void actions.put(
        rowsBetween(rows, cells.at, cells.from).map((r) => ({
          planId,
          studentId: r.studentId,
          day: dayOf(sheet.monday, cells.at.column),
          requirement: 'must',
        })),
      );
    },
    /** Where a press puts a plan, in words. */
    target: `${isOne ? (row?.name ?? '') : count(chosen.length, 'student')}, ${dayInWords(sheet, selection.at)}`,
  };
}

export type Desk = ReturnType<typeof useDesk>;

const focusCell = ({ row, column }: Cell) =>
  document.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)?.focus();

const dayInWords = (sheet: Sheet, at: Cell) => {
  const day = dayOf(sheet.monday, at.column);
  return day === null ? 'any day' : dayName(day);
};
