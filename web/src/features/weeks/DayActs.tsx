import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { count, dayName, plusDays } from '../../ui/format';
import { looseOn, moveTo, type Row, type Sheet } from './sheet';
import type { useSheetActions } from './useSheetActions';

export interface DayActsProps {
  sheet: Sheet;
  rows: readonly Row[];
  day: string;
  actions: Pick<ReturnType<typeof useSheetActions>, 'move' | 'excuse'>;
}

/** One act for all of a day: the range is closed, or a storm is coming. */
export function DayActs({
  sheet,
  rows,
  day,
  actions,
  anchor,
  onClose,
}: DayActsProps & { anchor: HTMLElement; onClose: () => void }) {
  const cards = looseOn(rows, day);
  // What is done at home or on a putting green stays: it needs no range.
  const moving = cards.filter((card) => card.needsRange);
  /** Those of whom something would come to a day that has no room for it. */
  const withoutRoom = (to: string) =>
    rows.filter((row) => row.full.includes(to) && row.sessions.some((s) => moving.includes(s))).map((row) => row.name);
  const days = Array.from({ length: 7 }, (_, i) => plusDays(sheet.monday, i)).filter(
    (d) => d !== day && d >= sheet.today,
  );
  const act = (action: () => unknown) => () => {
    onClose();
    void action();
  };
  return (
    <Menu open anchorEl={anchor} onClose={onClose}>
      {cards.length === 0 && <MenuItem disabled>Nothing on this day that could be moved</MenuItem>}
      {cards.length > 0 && (
        <MenuItem onClick={act(() => actions.excuse(cards, 'weather'))}>
          Range closed or storm: excuse {count(cards.length, 'session')}
        </MenuItem>
      )}
      {moving.length < cards.length && (
        <MenuItem disabled>
          {count(cards.length - moving.length, 'session')} without a range{' '}
          {cards.length - moving.length === 1 ? 'stays' : 'stay'}
        </MenuItem>
      )}
      {moving.length > 0 &&
        days.map((to) => {
          const full = withoutRoom(to);
          const noRoom = full.length > 0 && `no room for ${full.join(', ')}`;
          return (
            <MenuItem
              key={to}
              sx={{ whiteSpace: 'normal' }}
              onClick={act(() =>
                actions.move(
                  moving.map((card) => moveTo(card, to)),
                  moving,
                  (n) => `Moved ${count(n, 'session')} to ${dayName(to)}${noRoom ? `: ${noRoom}` : ''}.`,
                ),
              )}
            >
              Move {count(moving.length, 'session')} to {dayName(to)}
              {noRoom && ` (${noRoom})`}
            </MenuItem>
          );
        })}
    </Menu>
  );
}
