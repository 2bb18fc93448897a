import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { answer, api, changesVersion, newRow, Problem, type Schemas } from '../../api/client';
import { studentKeys, weekKeys } from '../../api/queryKeys';
import { Checkbox } from '../../ui/Checkbox';
import { Field } from '../../ui/Field';
import { count } from '../../ui/format';
import { ErrorNotice, Loading } from '../../ui/states';
import { DeletedLink, sayDeleted } from '../../ui/deleted';

type Squad = Schemas['SquadView'];

/** The squads, and who is in them. */
export function SquadsDialog({
  squads,
  onClose,
  onDeleted,
}: {
  squads: readonly Squad[];
  onClose: () => void;
  onDeleted: (id: string) => void;
}) {
  const [changing, setChanging] = useState<Squad>();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="squads-title">
      <DialogTitle id="squads-title">{changing ? changing.name || 'A new squad' : 'Squads'}</DialogTitle>
      {changing ? (
        <ChangeSquad squad={changing} onDone={() => setChanging(undefined)} onDeleted={onDeleted} />
      ) : (
        <>
          <DialogContent>
            {squads.length === 0 && <div>No squads yet. A squad is a named group; a student can be in several.</div>}
            {squads.map((s) => (
              <Box
                key={s.id}
                sx={{ display: 'flex', alignItems: 'center', borderBottom: '1px solid', borderColor: 'line' }}
              >
                {s.name}, {count(s.members.length, 'student')}
                <Button aria-label={`Change ${s.name}`} onClick={() => setChanging(s)} sx={{ ml: 'auto' }}>
                  Change
                </Button>
              </Box>
            ))}
          </DialogContent>
          <DialogActions>
            <Box sx={{ mr: 'auto', pl: 2 }}>
              <DeletedLink />
            </Box>
            <Button onClick={onClose}>Close</Button>
            <Button variant="contained" onClick={() => setChanging({ id: uuid(), name: '', version: 0, members: [] })}>
              New squad
            </Button>
          </DialogActions>
        </>
      )}
    </Dialog>
  );
}

function ChangeSquad({
  squad,
  onDone,
  onDeleted,
}: {
  squad: Squad;
  onDone: () => void;
  onDeleted: (id: string) => void;
}) {
  const queries = useQueryClient();
  const students = useQuery({ queryKey: studentKeys.all, queryFn: () => answer(api.GET('/api/students')) });
  const [name, setName] = useState(squad.name);
  const [members, setMembers] = useState<ReadonlySet<string>>(new Set(squad.members));
  const path = { params: { path: { id: squad.id } } };
  const done = { onSuccess: onDone, onSettled: () => queries.invalidateQueries({ queryKey: weekKeys.all }) };
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/squads/{id}', {
          ...path,
          body: { name, members: [...members] },
          headers: squad.version === 0 ? newRow : changesVersion(squad.version),
        }),
      ),
    ...done,
  });
  const remove = useMutation({
    mutationFn: async () => {
      await answer(api.DELETE('/api/squads/{id}', { ...path, headers: changesVersion(squad.version) }));
      sayDeleted('squad', squad.id, squad.name);
      onDeleted(squad.id);
    },
    ...done,
  });
  const error = save.error ?? remove.error;
  const nameError = error instanceof Problem ? error.fieldError('name') : undefined;
  const toggle = (id: string) => {
    const next = new Set(members);
    if (!next.delete(id)) next.add(id);
    setMembers(next);
  };
  return (
    <>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        <Field
          label="Name"
          value={name}
          error={nameError}
          onChange={(e) => setName(e.target.value)}
          inputProps={{ maxLength: 80 }}
        />
        {students.isPending && <Loading what="the students" />}
        {students.error && <ErrorNotice error={students.error} onRetry={() => void students.refetch()} />}
        <Box role="group" aria-label="Students in it" sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' } }}>
          {students.data?.map((s) => (
            <Checkbox key={s.id} label={s.name} checked={members.has(s.id)} onChange={() => toggle(s.id)} />
          ))}
        </Box>
        {error && !nameError && <ErrorNotice error={error} />}
      </DialogContent>
      <DialogActions>
        {squad.version > 0 && (
          <Button onClick={() => remove.mutate()} sx={{ mr: 'auto' }}>
            Delete squad
          </Button>
        )}
        <Button onClick={onDone}>Cancel</Button>
        <Button variant="contained" disabled={save.isPending} onClick={() => save.mutate()}>
          Save
        </Button>
      </DialogActions>
    </>
  );
}
