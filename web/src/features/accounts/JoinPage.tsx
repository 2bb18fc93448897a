import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate, useParams } from 'react-router';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { signInKeys } from '../../api/queryKeys';
import { Mark } from '../../app/Mark';
import { useTakeSignIn } from '../../app/signIn';
import { Field } from '../../ui/Field';
import { PageHeading } from '../../ui/PageHeading';
import { Loading, ErrorNotice } from '../../ui/states';

/** Where a one-time link leads: choose an e-mail address and a password, and be in. */
export function JoinPage() {
  const { token = '' } = useParams();
  const invitation = useQuery({
    queryKey: signInKeys.invitation(token),
    queryFn: () => answer(api.GET('/api/accounts/invitations/{token}', { params: { path: { token } } })),
    staleTime: Infinity,
  });
  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', px: 3, py: 5 }}>
      <Mark size={24} />
      {invitation.isPending && <Loading what="your invitation" />}
      {invitation.error && <ErrorNotice error={invitation.error} />}
      {invitation.data && <JoinForm token={token} invitation={invitation.data} />}
    </Box>
  );
}

function JoinForm({ token, invitation }: { token: string; invitation: Schemas['InvitationView'] }) {
  const takeSession = useTakeSignIn();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<Problem>();
  const form = useForm({ defaultValues: { academyName: '', name: '', email: '', password: '' } });
  const isNewAcademy = invitation.academyName === null;
  const isStudent = invitation.studentName !== null;

  const accept = form.handleSubmit(async (values) => {
    setProblem(undefined);
    try {
      const session = await answer(
        api.POST('/api/accounts/invitations/{token}/accept', {
          params: { path: { token } },
          body: { ...values, timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone },
        }),
      );
      await takeSession(session);
      void navigate('/');
    } catch (e) {
      setProblem(e as Problem);
    }
  });

  return (
    <>
      <PageHeading sx={{ mt: 4 }}>
        {isNewAcademy ? 'Set up your academy' : `Welcome to ${invitation.academyName ?? ''}`}
      </PageHeading>
      <Typography sx={{ mt: 1, color: 'text.secondary' }}>
        {isStudent
          ? `Hello ${invitation.studentName ?? ''}. Choose how you sign in; your coach’s plans are waiting.`
          : 'Choose how you sign in.'}
      </Typography>
      <Box component="form" noValidate onSubmit={accept} sx={{ mt: 3, display: 'grid', gap: 2 }}>
        {isNewAcademy && (
          <Field
            label="Name of the academy"
            error={problem?.fieldError('academyName')}
            {...form.register('academyName')}
          />
        )}
        {!isStudent && (
          <Field label="Your name" autoComplete="name" error={problem?.fieldError('name')} {...form.register('name')} />
        )}
        <Field
          label="E-mail"
          type="email"
          autoComplete="username"
          error={problem?.fieldError('email')}
          {...form.register('email')}
        />
        <Field
          label="Password"
          type="password"
          autoComplete="new-password"
          hint="Ten characters or more. A few words are easier to remember than signs."
          error={problem?.fieldError('password')}
          {...form.register('password')}
        />
        <Button type="submit" variant="contained" disabled={form.formState.isSubmitting} sx={{ justifySelf: 'start' }}>
          {isNewAcademy ? 'Open the academy' : 'Come in'}
        </Button>
      </Box>
      {problem && <ErrorNotice error={new Problem(problem.status, problem.message)} />}
    </>
  );
}
