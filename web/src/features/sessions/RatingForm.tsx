import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Field } from '../../ui/Field';
import { StepHeading } from '../../ui/StepHeading';
import type { EntryOf } from './log';
import { Scale } from './Scale';

type Rating = Omit<EntryOf<'rated'>, 'sequence' | 'at'>;

interface Props {
  purpose: string;
  successTest: string;
  /** What to read when pain ended the session. */
  advice: string | undefined;
  hasPain: boolean;
  /** What was answered before the page was left; no value where nothing was answered. */
  draft?: object | null;
  onDraft?: (draft: Rating) => void;
  /** Whether a rating that was handed in is changed. */
  isMending?: boolean;
  onHurt?: () => void;
  /** Takes back what ended the session, in these words: a slip of the thumb, or a storm that has passed. */
  onSlip?: () => void;
  slip?: string;
  onFinish: (rating: Rating) => void;
  onBack: (() => void) | undefined;
}

const scales = [
  ['focus', 'Focus', ['scattered', 'all there']],
  ['quality', 'Quality', ['poor', 'as good as I can']],
  ['confidence', 'Confidence', ['none', 'full']],
  ['enjoyment', 'Enjoyment', ['none', 'great']],
] as const;

/** The answers alone: what is mended carries the number and time of the entry it was. */
const answersOf = ({ kind, focus, quality, confidence, enjoyment, effort, purposeMet, nothingHurt, note }: Rating) => ({
  ...{ kind, focus, quality, confidence, enjoyment, effort, purposeMet, nothingHurt, note },
});

/** The student's own judgement. Nothing has to be answered. */
export function RatingForm(props: Props) {
  const { purpose, successTest, advice, hasPain, isMending, onHurt, onSlip, onFinish, onBack } = props;
  const { slip = 'That was a slip of the thumb' } = props;
  const [rating, setRating] = useState<Rating>({
    focus: null,
    quality: null,
    confidence: null,
    enjoyment: null,
    effort: null,
    purposeMet: null,
    nothingHurt: null,
    note: '',
    ...props.draft,
    kind: 'rated',
  });
  const set = (patch: Partial<Rating>) => {
    const next = { ...rating, ...patch };
    setRating(next);
    props.onDraft?.(next);
  };
  const choice = { minHeight: 56, borderRadius: 2 };
  return (
    <Box sx={{ display: 'grid', gap: 2.5, mt: 2.5 }}>
      {advice ? (
        <Box
          role="alert"
          sx={{ p: 2, borderLeft: '5px solid', borderColor: 'error.main', bgcolor: 'background.paper', fontSize: 17 }}
        >
          {advice}
          {onSlip && (
            <Button onClick={onSlip} sx={{ minHeight: 56, ml: -1.25 }}>
              {slip}
            </Button>
          )}
        </Box>
      ) : (
        <Box sx={{ display: 'flex', alignItems: 'baseline' }}>
          {isMending ? <Typography variant="h2">How was it?</Typography> : <StepHeading>How was it?</StepHeading>}
          {onBack && (
            <Button onClick={onBack} sx={{ ml: 'auto', minHeight: 56 }}>
              {isMending ? 'Leave it as it is' : 'Back to the session'}
            </Button>
          )}
        </Box>
      )}
      <Box role="group" aria-label="Purpose met">
        <Box sx={{ fontWeight: 620 }}>{purpose}</Box>
        {successTest && <Box sx={{ color: 'text.secondary', mb: 0.5 }}>{successTest}</Box>}
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.75 }}>
          {([true, false] as const).map((met) => (
            <Button
              key={String(met)}
              variant={rating.purposeMet === met ? 'contained' : 'outlined'}
              aria-pressed={rating.purposeMet === met}
              onClick={() => set({ purposeMet: met })}
              sx={choice}
            >
              {met ? 'Met' : 'Not yet'}
            </Button>
          ))}
        </Box>
      </Box>
      {scales.map(([name, label, ends]) => (
        <Scale
          key={name}
          label={label}
          ends={[...ends]}
          least={1}
          value={rating[name] ?? undefined}
          onChange={(value) => set({ [name]: value })}
        />
      ))}
      <Scale
        label="Effort"
        ends={['rest', 'all I had']}
        least={0}
        value={rating.effort ?? undefined}
        onChange={(effort) => set({ effort })}
      />
      {!advice && onHurt && (
        <Box role="group" aria-label="Pain">
          <Box sx={{ fontWeight: 620, mb: 0.5 }}>Did anything hurt?</Box>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.75 }}>
            <Button
              variant={rating.nothingHurt === true && !hasPain ? 'contained' : 'outlined'}
              aria-pressed={rating.nothingHurt === true && !hasPain}
              disabled={hasPain}
              onClick={() => set({ nothingHurt: true })}
              sx={choice}
            >
              Nothing
            </Button>
            <Button variant={hasPain ? 'contained' : 'outlined'} onClick={onHurt} sx={choice}>
              {hasPain ? 'Told. Something else?' : 'Yes, tell where'}
            </Button>
          </Box>
        </Box>
      )}
      <Field
        label="A note for your coach"
        multiline
        minRows={2}
        value={rating.note ?? ''}
        onChange={(e) => set({ note: e.target.value })}
        inputProps={{ maxLength: 2000 }}
      />
      <Button
        variant="contained"
        onClick={() => onFinish(answersOf({ ...rating, nothingHurt: hasPain ? false : (rating.nothingHurt ?? null) }))}
        sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}
      >
        {isMending ? 'Keep the changes' : 'Finish'}
      </Button>
    </Box>
  );
}
