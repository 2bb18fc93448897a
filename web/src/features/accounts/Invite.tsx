import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { onDemand } from '../../ui/onDemand';
import { ErrorNotice } from '../../ui/states';

const InvitationDialog = onDemand(() => import('./InvitationDialog').then((m) => m.InvitationDialog));

interface Props {
  label: string;
  /** Whom the link lets in. */
  who: string;
  make: () => Promise<Schemas['InvitationLink']>;
  onMade?: () => void;
}

/** Makes a one-time link, and shows it to be handed on. */
export function Invite({ label, who, make, onMade }: Props) {
  const invite = useMutation({ mutationFn: make, onSuccess: () => onMade?.() });
  return (
    <>
      <Button variant="outlined" onClick={() => invite.mutate()} disabled={invite.isPending}>
        {label}
      </Button>
      {invite.error && <ErrorNotice error={invite.error} />}
      {invite.data && <InvitationDialog who={who} link={invite.data} onClose={() => invite.reset()} />}
    </>
  );
}

/** Makes a student's one-time link. */
export function InviteStudent({ id, name, onMade }: { id: string; name: string; onMade?: () => void }) {
  return (
    <Invite
      label="Invite"
      who={name}
      make={() => answer(api.POST('/api/students/{id}/invitations', { params: { path: { id } } }))}
      {...(onMade && { onMade })}
    />
  );
}
