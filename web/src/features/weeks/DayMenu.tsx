import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { count, dayName, plusDays, weekday } from '../../ui/format';
import { looseOn, moveTo, type Row, type Sheet } from './sheet';
import type { useSheetActions } from './useSheet';

interface Props {
  sheet: Sheet;
  rows: readonly Row[];
  day: string;
  actions: Pick<ReturnType<typeof useSheetActions>, 'move' | 'excuse'>;
}

/** A day of the sheet, with one act for all of it: the range is closed, or a storm is coming. */
export function DayMenu({ sheet, rows, day, actions }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const cards = looseOn(rows, day);
  const days = Array.from({ length: 7 }, (_, i) => plusDays(sheet.monday, i)).filter(
    (d) => d !== day && d >= sheet.today,
  );
  const act = (action: () => unknown) => () => {
    setAnchor(undefined);
    void action();
  };
  return (
    <>
      <Box
        component="button"
        type="button"
        aria-haspopup="menu"
        aria-label={`${dayName(day)}: move or excuse everybody’s`}
        onClick={(e: React.MouseEvent<HTMLElement>) => setAnchor(e.currentTarget)}
        sx={{
          border: 0,
          p: 0,
          background: 'none',
          font: 'inherit',
          color: 'inherit',
          cursor: 'pointer',
          minHeight: 24,
        }}
      >
        {weekday(day).slice(0, 3)} <small>{Number(day.slice(8))}</small>
        {day === sheet.today && <small> today</small>}
      </Box>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        {cards.length === 0 && <MenuItem disabled>Nothing on this day that could be moved</MenuItem>}
        {cards.length > 0 && (
          <MenuItem onClick={act(() => actions.excuse(cards))}>
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
    </>
  );
}
