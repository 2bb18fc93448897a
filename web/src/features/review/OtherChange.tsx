import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { drillKeys } from '../../api/queryKeys';
import { Choice, Field } from '../../ui/Field';
import { ErrorNotice, Loading } from '../../ui/states';

type Change = Schemas['WeekChange'];

const acts = [
  { value: 'step', label: 'Another step' },
  { value: 'swap', label: 'Another drill' },
  { value: 'retire', label: 'Let it rest' },
  { value: 'merge', label: 'Both times in one piece' },
  { value: 'trial', label: 'A small trial beside it' },
] as const;

interface Props {
  decided: Schemas['DecidedSuggestion'];
  onTake: (change: Change) => void;
  onClose: () => void;
}

/** Something else than what is suggested: another step, another drill, a rest, or a small trial with a question. */
export function OtherChange({ decided, onTake, onClose }: Props) {
  const { change, drill } = decided.suggestion;
  const [act, setAct] = useState<(typeof acts)[number]['value']>(change.drillId ? 'step' : 'trial');
  const [rung, setRung] = useState('');
  const [drillId, setDrillId] = useState('');
  const [trial, setTrial] = useState({
    question: '',
    expect: 'It feels strange, and results go down a little at first.',
    overdoing: 'You think of it everywhere else too. Then leave it for the day.',
  });
  const shelf = useQuery({ queryKey: drillKeys.shelf({}), queryFn: () => answer(api.GET('/api/drills')) });
  const own = useQuery({
    queryKey: drillKeys.one(change.drillId ?? ''),
    enabled: !!change.drillId,
    queryFn: () => answer(api.GET('/api/drills/{id}', { params: { path: { id: change.drillId ?? '' } } })),
  });
  // Only what stands twice in one session can be brought together.
  const isTwice = new Set(change.segments.map((s) => s.assignmentId)).size < change.segments.length;
  const steps = (own.data?.drill.ladder ?? [])
    .map((r, i) => ({ value: String(i), label: r.name }))
    .filter((s) => s.value !== String(change.onRung ?? 0));
  const base: Change = { ...change, rung: null, bringsDrillId: null, trial: null };
  const made: Change | undefined =
    act === 'step'
      ? rung === ''
        ? undefined
        : { ...base, kind: 'step', rung: Number(rung) }
      : act === 'retire' || act === 'merge'
        ? { ...base, kind: act }
        : drillId === ''
          ? undefined
          : act === 'swap'
            ? { ...base, kind: 'swap', bringsDrillId: drillId, rung: 0 }
            : trial.question.trim() === ''
              ? undefined
              : { ...base, kind: 'trial', bringsDrillId: drillId, rung: 0, trial };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Instead, for “{drill}”</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Box sx={{ mt: 1 }}>
          <Choice
            label="What to do"
            value={act}
            options={acts.filter((a) => a.value !== 'merge' || isTwice)}
            onChange={setAct}
          />
        </Box>
        {(shelf.isPending || (own.isPending && !!change.drillId)) && <Loading what="the shelf" />}
        {shelf.error && <ErrorNotice error={shelf.error} onRetry={() => void shelf.refetch()} />}
        {act === 'step' && own.error && <ErrorNotice error={own.error} onRetry={() => void own.refetch()} />}
        {act === 'step' &&
          own.data &&
          (steps.length > 0 ? (
            <Choice
              label="Step"
              value={rung}
              options={[{ value: '', label: 'choose one' }, ...steps]}
              onChange={setRung}
            />
          ) : (
            <Typography>This drill has no other step.</Typography>
          ))}
        {(act === 'swap' || act === 'trial') && (
          <Choice
            label="Drill"
            value={drillId}
            options={[
              { value: '', label: 'choose one' },
              ...(shelf.data ?? []).map((d) => ({ value: d.id, label: d.name })),
            ]}
            onChange={setDrillId}
          />
        )}
        {act === 'trial' && (
          <>
            <Field
              label="The question"
              hint="What it is to find out."
              value={trial.question}
              onChange={(e) => setTrial({ ...trial, question: e.target.value })}
            />
            <Field
              label="What to expect"
              value={trial.expect}
              onChange={(e) => setTrial({ ...trial, expect: e.target.value })}
            />
            <Field
              label="What overdoing looks like"
              value={trial.overdoing}
              onChange={(e) => setTrial({ ...trial, overdoing: e.target.value })}
            />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={!made} onClick={() => made && onTake(made)}>
          Take this
        </Button>
      </DialogActions>
    </Dialog>
  );
}
