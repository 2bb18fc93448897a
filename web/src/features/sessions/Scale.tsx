import Box from '@mui/material/Box';

interface Props {
  label: string;
  /** What the two ends mean. */
  ends?: [string, string];
  least: 0 | 1;
  value: number | undefined;
  onChange: (value: number) => void;
}

/** A number up to 10 in one tap, big enough for a gloved thumb. */
export function Scale({ label, ends, least, value, onChange }: Props) {
  const steps = Array.from({ length: 11 - least }, (_, i) => i + least);
  return (
    <Box role="group" aria-label={label}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', mb: 0.5 }}>
        <Box sx={{ fontWeight: 620 }}>{label}</Box>
        {ends && (
          <Box sx={{ ml: 'auto', fontSize: 14, color: 'text.secondary' }}>
            {least} {ends[0]}, 10 {ends[1]}
          </Box>
        )}
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: `repeat(${least === 0 ? 4 : 5}, 1fr)`, gap: 0.5 }}>
        {steps.map((step) => {
          const isOn = value === step;
          return (
            <Box
              key={step}
              component="button"
              type="button"
              aria-pressed={isOn}
              aria-label={`${label}: ${step}`}
              onClick={() => onChange(step)}
              sx={{
                height: 56,
                font: 'inherit',
                fontSize: 19,
                fontWeight: isOn ? 700 : 500,
                cursor: 'pointer',
                borderRadius: 1.5,
                border: '1.5px solid',
                borderColor: isOn ? 'text.primary' : 'line',
                bgcolor: isOn ? 'text.primary' : 'background.paper',
                color: isOn ? 'background.paper' : 'text.primary',
              }}
            >
              {step}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
