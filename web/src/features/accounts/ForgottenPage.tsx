import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { Field } from '../../ui/Field';
import { ErrorNotice } from '../../ui/states';
import { AtTheDoor } from './AtTheDoor';

/** For whoever has forgotten the password. What is said does not depend on whether the address is known. */
export function ForgottenPage() {
  const [email, setEmail] = useState('');
  const ask = useMutation({
    mutationFn: () => answer(api.POST('/api/accounts/forgotten-password', { body: { email } })),
  });
  return (
    <AtTheDoor heading="A forgotten password">
      {ask.isSuccess ? (
        <Typography role="status" sx={{ mt: 2 }}>
          If {email} has an account here and was confirmed, a mail with a link is on its way. Otherwise ask your coach
          for a link; a coach asks the owner of the academy.
        </Typography>
      ) : (
        <Box
          component="form"
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            ask.mutate();
          }}
          sx={{ mt: 2, display: 'grid', gap: 2 }}
        >
          <Typography>
            Your coach can hand you a link by which you choose a new one. Where this server sends mails, one can come
            that way too.
          </Typography>
          <Field
            label="E-mail"
            type="email"
            autoComplete="username"
            value={email}
            onChange={(e) => setEmail(e.target.value)}
          />
          <Button
            type="submit"
            variant="contained"
            disabled={ask.isPending || email === ''}
            sx={{ justifySelf: 'start' }}
          >
            Send me a link
          </Button>
          {ask.error && <ErrorNotice error={ask.error} />}
        </Box>
      )}
    </AtTheDoor>
  );
}
