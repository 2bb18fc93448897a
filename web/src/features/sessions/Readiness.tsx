import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { NumberField } from '../../ui/NumberField';
import type { EntryOf } from './log';
import { Scale } from './Scale';

export type Ready = Pick<EntryOf<'readied'>, 'nerves' | 'minutesAtHand' | 'ballsAtHand'>;

/** How the student comes today: nerves, and what there is of time and balls. Nothing of it has to be answered. */
export function Readiness({ ready, onReady }: { ready: EntryOf<'readied'> | null; onReady: (ready: Ready) => void }) {
  const [isOpen, setIsOpen] = useState(ready !== null);
  const known: Ready = {
    nerves: ready?.nerves ?? null,
    minutesAtHand: ready?.minutesAtHand ?? null,
    ballsAtHand: ready?.ballsAtHand ?? null,
  };
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
        value={known.nerves ?? undefined}
        onChange={(nerves) => onReady({ ...known, nerves })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        <NumberField
          label="Minutes I have"
          optional
          value={known.minutesAtHand}
          onChange={(n) => onReady({ ...known, minutesAtHand: n && Math.round(n) })}
        />
        <NumberField
          label="Balls I have"
          optional
          value={known.ballsAtHand}
          onChange={(n) => onReady({ ...known, ballsAtHand: n === null ? null : Math.round(n) })}
        />
      </Box>
    </Box>
  );
}
