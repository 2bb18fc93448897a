import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Field } from '../../ui/Field';
import { bodyParts, sideName, unwellFeelings } from '../../ui/format';
import { Pick, Picks } from '../../ui/Picks';
import { useBackCloses } from '../../ui/useBackCloses';
import { Scale } from './Scale';
import type { EntryOf } from './log';

type Unnumbered<T> = Omit<T, 'sequence' | 'at'>;
type Report = Unnumbered<EntryOf<'pain'>> | Unnumbered<EntryOf<'unwell'>>;

interface Props {
  open: boolean;
  hand: Schemas['Hand'];
  form: Schemas['PainForm'];
  onClose: () => void;
  onReport: (report: Report) => void;
}

/** Where it hurts, of what kind, and how much; or that the student feels unwell. Nothing is chosen beforehand. */
export function PainDialog({ open, ...form }: Props) {
  const isNarrow = useMediaQuery('(max-width: 600px)');
  useBackCloses(open, form.onClose);
  return (
    <Dialog
      open={open}
      onClose={form.onClose}
      fullScreen={isNarrow}
      fullWidth
      maxWidth="sm"
      aria-labelledby="pain-title"
      sx={{ '& .MuiDialog-paperFullScreen': { borderRadius: 0 } }}
    >
      <DialogTitle id="pain-title" sx={{ py: 1.25, px: { xs: 2, sm: 3 } }}>
        What is wrong?
      </DialogTitle>
      {open && <PainForm {...form} />}
    </Dialog>
  );
}

function PainForm({ hand, form, onClose, onReport }: Omit<Props, 'open'>) {
  const [part, setPart] = useState<Schemas['PainPart']>();
  const [where, setWhere] = useState('');
  const [side, setSide] = useState<Schemas['BodySide']>();
  const [isSharp, setIsSharp] = useState<boolean>();
  const [level, setLevel] = useState<number>();
  const isElsewhere = part?.part === 'anotherPart';
  const isComplete =
    part !== undefined &&
    level !== undefined &&
    isSharp !== undefined &&
    (!part.isPaired || side !== undefined) &&
    (!isElsewhere || where.trim() !== '');
  return (
    <>
      <DialogContent sx={{ display: 'grid', gap: 1.5, px: { xs: 2, sm: 3 }, py: 0, alignContent: 'start' }}>
        {part === undefined ? (
          <>
            <Picks label="It hurts here" columns={2}>
              {form.parts.map((p) => (
                <Pick key={p.part} isOn={false} onPick={() => setPart(p)}>
                  {bodyParts[p.part]}
                </Pick>
              ))}
            </Picks>
            <Picks label="Or I feel" columns={2}>
              {(['dizzy', 'overheated'] as const).map((feeling) => (
                <Pick key={feeling} isOn={false} onPick={() => onReport({ kind: 'unwell', feeling })}>
                  {unwellFeelings[feeling]}
                </Pick>
              ))}
            </Picks>
          </>
        ) : (
          <>
            <Box sx={{ display: 'flex', alignItems: 'center', minHeight: 56, fontSize: 19, fontWeight: 650 }}>
              {bodyParts[part.part]}
              <Button onClick={() => setPart(undefined)} sx={{ ml: 'auto', minHeight: 56 }}>
                Somewhere else
              </Button>
            </Box>
            {isElsewhere && (
              <Field
                label="Where"
                value={where}
                onChange={(e) => setWhere(e.target.value)}
                inputProps={{ maxLength: 60 }}
              />
            )}
            {part.isPaired && (
              <Picks label="Which side" columns={2}>
                {(['lead', 'trail'] as const).map((s) => (
                  <Pick key={s} isOn={side === s} onPick={() => setSide(s)}>
                    {sideName(s, hand)}
                  </Pick>
                ))}
              </Picks>
            )}
            <Picks label="What kind" columns={2}>
              <Pick isOn={isSharp === false} onPick={() => setIsSharp(false)}>
                Dull
              </Pick>
              <Pick isOn={isSharp === true} onPick={() => setIsSharp(true)}>
                Sharp
              </Pick>
            </Picks>
            <Scale label="How bad" ends={['barely', 'worst']} least={1} value={level} onChange={setLevel} />
          </>
        )}
      </DialogContent>
      <DialogActions sx={{ px: { xs: 2, sm: 3 } }}>
        <Button onClick={onClose} sx={{ minHeight: 56 }}>
          Nothing is wrong
        </Button>
        {part && (
          <Button
            variant="contained"
            disabled={!isComplete}
            sx={{ minHeight: 56, borderRadius: 28 }}
            onClick={() =>
              level !== undefined &&
              isSharp !== undefined &&
              onReport({
                kind: 'pain',
                part: part.part,
                side: part.isPaired ? (side ?? null) : null,
                level,
                sharp: isSharp,
                ...(isElsewhere ? { where: where.trim() } : {}),
              })
            }
          >
            Tell my coach
          </Button>
        )}
      </DialogActions>
    </>
  );
}
