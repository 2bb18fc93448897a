import Box from '@mui/material/Box';
import { useLiveQuery } from 'dexie-react-hooks';
import { isUnsent, orNothing, deviceStore } from '../../app/deviceStore';
import { usePerson } from '../../app/signIn';
import { count } from '../../ui/format';

/** What of this person's practice is on this phone and not sent yet. */
export function Unsent() {
  const { accountId } = usePerson();
  const logs = useLiveQuery(
    () => orNothing(deviceStore.logs.where({ accountId }).filter(isUnsent).toArray()),
    [accountId],
  );
  if (!logs?.length) return null;
  return (
    <Box role="status" sx={{ mt: 1.5, p: 1.5, bgcolor: 'background.paper', borderRadius: 2, fontSize: 15 }}>
      {logs.map((log) => (
        <div key={log.localId}>
          {count(log.count - log.sent, 'entry', 'entries')} of “{log.title}” on this phone, not sent yet.
          {log.problem && log.problem.status !== 0 && ` ${log.problem.message}`}
        </div>
      ))}
    </Box>
  );
}
