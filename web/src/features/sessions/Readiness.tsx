import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { ranges } from '../../api/ranges';
import { NumberField } from '../../ui/NumberField';
import type { EntryOf } from './log';
import { Scale } from './Scale';

export type Ready = Pick<EntryOf<'readied'>, 'nerves' | 'minutesAtHand' | 'ballsAtHand'>;

/** A count that a session can have; anything else was not meant. */
const countOf = (n: number | null, least: number, most: number) =>
  n !== null && n >= least && n <= most ? Math.round(n) : null;

/** How the student comes today: nerves, and what there is of time and balls. Nothing of it has to be answered. */
export function Readiness({ value, onChange }: { value: Ready; onChange: (value: Ready) => void }) {
  const [isOpen, setIsOpen] = useState(false);
  if (!isOpen)
    return (
      <Button onClick={() => setIsOpen(true)} sx={{ minHeight: 56, ml: -1.25 }}>
        How do you come today?
      </Button>
    );
  return (
    <Box component="section" aria-label="How you come" sx={{ mt: 2, display: 'grid', gap: 1.5 }}>
      <Scale
        label="Nerves"
        ends={['calm', 'very nervous']}
        least={1}
        value={value.nerves ?? undefined}
        onChange={(nerves) => onChange({ ...value, nerves })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        <NumberField
          label="Time available"
          unit="min"
          optional
          whole
          range={ranges.minutesAtHand}
          value={value.minutesAtHand}
          onChange={(n) => onChange({ ...value, minutesAtHand: countOf(n, 1, 480) })}
        />
        <NumberField
          label="Balls available"
          optional
          whole
          range={ranges.sessionBalls}
          value={value.ballsAtHand}
          onChange={(n) => onChange({ ...value, ballsAtHand: countOf(n, 0, 1000) })}
        />
      </Box>
    </Box>
  );
}
