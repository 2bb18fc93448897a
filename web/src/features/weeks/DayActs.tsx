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
      {cards.length > 0 &&
        days.map((to) => (
          <MenuItem
            key={to}
            onClick={act(() =>
              actions.move(
                cards.map((card) => moveTo(card, to)),
                cards,
              ),
            )}
          >
            Move {count(cards.length, 'session')} to {dayName(to)}
          </MenuItem>
        ))}
    </Menu>
  );
}
