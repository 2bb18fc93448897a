import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useEffect, useEffectEvent, useState } from 'react';

interface Props {
  seconds: number;
  /** A timer after a timer goes on by itself. */
  startsAtOnce: boolean;
  onDone: () => void;
}

/** A box of breath: in, hold, out, hold, four seconds each. */
const box = 16;
const breath = ['in', 'hold', 'out', 'hold'];

/** A timer. One that is a whole number of breathing boxes also paces the breath: the circle grows, stays, shrinks, stays. */
export function Pacer({ seconds, startsAtOnce, onDone }: Props) {
  const [until, setUntil] = useState(() => (startsAtOnce ? Date.now() + seconds * 1000 : undefined));
  const [left, setLeft] = useState(seconds);
  const isStill = useMediaQuery('(prefers-reduced-motion: reduce)');
  const done = useEffectEvent(onDone);
  useEffect(() => {
    if (until === undefined) return;
    const timer = setInterval(() => {
      const now = Math.max(0, Math.ceil((until - Date.now()) / 1000));
      setLeft(now);
      if (now === 0) {
        clearInterval(timer);
        done();
      }
    }, 200);
    return () => clearInterval(timer);
  }, [until]);
  const isBreathing = seconds % box === 0 && seconds >= 2 * box;
  const side = Math.floor(((seconds - left) % box) / 4);
  const grown = side === 0 || side === 1;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flexWrap: 'wrap' }}>
      {isBreathing && until !== undefined && (
        <Box sx={{ width: '100%', height: 150, display: 'grid', placeItems: 'center' }}>
          <Box
            data-testid="breath"
            sx={{
              width: 132,
              height: 132,
              borderRadius: '50%',
              bgcolor: 'text.primary',
              color: 'background.paper',
              display: 'grid',
              placeItems: 'center',
              fontSize: 22,
              fontWeight: 650,
              transform: isStill ? 'none' : `scale(${grown ? 1.1 : 0.62})`,
              transition: isStill ? 'none' : 'transform 4s linear',
            }}
          >
            {breath[side]}
          </Box>
        </Box>
      )}
      <Box role="timer" sx={{ fontSize: 44, fontWeight: 620 }}>
        {left} s
      </Box>
      {until === undefined && (
        <Button
          variant="contained"
          onClick={() => setUntil(Date.now() + seconds * 1000)}
          sx={{ minHeight: 64, fontSize: 19, borderRadius: 32, flex: 1 }}
        >
          Start
        </Button>
      )}
    </Box>
  );
}
