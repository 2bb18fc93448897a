import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { moment } from '../../ui/format';
import { ErrorNotice, Loading } from '../../ui/states';
import { Invite, InviteStudent } from './Invite';
import { useChangeStudentState, useStudentAccount } from './peopleQueries';

/** How a student signs in, for a coach: the account, closing and opening it, a link for a forgotten password. */
export function StudentAccount({ studentId, name }: { studentId: string; name: string }) {
  const account = useStudentAccount(studentId);
  const state = useChangeStudentState(studentId);
  const [isLeaving, setIsLeaving] = useState(false);
  const isOpen = account.data?.state === 'active';
  return (
    <Box component="section" aria-label="Account" sx={{ mt: 4 }}>
      <Typography variant="h2">Account</Typography>
      {account.isPending && <Loading what="the account" />}
      {account.error && <ErrorNotice error={account.error} onRetry={() => void account.refetch()} />}
      {account.data === null && (
        <>
          <Typography sx={{ mb: 1 }}>{name} has none yet. A link lets them choose how they sign in.</Typography>
          <InviteStudent id={studentId} name={name} />
        </>
      )}
      {account.data && (
        <>
          <Typography sx={{ mb: 1, overflowWrap: 'anywhere' }}>
            {account.data.email} · {account.data.seenAt ? `seen ${moment(account.data.seenAt)}` : 'not seen yet'}
            {!isOpen && (
              <>
                {' '}
                · <b>closed</b>
              </>
            )}
          </Typography>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
            {isOpen && (
              <Invite
                label="Link for a new password"
                who={name}
                make={() =>
                  answer(
                    api.POST('/api/students/{studentId}/account/password-link', { params: { path: { studentId } } }),
                  )
                }
              />
            )}
            <Button
              variant="outlined"
              onClick={() => state.mutate(isOpen ? 'disabled' : 'active')}
              disabled={state.isPending}
            >
              {isOpen ? 'Close the account' : 'Let in again'}
            </Button>
            <Button variant="outlined" onClick={() => setIsLeaving(true)} disabled={isLeaving}>
              Take away …
            </Button>
          </Box>
          {isLeaving && (
            <Box sx={{ mt: 1.5, pl: 1.5, borderLeft: '4px solid', borderColor: 'text.primary' }}>
              The account goes for good, with its password and calendar. File, weeks and practice stay; a new link can
              be made later.
              <Box sx={{ mt: 1 }}>
                <Button
                  variant="contained"
                  disabled={state.isPending}
                  onClick={() => state.mutate('removed', { onSuccess: () => setIsLeaving(false) })}
                >
                  Take it away
                </Button>
                <Button onClick={() => setIsLeaving(false)}>Keep it</Button>
              </Box>
            </Box>
          )}
        </>
      )}
      {state.error && <ErrorNotice error={state.error} />}
      <Typography sx={{ mt: 1.5 }}>
        <Link to={`/students/${studentId}/data`}>Everything of {name}, out or deleted</Link>
      </Typography>
    </Box>
  );
}
