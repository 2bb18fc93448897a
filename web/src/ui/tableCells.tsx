import Box from '@mui/material/Box';
import { useState, type KeyboardEvent } from 'react';

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
  if (by === 0 || (e.currentTarget.tagName === 'SELECT' && e.key !== 'Enter')) return;
  e.preventDefault();
  const column = e.currentTarget.dataset.column ?? '';
  const row = Number(e.currentTarget.dataset.row) + by;
  const next = e.currentTarget
    .closest('table')
    ?.querySelector<HTMLElement>(`[data-row="${row}"][data-column="${column}"]`);
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
  onChange,
  onLast,
}: {
  row: number;
  column: string;
  label: string;
  value: number | null | undefined;
  error: string | undefined;
  width?: number;
  onChange: (value: number | null) => void;
  onLast: () => void;
}) {
  const [typed, setTyped] = useState<string>();
  return (
    <>
      <Box
        component="input"
        inputMode="decimal"
        aria-label={label}
        aria-invalid={error !== undefined}
        title={error}
        data-row={row}
        data-column={column}
        value={typed ?? value ?? ''}
        onFocus={(e: React.FocusEvent<HTMLInputElement>) => e.target.select()}
        onBlur={() => setTyped(undefined)}
        onKeyDown={(e: KeyboardEvent<HTMLElement>) => step(e, onLast)}
        onChange={(e: React.ChangeEvent<HTMLInputElement>) => {
          const text = e.target.value.replace(',', '.').replace(/[^\d.]/g, '');
          setTyped(text);
          onChange(text === '' ? null : Number(text));
        }}
        sx={{ ...cell, width, ...(error && { borderColor: 'error.main', borderWidth: 2 }) }}
      />
      {error && <Box sx={{ color: 'error.main', fontSize: 13, maxWidth: 120 }}>{error}</Box>}
    </>
  );
}
