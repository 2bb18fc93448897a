import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { answer, api } from '../../api/client';
import { ErrorNotice } from '../../ui/states';
import { AtTheDoor } from './AtTheDoor';

/** Where the link in a mail leads that shows an address is right. A press, because programs open links in mails too. */
export function ConfirmPage() {
  const { accountId = '', token = '' } = useParams();
  const confirm = useMutation({
    mutationFn: () => answer(api.POST('/api/accounts/email-confirmation', { body: { accountId, token } })),
  });
  return (
    <AtTheDoor heading="Is this your address?">
      {confirm.isSuccess ? (
        <Typography role="status" sx={{ mt: 2 }}>
          It is noted. A forgotten password can be mended by mail from now on.
        </Typography>
      ) : (
        <Button variant="contained" onClick={() => confirm.mutate()} disabled={confirm.isPending} sx={{ mt: 3 }}>
          Yes, it is mine
        </Button>
      )}
      {confirm.error && <ErrorNotice error={confirm.error} />}
    </AtTheDoor>
  );
}
