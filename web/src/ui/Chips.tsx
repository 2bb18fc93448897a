import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { thumb } from '../app/theme';
import { keysOf } from './format';
import { useRoving } from './roving';

interface Props<K extends string> {
  label: string;
  names: Record<K, string>;
  value: readonly K[];
  onChange: (value: K[]) => void;
  error?: string | undefined;
  disabled?: boolean;
}

/** Any of a few names, each on or off; kept in the order of the names. One stop for the Tab key. */
export function Chips<K extends string>({ label, names, value, onChange, error, disabled = false }: Props<K>) {
  const { row, tabIndexOf } = useRoving(0);
  return (
    <Box role="group" aria-label={label} sx={{ minWidth: 0 }}>
      <Box sx={{ fontSize: 14, fontWeight: 620, mb: 0.5 }}>{label}</Box>
      <Box {...row} sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
        {keysOf(names).map((key, i) => (
          <Chip
            key={key}
            tabIndex={tabIndexOf(i)}
            isOn={value.includes(key)}
            disabled={disabled}
            onClick={() =>
              onChange(
                value.includes(key)
                  ? value.filter((k) => k !== key)
                  : keysOf(names).filter((k) => k === key || value.includes(k)),
              )
            }
          >
            {names[key]}
          </Chip>
        ))}
      </Box>
      {error && (
        <Box role="alert" sx={{ fontSize: 13.5, mt: 0.5, color: 'error.main' }}>
          {error}
        </Box>
      )}
    </Box>
  );
}

/** A name that is on or off. */
export function Chip({
  isOn,
  onClick,
  children,
  disabled = false,
  tabIndex,
}: {
  isOn: boolean;
  onClick: () => void;
  children: ReactNode;
  disabled?: boolean;
  tabIndex?: number;
}) {
  return (
    <Box
      component="button"
      type="button"
      tabIndex={tabIndex}
      aria-pressed={isOn}
      disabled={disabled}
      onClick={onClick}
      sx={{
        px: 1.1,
        minHeight: thumb(30),
        borderRadius: 4,
        border: '1px solid',
        borderColor: isOn ? 'text.primary' : '#8d9488',
        bgcolor: isOn ? 'text.primary' : 'background.paper',
        color: isOn ? 'background.paper' : 'text.primary',
        font: 'inherit',
        fontSize: 13.5,
        cursor: disabled ? 'default' : 'pointer',
        '@media (pointer: coarse)': { minHeight: 56, px: 2, borderRadius: 28 },
      }}
    >
      {children}
    </Box>
  );
}
