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
      : log.storageError
        ? `${count(log.unsent, 'entry', 'entries')} held on this page, not sent yet`
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
export function SyncProblem({ log, isOver }: { log: RunningLog; isOver: boolean }) {
  if (log.storageError)
    return (
      <Box role="alert" sx={{ fontSize: 15, mb: 1 }}>
        This phone cannot keep anything at the moment. Keep this page open: what you tap is sent from here
        {log.unsent > 0 ? ` (${count(log.unsent, 'entry', 'entries')} still to go).` : ', and all of it is sent.'}
      </Box>
    );
  if (!log.problem || log.problem.status === 0 || log.problem.status >= 500) return null;
  // Nobody is led out of a session to sign in: practice goes on, and it is asked for at the end.
  if (log.problem.status === 401 && !isOver)
    return (
      <Box role="status" sx={{ fontSize: 15, mb: 1 }}>
        You’re signed out. Keep practising: everything is kept on this phone. Sign in at the end.
      </Box>
    );
  return (
    <Box role="alert" sx={{ fontSize: 15, mb: 1 }}>
      {log.problem.status === 401 ? 'Sign in to send this session.' : log.problem.message}{' '}
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

/** What the server said of the log that the student should know. */
export function SyncNews({ log }: { log: RunningLog }) {
  const news = [
    log.told.keptAfterTakenOut &&
      'Your coach had taken this session out of the week. What you do is kept as practice of your own, and your coach is told.',
    log.told.changedMeanwhile?.length &&
      `Your coach changed this session after you began. What you do counts. ${log.told.changedMeanwhile.join(' ')}`,
    log.told.fromTwoDevices
      ? 'This session is practised on two devices. Both are kept; of each part the fuller one counts.'
      : log.continues && 'You go on here from another device. Both are kept; of each part the fuller one counts.',
  ].filter(Boolean);
  if (news.length === 0) return null;
  return (
    <Box role="status" sx={{ mt: 1, p: 1.25, bgcolor: 'background.paper', borderRadius: 2, fontSize: 15 }}>
      {news.map((line) => (
        <div key={String(line)}>{line}</div>
      ))}
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
