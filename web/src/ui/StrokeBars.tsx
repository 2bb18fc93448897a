import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { signed } from './format';

interface StrokesOfPart {
  name: string;
  /** Strokes gained; below zero they were lost. */
  strokes: number;
  /** Whether it is what the others add up to. */
  isSum?: boolean;
  /** What stands under the name. */
  note?: ReactNode;
}

/** Strokes gained and lost, as bars to either side of nothing: what is gained is filled, what is lost an outline. */
export function StrokeBars({ rows, decimals = 2 }: { rows: StrokesOfPart[]; decimals?: number }) {
  const longest = Math.max(1, ...rows.filter((r) => !r.isSum).map((r) => Math.abs(r.strokes)));
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        mt: 0.5,
        display: 'grid',
        gridTemplateColumns: 'auto minmax(60px, 1fr) auto',
        columnGap: 1,
        rowGap: 0.5,
      }}
    >
      {rows.map(({ name, strokes, isSum, note }) => (
        <Box key={name} sx={{ display: 'contents', '& > *': { fontWeight: isSum ? 650 : 400 } }}>
          <dt>
            {name}
            {note && <Box sx={{ fontSize: 14, color: 'text.secondary', maxWidth: { xs: 150, sm: 215 } }}>{note}</Box>}
          </dt>
          <Box
            component="dd"
            aria-hidden
            sx={{
              m: 0,
              alignSelf: 'center',
              height: 14,
              position: 'relative',
              borderLeft: '1px solid transparent',
              '&::before': {
                content: '""',
                position: 'absolute',
                insetBlock: -3,
                left: '50%',
                width: '1.5px',
                bgcolor: 'text.primary',
              },
              '&::after': {
                content: '""',
                position: 'absolute',
                insetBlock: 0,
                ...(strokes < 0 ? { right: '50%' } : { left: '50%' }),
                width: `${(50 * Math.min(longest, Math.abs(strokes))) / longest}%`,
                border: '1.5px solid',
                borderColor: 'text.primary',
                bgcolor: strokes < 0 ? 'transparent' : 'text.primary',
                boxSizing: 'border-box',
                display: Math.abs(strokes) < 0.005 ? 'none' : 'block',
              },
            }}
          />
          <Box component="dd" sx={{ m: 0, alignSelf: 'center', textAlign: 'right' }}>
            {signed(strokes, decimals)}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
