import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { ErrorNotice } from '../../ui/states';

type Link = Schemas['InvitationLink'];

/** Makes a student's one-time link. */
export function InviteStudent({ id, name }: { id: string; name: string }) {
  return (
    <Invite
      label="Invite"
      who={name}
      make={() => answer(api.POST('/api/students/{id}/invitations', { params: { path: { id } } }))}
    />
  );
}

/** Makes a one-time link for another coach of the academy. */
export function InviteCoach() {
  return (
    <Invite label="Invite a coach" who="the coach" make={() => answer(api.POST('/api/accounts/coach-invitations'))} />
  );
}

function Invite({ label, who, make }: { label: string; who: string; make: () => Promise<Link> }) {
  const invite = useMutation({ mutationFn: make });
  const url = invite.data && window.location.origin + invite.data.path;
  return (
    <>
      <Button variant="outlined" onClick={() => invite.mutate()} disabled={invite.isPending}>
        {label}
      </Button>
      {invite.error && <ErrorNotice error={invite.error} />}
      <Dialog
        open={url !== undefined}
        onClose={() => invite.reset()}
        fullWidth
        maxWidth="sm"
        aria-labelledby="invite-title"
      >
        <DialogTitle id="invite-title">A link for {who}</DialogTitle>
        <DialogContent>
          Send this link. It works once, for seven days; making a new one ends this one.
          <Box
            component="output"
            data-testid="invitation-link"
            sx={{
              display: 'block',
              mt: 2,
              p: 1.5,
              bgcolor: 'background.default',
              borderRadius: 1,
              overflowWrap: 'anywhere',
              userSelect: 'all',
            }}
          >
            {url}
          </Box>
        </DialogContent>
        <DialogActions>
          {window.isSecureContext && (
            <Button onClick={() => void navigator.clipboard.writeText(url ?? '')}>Copy</Button>
          )}
          <Button onClick={() => invite.reset()} variant="outlined">
            Close
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
