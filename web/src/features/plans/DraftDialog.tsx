import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { ranges } from '../../api/ranges';
import { Problem, type Schemas } from '../../api/client';
import { Chips } from '../../ui/Chips';
import { useStudents } from '../students/queries';
import { Choice, optionsOf } from '../../ui/Field';
import { approaches, areas, places, warmUpSchools } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { ErrorNotice } from '../../ui/states';

interface Props {
  constraints: Schemas['PlanConstraints'];
  error: Error | null;
  isDrafting: boolean;
  /** The one the plan is written for; null where it is for nobody in particular. */
  studentId: string | null;
  /** Those it is for together from the start. */
  beginsWith?: readonly string[];
  onDraft: (request: Schemas['DraftRequest'], together: string[]) => void;
  onClose: () => void;
}

/** A few answers for a whole plan. */
export function DraftDialog({ constraints, error, isDrafting, studentId, beginsWith = [], onDraft, onClose }: Props) {
  const students = useStudents();
  const [minutes, setMinutes] = useState<number | null>(constraints.minutes ?? 60);
  const [balls, setBalls] = useState<number | null>(constraints.balls ?? 100);
  const [where, setWhere] = useState<Schemas['PlaceKind'][]>(['range']);
  const [area, setArea] = useState<Schemas['Area'] | ''>('');
  const [approach, setApproach] = useState<Schemas['Approach'] | ''>(constraints.approach ?? '');
  const [warmUp, setWarmUp] = useState<Schemas['WarmUpSchool'] | ''>('');
  const [together, setTogether] = useState<string[]>([...beginsWith]);
  const problem = error instanceof Problem ? error : undefined;
  const at = (field: string) => problem?.fieldError(`request.${field}`);
  const isSaidAtFields = ['minutes', 'balls', 'places'].some(at) || Boolean(problem?.fieldError('studentIds'));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="draft-title">
      <DialogTitle id="draft-title">Draft one</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1.5 }}>
          <NumberField
            label="Duration"
            unit="min"
            whole
            range={ranges.draftMinutes}
            value={minutes}
            onChange={setMinutes}
            error={at('minutes')}
          />
          <NumberField
            label="Range balls"
            whole
            range={ranges.draftBalls}
            value={balls}
            onChange={setBalls}
            error={at('balls')}
          />
          <Choice
            label="About"
            value={area}
            options={[
              { value: '', label: studentId ? 'what this student needs' : 'the approach’s shares' },
              ...optionsOf(areas),
            ]}
            onChange={setArea}
          />
          <Choice
            label="Approach"
            value={approach}
            options={[{ value: '', label: 'the student’s, or three parts' }, ...optionsOf(approaches)]}
            onChange={setApproach}
          />
          <Choice
            label="Warm-up"
            value={warmUp}
            options={[
              { value: '', label: 'two a club' },
              ...optionsOf(warmUpSchools).filter((o) => o.value !== 'twoAClub'),
            ]}
            onChange={setWarmUp}
          />
        </Box>
        <Chips label="Where" names={places} value={where} onChange={setWhere} error={at('places')} />
        {(students.data ?? []).length > 1 && (
          <Chips
            label="For several at once"
            names={Object.fromEntries((students.data ?? []).map((s) => [s.id, s.name]))}
            value={together}
            onChange={setTogether}
            error={problem?.fieldError('studentIds')}
          />
        )}
        {error && !isSaidAtFields && <ErrorNotice error={error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          disabled={isDrafting}
          onClick={() =>
            onDraft(
              {
                minutes: Math.round(minutes ?? 0),
                balls: Math.round(balls ?? 0),
                places: where,
                area: area || null,
                approach: approach || null,
                warmUp: warmUp || null,
                hot: constraints.hot ?? false,
                windFromDegrees: constraints.windFromDegrees ?? null,
                warmedUpBefore: constraints.warmedUpBefore ?? false,
                variant: 0,
              },
              together,
            )
          }
        >
          Draft
        </Button>
      </DialogActions>
    </Dialog>
  );
}
