import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { ranges } from '../../api/ranges';
import { beginnings } from '../../api/beginnings';
import type { Schemas } from '../../api/client';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { places } from '../../ui/format';
import { phases } from '../../ui/phases';
import { StepHeading } from '../../ui/StepHeading';
import type { NewEntry } from './log';

const { homework } = beginnings;

interface Props {
  studentName: string;
  /** What was noted while it ran. */
  notes: string;
  onFinish: (noted: NewEntry & { kind: 'lessonNoted' }) => void;
  onBack: (() => void) | undefined;
}

/** What coach and student agreed: the checkpoint, and the homework, which becomes a draft of next week. */
export function LessonForm({ studentName, notes: notedBefore, onFinish, onBack }: Props) {
  const [notes, setNotes] = useState(notedBefore);
  const [segmentId] = useState(() => uuid());
  const [checkpoint, setCheckpoint] = useState('');
  const [title, setTitle] = useState('');
  const [instruction, setInstruction] = useState('');
  const [phase, setPhase] = useState<Schemas['Phase']>(homework.phase);
  const [place, setPlace] = useState<Schemas['PlaceKind']>(homework.place);
  const [minutes, setMinutes] = useState<number | null>(homework.minutes);
  const [balls, setBalls] = useState<number | null>(homework.balls);
  const hasHomework = title.trim() !== '';
  const fits =
    !hasHomework ||
    (minutes !== null && minutes >= 1 && minutes <= homework.mostMinutes && (balls ?? 0) <= homework.mostBalls);
  return (
    <Box sx={{ display: 'grid', gap: 2, mt: 2.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline' }}>
        <StepHeading>What did you agree?</StepHeading>
        {onBack && (
          <Button onClick={onBack} sx={{ ml: 'auto', minHeight: 56 }}>
            Back to the lesson
          </Button>
        )}
      </Box>
      <Field
        label="Checkpoint: the one thing to look at from now on"
        value={checkpoint}
        onChange={(e) => setCheckpoint(e.target.value)}
        inputProps={{ maxLength: 400 }}
      />
      <Field
        label="Notes"
        multiline
        minRows={2}
        value={notes}
        onChange={(e) => setNotes(e.target.value)}
        inputProps={{ maxLength: 2000 }}
      />
      <Field
        label="Homework"
        placeholder="None today"
        value={title}
        onChange={(e) => setTitle(e.target.value)}
        inputProps={{ maxLength: 120 }}
      />
      {hasHomework && (
        <>
          <Field
            label="How to do it"
            multiline
            minRows={2}
            value={instruction}
            onChange={(e) => setInstruction(e.target.value)}
            inputProps={{ maxLength: 2000 }}
          />
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
            <Choice
              label="Phase"
              value={phase}
              options={(Object.keys(phases) as Schemas['Phase'][]).map((p) => ({ value: p, label: phases[p].name }))}
              onChange={setPhase}
            />
            <Choice label="Place" value={place} options={optionsOf(places)} onChange={setPlace} />
            <NumberField
              label="Duration"
              unit="min"
              whole
              range={ranges.segmentMinutes}
              value={minutes}
              onChange={setMinutes}
            />
            <NumberField label="Balls" whole range={ranges.segmentBalls} value={balls} onChange={setBalls} />
          </Box>
          <Typography sx={{ color: 'text.secondary', fontSize: 15 }}>
            It waits as a draft in next week of {studentName}, for you to look at and publish.
          </Typography>
        </>
      )}
      <Button
        variant="contained"
        disabled={!fits}
        onClick={() =>
          onFinish({
            kind: 'lessonNoted',
            checkpoint: checkpoint.trim(),
            notes: notes.trim(),
            homework: hasHomework
              ? {
                  segmentId,
                  title: title.trim(),
                  instruction,
                  phase,
                  place,
                  minutes: Math.round(minutes ?? homework.minutes),
                  balls: Math.round(balls ?? 0),
                }
              : null,
          })
        }
        sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}
      >
        Finish the lesson
      </Button>
    </Box>
  );
}
