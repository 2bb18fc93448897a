import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { usePerson } from '../../app/signIn';
import { Choice } from '../../ui/Field';
import { count, dayName, plusDays } from '../../ui/format';
import { ErrorNotice } from '../../ui/states';
import { isoWeek, mondayOf } from '../../ui/weekdays';
import { useSquads, useStudents } from '../students/queries';
import { useSaveRun } from './queries';

/** How many weeks ahead a programme can be started. */
const weeksAhead = 8;

interface Props {
  programmeId: string;
  name: string;
  weeks: number;
  onClose: () => void;
}

/** Starts a programme for a student or a squad in a week. */
export function StartDialog({ programmeId, name, weeks, onClose }: Props) {
  const { today } = usePerson();
  const students = useStudents();
  const squads = useSquads();
  const save = useSaveRun();
  const [id] = useState(() => uuid());
  const [whom, setWhom] = useState('');
  const [start, setStart] = useState(() => isoWeek(plusDays(mondayOf(today), 7)));
  const options = Array.from({ length: weeksAhead }, (_, i) => plusDays(mondayOf(today), 7 * i)).map((monday, i) => ({
    value: isoWeek(monday),
    label: i === 0 ? 'this week' : dayName(monday).slice(4),
  }));
  const [kind, who] = whom.split(' ');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="start-title">
      <DialogTitle id="start-title">Start “{name}”</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Choice
          label="For"
          value={whom}
          options={[
            { value: '', label: 'choose a squad or a student' },
            ...(squads.data ?? []).map((s) => ({
              value: `squad ${s.id}`,
              label: `${s.name}, ${count(s.members.length, 'student')}`,
            })),
            ...(students.data ?? []).map((s) => ({ value: `student ${s.id}`, label: s.name })),
          ]}
          onChange={setWhom}
        />
        <Choice label="Its first week begins on" value={start} options={options} onChange={setStart} />
        <Box sx={{ color: 'text.secondary' }}>
          {count(weeks, 'week')}. Its sessions go into the week sheet from the programme, as drafts. Who joins the squad
          later joins at its week of then.
        </Box>
        {students.error && <ErrorNotice error={students.error} />}
        {squads.error && <ErrorNotice error={squads.error} />}
        {save.error && <ErrorNotice error={save.error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          disabled={!who || save.isPending}
          onClick={() =>
            save.mutate(
              {
                id,
                version: undefined,
                input: {
                  programmeId,
                  studentId: kind === 'student' ? (who ?? null) : null,
                  squadId: kind === 'squad' ? (who ?? null) : null,
                  start,
                },
              },
              { onSuccess: onClose },
            )
          }
        >
          Start it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
