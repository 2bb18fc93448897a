import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { count } from '../../ui/format';
import type { useRunningLog } from './useRunningLog';

type RunningLog = ReturnType<typeof useRunningLog>;

/** Whether everything is sent, in a few words; always in sight while practising. */
export function SyncLine({ log, hasBegun }: { log: RunningLog; hasBegun: boolean }) {
  const words =
    log.unsent === 0
      ? hasBegun
        ? 'all sent'
        : ''
      : log.problem
        ? `${count(log.unsent, 'entry', 'entries')} kept on this phone, not sent yet`
        : 'sending …';
  return (
    <Box
      role="status"
      data-testid="sync"
      sx={{ ml: 'auto', fontSize: 14, color: log.problem ? 'error.main' : 'text.secondary' }}
    >
      {words}
    </Box>
  );
}

/** What stands in the way of sending, where the student can do something about it. */
export function SyncProblem({ log }: { log: RunningLog }) {
  if (log.storageError)
    return (
      <Box role="alert" sx={{ fontSize: 15, mb: 1 }}>
        This phone keeps nothing at the moment ({log.storageError.message}). Stay on this page until everything is sent.
      </Box>
    );
  if (!log.problem || log.problem.status === 0 || log.problem.status >= 500) return null;
  return (
    <Box role="alert" sx={{ fontSize: 15, mb: 1 }}>
      {log.problem.message}{' '}
      {log.problem.status === 401 ? (
        <Link to="/sign-in" state={{ from: window.location.pathname }}>
          Sign in again
        </Link>
      ) : (
        <Button onClick={log.sendAgain}>Send again</Button>
      )}
    </Box>
  );
}

/** Another tab works on this session; one of them at a time. */
export function InAnotherTab({ onTakeOver }: { onTakeOver: () => void }) {
  return (
    <Box sx={{ pt: 6, display: 'grid', gap: 2 }}>
      <Box sx={{ fontSize: 20, fontWeight: 620 }}>This session is open in another tab.</Box>
      <Box>Nothing is lost: what was counted there is on this phone.</Box>
      <Button variant="contained" onClick={onTakeOver} sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}>
        Go on here
      </Button>
    </Box>
  );
}
