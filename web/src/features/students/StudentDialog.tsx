import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { answer, api, changesVersion, newRow, Problem, type Schemas } from '../../api/client';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { hands, levels } from '../../ui/format';
import { ErrorNotice } from '../../ui/states';
import { useStudentsChanged } from './queries';

type Student = Schemas['StudentView'];

interface Props {
  onClose: () => void;
  /** The student to change; a new one without. */
  student?: Student;
}

/** Who a student is: the little that planning needs to begin. */
export function StudentDialog({ onClose, student }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="student-title">
      <DialogTitle id="student-title">{student ? 'Change the student' : 'Add a student'}</DialogTitle>
      <StudentForm onClose={onClose} {...(student && { student })} />
    </Dialog>
  );
}

function StudentForm({ onClose, student }: Props) {
  const changed = useStudentsChanged();
  const [id] = useState(() => student?.id ?? uuid());
  const [input, setInput] = useState({
    name: student?.name ?? '',
    hand: student?.hand ?? ('right' as const),
    level: student?.level ?? ('improving' as const),
    coachNote: student?.coachNote ?? '',
  });
  const set = (patch: Partial<typeof input>) => setInput((old) => ({ ...old, ...patch }));
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/students/{id}', {
          params: { path: { id } },
          body: input,
          headers: student ? changesVersion(student.version) : newRow,
        }),
      ),
    onSuccess: async () => {
      await changed();
      onClose();
    },
  });
  const problem = save.error instanceof Problem ? save.error : undefined;
  // A note that grew too long is shown at its field; everything else below.
  useEffect(() => () => save.reset(), []); // eslint-disable-line react-hooks/exhaustive-deps

  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate();
      }}
    >
      <DialogContent sx={{ display: 'grid', gap: 2, pt: 1 }}>
        <Field
          label="Name"
          autoFocus
          value={input.name}
          onChange={(e) => set({ name: e.target.value })}
          error={problem?.fieldError('name')}
        />
        <Choice label="Hand" value={input.hand} options={optionsOf(hands)} onChange={(hand) => set({ hand })} />
        <Choice label="Level" value={input.level} options={optionsOf(levels)} onChange={(level) => set({ level })} />
        <Field
          label="Note for coaches"
          hint="Students do not see this."
          multiline
          minRows={2}
          value={input.coachNote}
          onChange={(e) => set({ coachNote: e.target.value })}
          error={problem?.fieldError('coachNote')}
        />
        {save.error && !problem?.fieldError('name') && !problem?.fieldError('coachNote') && (
          <ErrorNotice error={save.error} />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button type="submit" variant="contained" disabled={save.isPending}>
          {student ? 'Save' : 'Add'}
        </Button>
      </DialogActions>
    </form>
  );
}
