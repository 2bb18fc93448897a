import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';

/** A few answers of which one is picked, big enough for a gloved thumb. */
export function Picks({ label, columns, children }: { label: string; columns: number; children: ReactNode }) {
  return (
    <Box role="group" aria-label={label}>
      <Box sx={{ fontWeight: 620, mb: 0.5 }}>{label}</Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: `repeat(${columns}, 1fr)`, gap: 0.75 }}>{children}</Box>
    </Box>
  );
}

interface PickProps {
  isOn: boolean;
  disabled?: boolean;
  onPick: () => void;
  children: ReactNode;
}

export function Pick({ isOn, disabled, onPick, children }: PickProps) {
  return (
    <Button
      variant={isOn ? 'contained' : 'outlined'}
      aria-pressed={isOn}
      disabled={disabled}
      onClick={onPick}
      sx={{ minHeight: 56, borderRadius: 2, px: 1 }}
    >
      {children}
    </Button>
  );
}
