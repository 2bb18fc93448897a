import Box from '@mui/material/Box';
import { useState, type KeyboardEvent } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useKeys } from '../../app/keys';
import { usePerson } from '../../app/signIn';
import { count, dayName } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { InHand } from './InHand';
import {
  clipOf,
  columnOf,
  dayOf,
  dropped,
  keptInOrder,
  looseBetween,
  pasted,
  rowsBetween,
  type Card,
  type Cell,
  type Clip,
  type Placed,
  type Sheet,
} from './sheet';
import { SheetGrid, type Selection } from './SheetGrid';
import { SheetHead } from './SheetHead';
import { useChecks, useSheet } from './useSheet';
import { useSheetActions } from './useSheetActions';

const PublishDialog = onDemand(() => import('./PublishDialog').then((m) => m.PublishDialog));
const SquadsDialog = onDemand(() => import('./SquadsDialog').then((m) => m.SquadsDialog));
const PlansDrawer = onDemand(() => import('./PlansDrawer').then((m) => m.PlansDrawer));

/** The week of every student at once: one coach, twenty students, fifteen minutes. */
export function WeekSheetPage() {
  const person = usePerson();
  const [address, setAddress] = useSearchParams();
  const week = address.get('week') ?? person.week;
  const squad = address.get('squad') ?? '';
  const sheet = useSheet(week, squad);
  const [clips, setClips] = useState<readonly Clip[]>([]);
  const go = (next: { week?: string; squad?: string }) =>
    setAddress(
      (before) => {
        for (const [name, value] of Object.entries(next)) {
          if (value) before.set(name, value);
          else before.delete(name);
        }
        return before;
      },
      { replace: true },
    );

  if (sheet.isPending) return <Loading what="the week" />;
  if (!sheet.data) return <ErrorNotice error={sheet.error} onRetry={() => void sheet.refetch()} />;
  return (
    <SheetOf
      key={`${week} ${squad}`}
      sheet={sheet.data}
      week={week}
      squad={squad}
      isOld={sheet.isPlaceholderData}
      error={sheet.error}
      clips={clips}
      onCopy={setClips}
      onGo={go}
    />
  );
}

interface Props {
  sheet: Sheet;
  week: string;
  squad: string;
  /** Whether this is still another week, until the one asked for is there. */
  isOld: boolean;
  error: Error | null;
  /** What was copied, which stays at hand from one week to the next. */
  clips: readonly Clip[];
  onCopy: (clips: readonly Clip[]) => void;
  onGo: (next: { week?: string; squad?: string }) => void;
}

function SheetOf({ sheet, week, squad, isOld, error, clips, onCopy, onGo }: Props) {
  const actions = useSheetActions(week, squad);
  // Nobody jumps to another line because something was set for them.
  const [order, setOrder] = useState<readonly string[]>([]);
  const ids = sheet.rows.map((r) => r.studentId);
  if (!isOld && ids.some((id) => !order.includes(id))) setOrder([...order, ...ids.filter((id) => !order.includes(id))]);
  const rows = keptInOrder(sheet.rows, order);
  const checks = useChecks(week, isOld ? [] : order.filter((id) => ids.includes(id)));
  const [selection, setSelection] = useState<Selection>({ at: { row: 0, column: 0 }, from: { row: 0, column: 0 } });
  const [taken, setTaken] = useState<string>();
  const [carried, setCarried] = useState<{ held: Placed[]; from: Cell }>();
  const [publishing, setPublishing] = useState<readonly string[]>();
  const [showsSquads, setShowsSquads] = useState(false);
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
  const onGridKey = (e: KeyboardEvent) => {
    const act = e.ctrlKey || e.metaKey || e.altKey ? undefined : gridKeys[e.key];
    if (!act) return;
    e.preventDefault();
    act();
  };
  useKeys({
    l: () => void actions.copyLastWeek(whom),
    f: () => void actions.fill(whom),
    g: () => void actions.place(whom),
    p: () => setPublishing(whom),
    d: () => setShowsPlans((shows) => !shows),
    'Ctrl+z': actions.undo,
    // The first arrow takes hold of the sheet.
    ArrowRight: () => focusCell(selection.at),
    ArrowDown: () => focusCell(selection.at),
    '[': () => onGo({ week: sheet.previous }),
    ']': () => onGo({ week: sheet.next }),
  });

  return (
    // The sheet fills the window: what is in hand stands below it, always in sight.
    <Box
      sx={{ display: 'flex', flexDirection: 'column', height: { md: 'calc(100vh - 62px)' }, minHeight: { md: 560 } }}
    >
      <SheetHead
        sheet={sheet}
        week={week}
        squad={squad}
        isOld={isOld}
        rows={rows}
        chosen={isOne ? undefined : chosen}
        actions={actions}
        showsPlans={showsPlans}
        onGo={onGo}
        onPlans={() => setShowsPlans(!showsPlans)}
        onPublish={() => setPublishing(whom)}
        onSquads={() => setShowsSquads(true)}
      />
      {error && <ErrorNotice error={error} />}
      {rows.length === 0 ? (
        <NoRows hasStudents={sheet.students > 0} />
      ) : (
        <Box sx={{ display: 'flex', flexWrap: { xs: 'wrap', md: 'nowrap' }, gap: 2, flex: 1, minHeight: 0 }}>
          <Box sx={{ flex: 1, minWidth: 0, overflow: 'auto', opacity: isOld ? 0.5 : 1, containerType: 'inline-size' }}>
            <SheetGrid
              sheet={sheet}
              rows={rows}
              checks={checks}
              selection={selection}
              onSelect={select}
              inHand={inHand?.assignmentId}
              onTake={(card: Card) => setTaken(card.assignmentId)}
              carried={new Set(carried?.held.map((h) => h.card.assignmentId))}
              onDrop={(card, from, to) => letGo([{ card, row: from.row }], from, to)}
              onKey={onGridKey}
              actions={actions}
            />
          </Box>
          {showsPlans && (
            <PlansDrawer
              onPut={(planId, cell) => {
                const cells = cell ? { at: cell, from: cell } : selection;
                void actions.put(
                  rowsBetween(rows, cells.at, cells.from).map((r) => ({
                    planId,
                    studentId: r.studentId,
                    day: dayOf(sheet.monday, cells.at.column),
                    requirement: 'must',
                  })),
                );
              }}
              target={`${isOne ? (row?.name ?? '') : count(chosen.length, 'student')}, ${dayInWords(sheet, selection.at)}`}
              students={chosen}
              onClose={() => setShowsPlans(false)}
            />
          )}
        </Box>
      )}
      {row && (
        <InHand
          row={row}
          day={dayOf(sheet.monday, selection.at.column)}
          card={inHand}
          check={checks.get(row.studentId)}
          actions={actions}
        />
      )}
      {publishing && (
        <PublishDialog
          week={week}
          students={publishing}
          onClose={() => setPublishing(undefined)}
          onPublish={() => {
            setPublishing(undefined);
            void actions.publish(publishing);
          }}
        />
      )}
      {showsSquads && <SquadsDialog squads={sheet.squads} onClose={() => setShowsSquads(false)} />}
    </Box>
  );
}

const focusCell = ({ row, column }: Cell) =>
  document.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)?.focus();

const dayInWords = (sheet: Sheet, at: Cell) => {
  const day = dayOf(sheet.monday, at.column);
  return day === null ? 'any day' : dayName(day);
};

function NoRows({ hasStudents }: { hasStudents: boolean }) {
  return hasStudents ? (
    <Empty title="Nobody is in this squad">Put students into it under Squads, or look at everybody.</Empty>
  ) : (
    <Empty title="No students yet">
      <Link to="/tee-line">Add your first student</Link> on the tee line.
    </Empty>
  );
}
