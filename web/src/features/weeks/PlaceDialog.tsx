import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { v7 as uuid } from 'uuid';
import type { Schemas } from '../../api/client';
import { Choice, Field } from '../../ui/Field';
import { dayName, minutes, plusDays } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Loading, ErrorNotice } from '../../ui/states';
import { usePlans } from '../plans/queries';
import { findingLevels } from '../../ui/findingLevels';
import { useFindingsOn, usePlace, type Card, type Week } from './queries';

interface Props {
  week: Week;
  /** A day to put a plan on, or a session to move. */
  placing: { day: string | null } | Card;
  onClose: () => void;
}

/** Puts a plan on a day of a week, or moves a session that is already there. */
export function PlaceDialog({ week, placing, onClose }: Props) {
  const moved = 'assignmentId' in placing ? placing : undefined;
  const [text, setText] = useState('');
  const plans = usePlans({ text: useDeferredValue(text.trim()), area: '', order: 'changed' });
  const found = plans.data?.pages.flatMap((page) => page.plans) ?? [];
  const isSearched = text !== '' || plans.hasNextPage;
  const place = usePlace();
  const [id] = useState(() => moved?.assignmentId ?? uuid());
  const [planId, setPlanId] = useState(moved?.planId ?? '');
  const [day, setDay] = useState(placing.day ?? '');
  const [requirement, setRequirement] = useState<Schemas['Requirement']>(moved?.requirement ?? 'must');
  const days = Array.from({ length: 7 }, (_, i) => plusDays(week.monday, i));
  const chosen = found.find((p) => p.id === planId);

  const save = () =>
    place.mutate(
      {
        id,
        ...(moved && { version: moved.version }),
        input: { studentId: week.studentId, planId, week: week.week, day: day || null, requirement },
      },
      { onSuccess: onClose },
    );

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="place-title">
      <DialogTitle id="place-title">{moved ? `Move “${moved.title}”` : `A plan for ${week.studentName}`}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        {!moved && plans.isPending && <Loading what="the plans" />}
        {!moved && plans.error && <ErrorNotice error={plans.error} onRetry={() => void plans.refetch()} />}
        {!moved && plans.data && found.length === 0 && text === '' && (
          <Box>
            There is no plan yet. <Link to="/plans/new">Write the first one</Link>.
          </Box>
        )}
        {!moved && isSearched && (
          <Field
            label="Words or a student"
            value={text}
            onChange={(e) => setText(e.target.value)}
            inputProps={{ maxLength: 120 }}
          />
        )}
        {!moved && (found.length > 0 || text !== '') && (
          <Choice
            label="Plan"
            value={chosen ? planId : ''}
            options={[
              { value: '', label: 'Choose a plan' },
              ...found.map((p) => ({ value: p.id, label: `${p.title} (${minutes(p.minutes)})` })),
            ]}
            onChange={setPlanId}
          />
        )}
        {chosen && !moved && (
          <Box>
            <SessionStrip segments={chosen.strip} shows="plan" label={chosen.title} />
            <Box sx={{ mt: 1, color: 'text.secondary' }}>
              {chosen.purpose || 'No purpose yet: it cannot be published like this.'}
            </Box>
          </Box>
        )}
        <Choice
          label="Day"
          value={day}
          options={[{ value: '', label: 'Any day of the week' }, ...days.map((d) => ({ value: d, label: dayName(d) }))]}
          onChange={setDay}
        />
        <Choice
          label="Counts as"
          value={requirement}
          options={[
            { value: 'must', label: 'Must: part of the week' },
            { value: 'extra', label: 'Extra: on top, never counted against' },
          ]}
          onChange={setRequirement}
        />
        {planId !== '' && <FindingsOn week={week} planId={planId} day={day || null} />}
        {place.error && <ErrorNotice error={place.error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={planId === '' || (!moved && !chosen) || place.isPending} onClick={save}>
          {moved ? 'Move' : 'Put it in as a draft'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What the check says of the plan for this student on that day, before it is put there. */
function FindingsOn({ week, planId, day }: { week: Week; planId: string; day: string | null }) {
  const findings = useFindingsOn(week.studentId, week.week, planId, day);
  if (!findings.data?.length) return null;
  return (
    <Box component="ul" aria-label="To look at" sx={{ listStyle: 'none', m: 0, p: 0, fontSize: 15 }}>
      {findings.data.slice(0, 6).map((f, i) => (
        <li key={`${f.id} ${f.segmentId ?? ''} ${i}`}>
          <b>{findingLevels[f.level].name}</b>: {f.why}
        </li>
      ))}
    </Box>
  );
}
