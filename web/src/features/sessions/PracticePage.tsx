import Box from '@mui/material/Box';
import { useParams } from 'react-router';
import { Loading, Trouble } from '../../ui/states';
import { Practice } from './Practice';
import { useEntries, useSessionView } from './queries';

/** Gets a session and what was already done of it, then lets the student practise. */
export function PracticePage() {
  const { id = '' } = useParams();
  const session = useSessionView(id);
  const open = session.data?.logs.find((l) => l.finishedAt === null);
  const entries = useEntries(open?.id);
  if (session.isPending || (open && entries.isPending)) return <Loading what="the session" />;
  const error = session.error ?? entries.error;
  if (error)
    return (
      <Box sx={{ pt: 3 }}>
        <Trouble error={error} onRetry={() => void session.refetch()} />
      </Box>
    );
  const onServer = open && entries.data && { logId: open.id, entries: entries.data, sent: entries.data.length };
  return session.data && <Practice session={session.data} onServer={onServer} />;
}
