import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, changesVersion, type Schemas } from '../../api/client';
import { studentKeys } from '../../api/queryKeys';
import { Choice } from '../../ui/Field';
import { ErrorNotice, Loading } from '../../ui/states';
import { useStudentsChanged } from './queries';

interface Props {
  student: Schemas['StudentView'];
  /** What stands in the student's week and goes along, in words. */
  goesAlong: readonly string[];
  onClose: () => void;
}

/** Hands a student to another coach, with weeks and notes. */
export function HandOverDialog({ student, goesAlong, onClose }: Props) {
  const coaches = useQuery({
    queryKey: studentKeys.coaches,
    queryFn: () => answer(api.GET('/api/accounts/coaches')),
  });
  const [coachId, setCoachId] = useState('');
  const changed = useStudentsChanged();
  const handOver = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/students/{id}/coach', {
          params: { path: { id: student.id } },
          body: { coachId },
          headers: changesVersion(student.version),
        }),
      ),
    onSuccess: async () => {
      await changed();
      onClose();
    },
  });
  const now = coaches.data?.find((c) => c.accountId === student.coachId)?.name;
  const others = coaches.data?.filter((c) => c.accountId !== student.coachId) ?? [];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="hand-over-title">
      <DialogTitle id="hand-over-title">Hand {student.name} over</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        {coaches.isPending && <Loading what="the coaches" />}
        {coaches.error && <ErrorNotice error={coaches.error} onRetry={() => void coaches.refetch()} />}
        {coaches.data && others.length === 0 && (
          <Box>There is no other coach in this academy yet. Its owner invites one under People.</Box>
        )}
        {others.length > 0 && (
          <>
            <Box>
              {now ?? 'A coach'} looks after {student.name} now. With the student go {goesAlong.join(', ')}, all other
              weeks, the file, notes and history. Only whose sheet, tee line, calendar and mails they stand in changes.
            </Box>
            <Choice
              label="To"
              value={coachId}
              options={[
                { value: '', label: 'Choose a coach' },
                ...others.map((c) => ({ value: c.accountId, label: c.name })),
              ]}
              onChange={setCoachId}
            />
          </>
        )}
        {handOver.error && <ErrorNotice error={handOver.error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={coachId === '' || handOver.isPending} onClick={() => handOver.mutate()}>
          Hand over
        </Button>
      </DialogActions>
    </Dialog>
  );
}
