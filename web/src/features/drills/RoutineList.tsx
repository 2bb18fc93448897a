import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Schemas } from '../../api/client';

interface Props {
  steps: readonly string[];
  /** Ticking some or all of it is the routine tag of the attempt to come. */
  onDone?: (done: Schemas['RoutineTag'] | null) => void;
}

/** The student's own routine before a shot, to tick off; not ticking says nothing. */
export function RoutineList({ steps, onDone }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const turn = (step: number) => {
    const next = new Set(ticked);
    if (!next.delete(step)) next.add(step);
    setTicked(next);
    onDone?.(next.size === 0 ? null : next.size === steps.length ? 'done' : 'partly');
  };
  return (
    <>
      <Button aria-expanded={isOpen} onClick={() => setIsOpen((o) => !o)} sx={{ minHeight: 56, px: 1.25 }}>
        My routine
      </Button>
      {isOpen && (
        <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.5, width: '100%' }}>
          {steps.map((step, i) => (
            <li key={step}>
              <Button
                fullWidth
                variant={ticked.has(i) ? 'contained' : 'outlined'}
                aria-pressed={ticked.has(i)}
                onClick={() => turn(i)}
                sx={{ minHeight: 56, justifyContent: 'flex-start', textAlign: 'left', borderRadius: 2 }}
              >
                {i + 1}. {step}
              </Button>
            </li>
          ))}
        </Box>
      )}
    </>
  );
}
