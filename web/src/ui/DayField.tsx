import Box from '@mui/material/Box';
import { lazy, Suspense } from 'react';
import type { DayProps } from './DayPicker';

// A calendar is large: it is fetched where a day is asked for, and its room is kept until it is there.
const DayPicker = lazy(() => import('./DayPicker'));

/** A day, in the order in which the person's own language writes it. */
export function DayField(props: DayProps) {
  return (
    <Suspense fallback={<Box sx={{ minHeight: 56 }} />}>
      <DayPicker {...props} />
    </Suspense>
  );
}
