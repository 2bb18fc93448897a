import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { bodyParts, sideName } from '../../ui/format';
import { Scale } from './Scale';
import type { EntryOf } from './log';

interface Props {
  open: boolean;
  hand: Schemas['Hand'];
  form: Schemas['PainForm'];
  onClose: () => void;
  onReport: (pain: Omit<EntryOf<'pain'>, 'sequence' | 'at'>) => void;
}

/** Where it hurts, how much, and whether it is sharp. */
export function PainDialog({ open, ...form }: Props) {
  const isNarrow = useMediaQuery('(max-width: 600px)');
  return (
    <Dialog
      open={open}
      onClose={form.onClose}
      fullScreen={isNarrow}
      fullWidth
      maxWidth="sm"
      aria-labelledby="pain-title"
    >
      <DialogTitle id="pain-title">Where does it hurt?</DialogTitle>
      {open && <PainForm {...form} />}
    </Dialog>
  );
}

function PainForm({ hand, form, onClose, onReport }: Omit<Props, 'open'>) {
  const [part, setPart] = useState<Schemas['PainPart']>();
  const [side, setSide] = useState<Schemas['BodySide']>();
  const [level, setLevel] = useState<number>();
  const [isSharp, setIsSharp] = useState(false);
  const isComplete = part !== undefined && level !== undefined && (!part.isPaired || side !== undefined);
  return (
    <>
      <DialogContent sx={{ display: 'grid', gap: 2, px: { xs: 2, sm: 3 } }}>
        <Picks label="Part of the body" columns={2}>
          {form.parts.map((p) => (
            <Pick key={p.part} isOn={part?.part === p.part} onPick={() => setPart(p)}>
              {bodyParts[p.part]}
            </Pick>
          ))}
        </Picks>
        {part?.isPaired && (
          <Picks label="Which side" columns={2}>
            {(['lead', 'trail'] as const).map((s) => (
              <Pick key={s} isOn={side === s} onPick={() => setSide(s)}>
                {sideName(s, hand)}
              </Pick>
            ))}
          </Picks>
        )}
        <Scale label="How bad, from 1 to 10" least={1} value={level} onChange={setLevel} />
        <Picks label="What kind" columns={2}>
          <Pick isOn={!isSharp} onPick={() => setIsSharp(false)}>
            Dull
          </Pick>
          <Pick isOn={isSharp} onPick={() => setIsSharp(true)}>
            Sharp
          </Pick>
        </Picks>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} sx={{ minHeight: 56 }}>
          Nothing hurts
        </Button>
        <Button
          variant="contained"
          disabled={!isComplete}
          sx={{ minHeight: 56, borderRadius: 28 }}
          onClick={() =>
            part &&
            level !== undefined &&
            onReport({
              kind: 'pain',
              part: part.part,
              side: part.isPaired ? (side ?? null) : null,
              level,
              sharp: isSharp,
            })
          }
        >
          Tell my coach
        </Button>
      </DialogActions>
    </>
  );
}

function Picks({ label, columns, children }: { label: string; columns: number; children: React.ReactNode }) {
  return (
    <Box role="group" aria-label={label}>
      <Box sx={{ fontWeight: 620, mb: 0.5 }}>{label}</Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: `repeat(${columns}, 1fr)`, gap: 0.75 }}>{children}</Box>
    </Box>
  );
}

function Pick({ isOn, onPick, children }: { isOn: boolean; onPick: () => void; children: React.ReactNode }) {
  return (
    <Button
      variant={isOn ? 'contained' : 'outlined'}
      aria-pressed={isOn}
      onClick={onPick}
      sx={{ minHeight: 56, borderRadius: 2, px: 1 }}
    >
      {children}
    </Button>
  );
}
