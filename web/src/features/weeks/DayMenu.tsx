import Box from '@mui/material/Box';
import { useState } from 'react';
import { thumb } from '../../app/theme';
import { dayName, weekday } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import type { DayActsProps } from './DayActs';

const DayActs = onDemand(() => import('./DayActs').then((m) => m.DayActs));

/** A day of the sheet, with what can be done to all of it. */
export function DayMenu(props: DayActsProps) {
  const { sheet, day } = props;
  const [anchor, setAnchor] = useState<HTMLElement>();
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
          minHeight: thumb(24),
          // Eight of them share the width of a phone.
          minWidth: 0,
        }}
      >
        {weekday(day).slice(0, 3)} <small>{Number(day.slice(8))}</small>
        {day === sheet.today && <small> today</small>}
      </Box>
      {anchor && <DayActs {...props} anchor={anchor} onClose={() => setAnchor(undefined)} />}
    </>
  );
}
