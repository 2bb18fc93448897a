import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { guardianKeys, signInKeys } from '../../api/queryKeys';
import { Mark } from '../../app/Mark';
import { useSignIn, useTakeSignIn } from '../../app/signIn';
import { Field } from '../../ui/Field';
import { ConsentFields } from './ConsentFields';
import { PageHeading } from '../../ui/PageHeading';
import { Loading, ErrorNotice } from '../../ui/states';
import { NewPassword } from './NewPassword';

/** Where a one-time link leads: choose an e-mail address and a password, and be in. */
export function JoinPage() {
  const { token = '' } = useParams();
  const invitation = useQuery({
    queryKey: signInKeys.invitation(token),
    queryFn: () => answer(api.GET('/api/accounts/invitations/{token}', { params: { path: { token } } })),
    staleTime: Infinity,
  });
  // A guardian who is signed in already consents for one more child.
  const session = useSignIn();
  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', px: 3, py: 5 }}>
      <Mark size={24} />
      {invitation.isPending && <Loading what="your invitation" />}
      {invitation.error && (
        <>
          <ErrorNotice error={invitation.error} />
          <Button component={Link} to="/sign-in" variant="outlined" sx={{ minHeight: 48, justifySelf: 'start' }}>
            Sign in
          </Button>
        </>
      )}
      {invitation.data && invitation.data.role === 'guardian' && session.data?.person?.role === 'guardian' ? (
        <ConsentForm token={token} invitation={invitation.data} />
      ) : (
        invitation.data && <JoinForm token={token} invitation={invitation.data} />
      )}
    </Box>
  );
}

function JoinForm({ token, invitation }: { token: string; invitation: Schemas['InvitationView'] }) {
  const takeSession = useTakeSignIn();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<Problem>();
  const form = useForm({ defaultValues: { academyName: '', name: '', email: '', password: '' } });
  const [consents, setConsents] = useState(false);
  const isNewAcademy = invitation.academyName === null;
  const isGuardian = invitation.role === 'guardian';
  const isStudent = invitation.role === 'student';
  const child = invitation.studentName ?? '';

  const accept = form.handleSubmit(async (values) => {
    setProblem(undefined);
    try {
      const session = await answer(
        api.POST('/api/accounts/invitations/{token}/accept', {
          params: { path: { token } },
          body: { ...values, consents, timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone },
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
          ? `Hello ${child}. Choose how you sign in; your coach’s plans are waiting.`
          : isGuardian
            ? `You are asked as a guardian of ${child}. Choose how you sign in, too: you see the week as it goes.`
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
        <NewPassword error={problem?.fieldError('password')} {...form.register('password')} />
        {isGuardian && (
          <ConsentFields
            child={child}
            consents={consents}
            onConsent={setConsents}
            error={problem?.fieldError('consents')}
          />
        )}
        <Button type="submit" variant="contained" disabled={form.formState.isSubmitting} sx={{ justifySelf: 'start' }}>
          {isNewAcademy ? 'Open the academy' : isGuardian ? 'Consent, and come in' : 'Come in'}
        </Button>
      </Box>
      {isGuardian && (
        <Typography sx={{ mt: 3 }}>
          Have you an account here already? <Link to="/sign-in">Sign in</Link>, then open this link again.
        </Typography>
      )}
      {problem && <ErrorNotice error={new Problem(problem.status, problem.message)} />}
    </>
  );
}

/** One more child of a guardian who has an account. */
function ConsentForm({ token, invitation }: { token: string; invitation: Schemas['InvitationView'] }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [consents, setConsents] = useState(false);
  const consent = useMutation({
    mutationFn: () => answer(api.POST('/api/guardian/consents', { body: { token, consents } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: guardianKeys.children });
      void navigate('/my-children');
    },
  });
  const named = consent.error instanceof Problem ? consent.error.fieldError('consents') : undefined;
  const child = invitation.studentName ?? '';
  return (
    <>
      <PageHeading sx={{ mt: 4 }}>Consent for {child}</PageHeading>
      <Box sx={{ mt: 3, display: 'grid', gap: 2 }}>
        <ConsentFields child={child} consents={consents} onConsent={setConsents} error={named} />
        <Button
          variant="contained"
          onClick={() => consent.mutate()}
          disabled={consent.isPending}
          sx={{ justifySelf: 'start' }}
        >
          Consent
        </Button>
        {consent.error && !named && <ErrorNotice error={consent.error} />}
      </Box>
    </>
  );
}
