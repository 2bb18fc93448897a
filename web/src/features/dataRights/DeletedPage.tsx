import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { dataRightsKeys } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { restore } from '../../ui/deleted';
import { moment } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';

const kinds: Record<Schemas['DeletedKind'], string> = {
  plan: 'Plan',
  programme: 'Programme',
  drill: 'Drill',
  place: 'Place',
  course: 'Course',
  testDay: 'Test day',
  squad: 'Squad',
  round: 'Round',
};

/** What was deleted in the last thirty days, and how it is restored. */
export function DeletedPage() {
  const isOwner = usePerson().role === 'owner';
  const deleted = useQuery({ queryKey: dataRightsKeys.deleted, queryFn: () => answer(api.GET('/api/deleted')) });
  return (
    <>
      <PageHeading sx={{ mt: 3, mb: 0.5 }}>Recently deleted</PageHeading>
      <Typography sx={{ color: 'text.secondary', mb: 2 }}>
        Kept for 30 days, then gone.{' '}
        {isOwner ? 'You can restore everything here.' : 'You see what you wrote or deleted.'} Deleting a person is
        final.
      </Typography>
      {deleted.isPending && <Loading what="what was deleted" />}
      {deleted.error && <ErrorNotice error={deleted.error} onRetry={() => void deleted.refetch()} />}
      {deleted.data?.length === 0 && <Empty title="Nothing deleted">Anything you delete stays here for 30 days.</Empty>}
      {deleted.data && deleted.data.length > 0 && (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 760 }}>
          {deleted.data.map((thing) => (
            <Row key={`${thing.kind} ${thing.id}`} thing={thing} />
          ))}
        </Box>
      )}
    </>
  );
}

function Row({ thing }: { thing: Schemas['DeletedThing'] }) {
  const queries = useQueryClient();
  const back = useMutation({
    mutationFn: () => restore(thing.kind, thing.id),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <Box
      component="li"
      sx={{ display: 'flex', alignItems: 'center', gap: 2, py: 1, borderTop: '1px solid', borderColor: 'line' }}
    >
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography sx={{ fontWeight: 620, overflowWrap: 'anywhere' }}>{thing.name || 'Without a name'}</Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {kinds[thing.kind]}, deleted {moment(thing.deletedAt)}
          {thing.deletedBy && ` by ${thing.deletedBy}`}. Kept until {moment(thing.until)}.
        </Typography>
        {back.error && <ErrorNotice error={back.error} />}
      </Box>
      <Button variant="outlined" onClick={() => back.mutate()} disabled={back.isPending}>
        Restore
      </Button>
    </Box>
  );
}
