import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ComponentType } from 'react';
import { Link, useParams } from 'react-router';
import { useLiveQuery } from 'dexie-react-hooks';
import { orNothing, deviceStore } from '../../app/deviceStore';
import { usePerson } from '../../app/signIn';
import { Loading, ErrorNotice } from '../../ui/states';
import { useEntries, useSessionToPractise, type Session } from './queries';
import type { OnServer } from './useRunningLog';

/**
 * Gets a session, and what the server has of this person's log where this device has nothing of its own. Once the device has,
 * nothing that arrives later takes the screen away from whoever is practising.
 */
function usePractice() {
  const { id = '' } = useParams();
  const { accountId } = usePerson();
  const session = useSessionToPractise(id);
  const kept = useLiveQuery(async () => {
    const log = await orNothing(deviceStore.logs.where({ accountId, assignmentId: id }).first());
    return { isHere: log !== undefined };
  }, [accountId, id]);
  // What runs is gone on from; what is over is mended where it is.
  const mine = session.data?.logs.filter((l) => l.accountId === accountId) ?? [];
  const open = kept?.isHere ? undefined : (mine.find((l) => l.finishedAt === null) ?? mine.at(-1));
  const entries = useEntries(open?.id);
  const onServer =
    open && entries.data ? { logId: open.id, entries: entries.data, isFinished: open.finishedAt !== null } : undefined;
  // Without a signal there is nothing to wait for: what this device has is what there is.
  const isPending =
    session.isPending || !kept || (open !== undefined && entries.isPending && entries.failureCount === 0);
  return { session, onServer, isPending };
}

interface Props {
  /** What is shown once the session is here. */
  as: ComponentType<{ session: Session; onServer: OnServer | undefined }>;
}

/** A session on its way to being practised, or typed in. */
export function ToPractise({ as: Screen }: Props) {
  const { session, onServer, isPending } = usePractice();
  if (isPending) return <Loading what="the session" />;
  if (!session.data) return <NotThere error={session.error} onRetry={() => void session.refetch()} />;
  return <Screen key={session.data.card.assignmentId} session={session.data} onServer={onServer} />;
}

function NotThere({ error, onRetry }: { error: Error | null; onRetry: () => void }) {
  return (
    <Box sx={{ pt: 3 }}>
      <Button component={Link} to="/" sx={{ ml: -1.25, minHeight: 48 }}>
        Home
      </Button>
      <ErrorNotice error={error ?? new Error('This session is not on this phone yet.')} onRetry={onRetry} />
    </Box>
  );
}
