import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { onDemand } from '../../ui/onDemand';
import { ErrorNotice } from '../../ui/states';

const InvitationDialog = onDemand(() => import('./InvitationDialog').then((m) => m.InvitationDialog));

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
  return (
    <>
      <Button variant="outlined" onClick={() => invite.mutate()} disabled={invite.isPending}>
        {label}
      </Button>
      {invite.error && <ErrorNotice error={invite.error} />}
      {invite.data && <InvitationDialog who={who} path={invite.data.path} onClose={() => invite.reset()} />}
    </>
  );
}
