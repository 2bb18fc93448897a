import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useId } from 'react';

interface Props {
  label: string;
  value: number;
  onChange: (value: number) => void;
  least?: number;
  most: number;
  step?: number;
  error?: string | undefined;
  /** For a row of them: the label is only spoken. */
  isCompact?: boolean;
}

const round = {
  width: 34,
  height: 34,
  borderRadius: '50%',
  border: '1px solid',
  borderColor: 'text.secondary',
  fontSize: 20,
  lineHeight: 1,
};

/** A whole number with a step down and a step up, that can also be typed; for the keyboard the arrows up and down step. */
export function Stepper({ label, value, onChange, least = 0, most, step = 1, error, isCompact = false }: Props) {
  const id = useId();
  const to = (n: number) => onChange(Math.min(most, Math.max(least, n)));
  return (
    <Box>
      {!isCompact && (
        <Box component="label" htmlFor={id} sx={{ display: 'block', fontSize: 14, fontWeight: 620, mb: 0.5 }}>
          {label}
        </Box>
      )}
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
        <ButtonBase
          sx={round}
          tabIndex={-1}
          aria-label={`${label}: less`}
          onClick={() => to(value - step)}
          disabled={value <= least}
        >
          −
        </ButtonBase>
        <Box
          component="input"
          id={id}
          role="spinbutton"
          inputMode="numeric"
          aria-valuenow={value}
          aria-valuemin={least}
          aria-valuemax={most}
          aria-label={isCompact ? label : undefined}
          aria-invalid={error !== undefined}
          value={String(value)}
          onChange={(e: React.ChangeEvent<HTMLInputElement>) => {
            const typed = Number(e.target.value.replace(/\D/g, ''));
            if (typed <= 9999) onChange(typed);
          }}
          onKeyDown={(e: React.KeyboardEvent) => {
            if (e.altKey || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return;
            e.preventDefault();
            to(value + (e.key === 'ArrowUp' ? step : -step));
          }}
          sx={{
            width: 52,
            height: 38,
            textAlign: 'center',
            font: 'inherit',
            fontSize: 17,
            fontWeight: 600,
            color: 'text.primary',
            bgcolor: 'background.paper',
            border: '1px solid',
            borderColor: error ? 'error.main' : '#8d9488',
            borderRadius: '8px',
          }}
        />
        <ButtonBase
          sx={round}
          tabIndex={-1}
          aria-label={`${label}: more`}
          onClick={() => to(value + step)}
          disabled={value >= most}
        >
          +
        </ButtonBase>
      </Box>
      {error && (
        <Box role="alert" sx={{ fontSize: 13.5, mt: 0.5, color: 'error.main' }}>
          {error}
        </Box>
      )}
    </Box>
  );
}
