import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useId } from 'react';
import { NumberField } from './NumberField';

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
        <Box sx={{ width: 60 }}>
          <NumberField
            isCell
            whole
            label={label}
            value={value}
            range={{ least, most }}
            error={error}
            inputProps={{
              id,
              role: 'spinbutton',
              'aria-valuenow': value,
              'aria-valuemin': least,
              'aria-valuemax': most,
              style: { textAlign: 'center', fontSize: 17, fontWeight: 600 },
            }}
            onChange={(n) => n !== null && onChange(n)}
            onKeyDown={(e) => {
              if (e.altKey || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return;
              e.preventDefault();
              to(value + (e.key === 'ArrowUp' ? step : -step));
            }}
          />
        </Box>
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
    </Box>
  );
}
