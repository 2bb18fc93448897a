import Box from '@mui/material/Box';
import type { KeyboardEvent } from 'react';
import { NumberField } from './NumberField';
import type { NumberRange } from './numbers';

/** A field in a table. */
export const cell = {
  width: '100%',
  minWidth: 0,
  height: 34,
  px: 0.5,
  font: 'inherit',
  fontSize: 15,
  border: '1px solid',
  borderColor: 'line',
  borderRadius: 0.75,
  bgcolor: 'background.paper',
  color: 'text.primary',
  '@media (pointer: coarse)': { height: 48, fontSize: 17 },
};

/** The same field a row further up or down, as in any table that is typed through. */
export function step(e: KeyboardEvent<HTMLElement>, onLast: () => void) {
  const by = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' || e.key === 'Enter' ? 1 : 0;
  // An arrow in a list of choices chooses.
  const control = e.target as HTMLElement;
  if (by === 0 || (control.tagName === 'SELECT' && e.key !== 'Enter')) return;
  e.preventDefault();
  const column = control.dataset.column ?? '';
  const row = Number(control.dataset.row) + by;
  const next = control.closest('table')?.querySelector<HTMLElement>(`[data-row="${row}"][data-column="${column}"]`);
  if (next) next.focus();
  else if (by > 0 && e.key === 'Enter') onLast();
}

/** A number in a table that is typed through. */
export function NumberCell({
  row,
  column,
  label,
  value,
  error,
  width = 58,
  range,
  whole = false,
  onChange,
  onLast,
}: {
  row: number;
  column: string;
  label: string;
  value: number | null | undefined;
  error: string | undefined;
  width?: number;
  range?: NumberRange;
  whole?: boolean;
  onChange: (value: number | null) => void;
  onLast: () => void;
}) {
  return (
    <Box sx={{ width }}>
      <NumberField
        isCell
        optional
        {...{ label, value, error, onChange, range, whole }}
        inputProps={{ 'data-row': row, 'data-column': column }}
        onKeyDown={(e) => step(e, onLast)}
      />
    </Box>
  );
}
