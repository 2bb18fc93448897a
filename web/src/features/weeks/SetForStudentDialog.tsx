import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuid } from 'uuid';
import { useStudents } from '../students/queries';
import { usePerson } from '../../app/signIn';
import { Choice } from '../../ui/Field';
import { Loading, ErrorNotice } from '../../ui/states';
import { usePlace } from './queries';

/** From the bench into a student's week: as a draft on "any day" of this week, to be placed and published there. */
export function SetForStudentDialog({
  planId,
  title,
  onClose,
}: {
  planId: string;
  title: string;
  onClose: () => void;
}) {
  const person = usePerson();
  const students = useStudents();
  const [studentId, setStudentId] = useState('');
  const [id] = useState(() => uuid());
  const place = usePlace();
  const navigate = useNavigate();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="set-title">
      <DialogTitle id="set-title">Set “{title}”</DialogTitle>
      <DialogContent>
        {students.isPending && <Loading what="the students" />}
        {students.error && <ErrorNotice error={students.error} onRetry={() => void students.refetch()} />}
        {students.data && (
          <Choice
            label="Student"
            value={studentId}
            options={[
              { value: '', label: 'Choose a student' },
              ...students.data.map((s) => ({ value: s.id, label: s.name })),
            ]}
            onChange={setStudentId}
          />
        )}
        <Box sx={{ mt: 1.5, color: 'text.secondary' }}>
          It goes into this week as a draft for any day. Place it and publish it on the student’s page.
        </Box>
        {place.error && <ErrorNotice error={place.error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          disabled={studentId === '' || place.isPending}
          onClick={() =>
            place.mutate(
              { id, input: { studentId, planId, week: person.week, day: null, requirement: 'must' } },
              { onSuccess: () => void navigate(`/students/${studentId}`) },
            )
          }
        >
          Put it in the week
        </Button>
      </DialogActions>
    </Dialog>
  );
}
