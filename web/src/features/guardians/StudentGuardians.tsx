import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { answer, api } from '../../api/client';
import { moment } from '../../ui/format';
import { ErrorNotice, Loading } from '../../ui/states';
import { Invite } from '../accounts/Invite';
import { useGuardians, useRemoveGuardian } from './queries';

/** Who answers for a minor and sees their week, for a coach. */
export function StudentGuardians({ studentId, name }: { studentId: string; name: string }) {
  const guardians = useGuardians(studentId);
  const remove = useRemoveGuardian(studentId);
  return (
    <Box component="section" aria-label="Guardians" sx={{ mt: 4 }}>
      <Typography variant="h2">Guardians with an account</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        By a link a guardian consents, and sees week, completion, pain and your word; nothing of anybody else. Who takes
        consent back closes {name}’s account.
      </Typography>
      {guardians.isPending && <Loading what="the guardians" />}
      {guardians.error && <ErrorNotice error={guardians.error} onRetry={() => void guardians.refetch()} />}
      {guardians.data?.length === 0 && <Typography sx={{ mb: 1 }}>None yet.</Typography>}
      {guardians.data?.map((g) => (
        <Box
          key={g.accountId}
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 1,
            py: 0.5,
            borderBottom: '1px solid',
            borderColor: 'divider',
          }}
        >
          <Box sx={{ mr: 'auto' }}>
            <b>{g.name}</b>
            <Box sx={{ fontSize: 14, color: 'text.secondary', overflowWrap: 'anywhere' }}>
              {g.email} ·{' '}
              {g.withdrawnAt ? `took consent back ${moment(g.withdrawnAt)}` : `consented ${moment(g.consentedAt)}`}
            </Box>
          </Box>
          <Button
            onClick={() => remove.mutate(g.accountId)}
            disabled={remove.isPending}
            aria-label={`Let ${g.name} see nothing any more`}
          >
            Take away
          </Button>
        </Box>
      ))}
      {remove.error && <ErrorNotice error={remove.error} />}
      <Box sx={{ mt: 1.5 }}>
        <Invite
          label="Link for a guardian"
          who={`a guardian of ${name}`}
          make={() =>
            answer(api.POST('/api/students/{studentId}/guardians/invitations', { params: { path: { studentId } } }))
          }
        />
      </Box>
    </Box>
  );
}
