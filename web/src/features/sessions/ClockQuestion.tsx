import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { ranges } from '../../api/ranges';
import { NumberField } from '../../ui/NumberField';
import { minutes } from '../../ui/format';
import { StepHeading } from '../../ui/StepHeading';

interface Props {
  title: string;
  /** Minutes since the last tap. */
  silent: number;
  /** Minutes the segment had when something was tapped last. */
  before: number;
  /** So many of the silent minutes were practice. */
  onAnswer: (minutes: number) => void;
}

const wide = { minHeight: 64, fontSize: 18, borderRadius: 32 };

/** The clock ran on with nobody tapping. How much of that was practice only the student knows. */
export function ClockQuestion({ title, silent, before, onAnswer }: Props) {
  const [own, setOwn] = useState<number | null>(null);
  const fits = own !== null && own >= before && own <= before + silent;
  return (
    <Box sx={{ display: 'grid', gap: 1.5, mt: 3 }}>
      <StepHeading sx={{ fontSize: '1.5rem' }}>The clock ran on</StepHeading>
      <Box sx={{ fontSize: 18 }}>
        Nothing was tapped for {minutes(silent)} in “{title}”. How long did you practise it?
      </Box>
      <Button variant="contained" onClick={() => onAnswer(0)} sx={wide}>
        Up to the last tap: {minutes(before)}
      </Button>
      <Button variant="outlined" onClick={() => onAnswer(silent)} sx={wide}>
        All of it: {minutes(before + silent)}
      </Button>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1, alignItems: 'end' }}>
        <NumberField
          label="Other"
          unit="min"
          optional
          whole
          range={ranges.sessionMinutes}
          value={own}
          onChange={setOwn}
        />
        <Button
          variant="outlined"
          disabled={!fits}
          onClick={() => own !== null && onAnswer(own - before)}
          sx={{ minHeight: 56, borderRadius: 28 }}
        >
          That many
        </Button>
      </Box>
    </Box>
  );
}
