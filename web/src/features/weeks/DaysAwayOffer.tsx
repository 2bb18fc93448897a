import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { weekKeys, weekViews } from '../../api/queryKeys';
import { count, dayName } from '../../ui/format';
import { ErrorNotice } from '../../ui/states';

/** Offers to excuse what is published on days on which the student cannot. Shows nothing where nothing is. */
export function DaysAwayOffer({ studentId, version }: { studentId: string; version: number }) {
  const queries = useQueryClient();
  const path = { params: { path: { studentId } } };
  const found = useQuery({
    // What stands in the file decides it: asked anew with every version of it.
    queryKey: [...weekKeys.all, 'days-away', studentId, version],
    queryFn: () => answer(api.GET('/api/weeks/students/{studentId}/days-away', path)),
  });
  const excuse = useMutation({
    mutationFn: () => answer(api.POST('/api/weeks/students/{studentId}/days-away/excuse', path)),
    onSuccess: () => Promise.all(weekViews.map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
  if (excuse.data && excuse.data.sessions > 0 && !found.data?.length)
    return <Box role="status">Excused {count(excuse.data.sessions, 'session')}: away.</Box>;
  if (!found.data?.length) return null;
  return (
    <Box role="status" sx={{ my: 1.5, pl: 1.5, borderLeft: '4px solid', borderColor: 'secondary.main', maxWidth: 560 }}>
      {count(found.data.length, 'session')} on days away:{' '}
      {found.data.map((s) => `${s.title}, ${s.day ? dayName(s.day) : ''}`).join('; ')}.
      <Box>
        <Button
          variant="outlined"
          onClick={() => excuse.mutate()}
          disabled={excuse.isPending}
          sx={{ mt: 0.5, minHeight: 44 }}
        >
          Excuse {count(found.data.length, 'session')}
        </Button>
      </Box>
      {excuse.error && <ErrorNotice error={excuse.error} />}
    </Box>
  );
}
