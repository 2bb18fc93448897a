import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api, Problem } from '../../api/client';
import { useTakeSignIn } from '../../app/signIn';
import { ErrorNotice } from '../../ui/states';
import { AtTheDoor } from './AtTheDoor';
import { NewPassword } from './NewPassword';

/** Where a link leads that stands in for a forgotten password: choose a new one, and be in. */
export function ResetPage() {
  const { accountId = '', token = '' } = useParams();
  const takeSession = useTakeSignIn();
  const navigate = useNavigate();
  const [password, setPassword] = useState('');
  const reset = useMutation({
    mutationFn: () => answer(api.POST('/api/accounts/password-reset', { body: { accountId, token, password } })),
    onSuccess: async (session) => {
      if (session.needsSecondStep) {
        void navigate('/sign-in', { state: { needsSecondStep: true } });
        return;
      }
      await takeSession(session);
      void navigate('/');
    },
  });
  const named = reset.error instanceof Problem ? reset.error.fieldError('password') : undefined;
  return (
    <AtTheDoor heading="A new password">
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          reset.mutate();
        }}
        sx={{ mt: 3, display: 'grid', gap: 2 }}
      >
        <NewPassword
          label="New password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          error={named}
        />
        <Button type="submit" variant="contained" disabled={reset.isPending} sx={{ justifySelf: 'start' }}>
          Keep it and come in
        </Button>
      </Box>
      {reset.error && !named && <ErrorNotice error={reset.error} />}
    </AtTheDoor>
  );
}
