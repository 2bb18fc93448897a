import { thumb } from '../app/theme';
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** One thing that is so or is not. */
export function Checkbox({
  label,
  checked,
  onChange,
  disabled = false,
}: {
  label: ReactNode;
  checked: boolean;
  onChange: (checked: boolean) => void;
  disabled?: boolean;
}) {
  return (
    <Box
      component="label"
      sx={{ display: 'flex', gap: 1, alignItems: 'center', cursor: 'pointer', minHeight: thumb(32) }}
    >
      <input
        type="checkbox"
        checked={checked}
        disabled={disabled}
        onChange={(e) => onChange(e.target.checked)}
        style={{ width: 20, height: 20, flex: 'none', accentColor: '#1e3b30' }}
      />
      {label}
    </Box>
  );
}
