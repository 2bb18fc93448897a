import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, Navigate, useLocation, useNavigate } from 'react-router';
import { answer, api, Problem } from '../../api/client';
import { signInKeys } from '../../api/queryKeys';
import { Mark } from '../../app/Mark';
import { useSignIn, useTakeSignIn, wasSomebodyHere, type Session } from '../../app/signIn';
import { Field } from '../../ui/Field';
import { onDemand } from '../../ui/onDemand';
import { PageHeading } from '../../ui/PageHeading';
import { ErrorNotice } from '../../ui/states';
import { DawnRange } from './DawnRange';
import { askForPasskey, canHavePasskeys } from './passkeys';

const WhatIsKept = onDemand(() => import('./WhatIsKept').then((m) => m.WhatIsKept));

export function SignInPage() {
  const session = useSignIn();
  const takeSession = useTakeSignIn();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const state = useLocation().state as { from?: string; needsSecondStep?: boolean } | null;
  const from = state?.from ?? '/';
  const [needsCode, setNeedsCode] = useState(state?.needsSecondStep ?? false);
  const [error, setError] = useState<Error>();
  const form = useForm({ defaultValues: { email: '', password: '' } });
  // What was known before this page asked says nothing: the sign-in may have run out since.
  useEffect(() => {
    void queries.invalidateQueries({ queryKey: signInKeys.all });
  }, [queries]);
  if (session.isFetchedAfterMount && !session.isFetching && session.data?.person) return <Navigate replace to={from} />;

  const enter = async (call: Promise<Session>) => {
    setError(undefined);
    try {
      const session = await call;
      if (session.needsSecondStep) {
        setNeedsCode(true);
        return;
      }
      await takeSession(session);
      void navigate(from);
    } catch (e) {
      setError(e as Error);
    }
  };
  const withPasskey = async () => {
    const { options } = await answer(api.POST('/api/accounts/passkey-options'));
    const credential = await askForPasskey(options).catch(() => {
      throw new Error('The device gave no passkey. Sign in with your password, or try again.');
    });
    return answer(api.POST('/api/accounts/passkey-sign-in', { body: { credential } }));
  };
  const demo = (as: 'coach' | 'student' | 'guardian') =>
    enter(answer(api.POST('/api/accounts/demo-sign-in', { body: { as } })));

  const isAtCode = needsCode && error instanceof Problem && error.fieldError('code') !== undefined;
  return (
    <Box sx={{ minHeight: '100vh', display: 'grid', gridTemplateColumns: { md: '1fr 1fr' } }}>
      <Box
        component="main"
        sx={{ px: { xs: 3, sm: 8 }, py: { xs: 4, md: 7 }, maxWidth: 620, width: '100%', justifySelf: 'end' }}
      >
        <Mark size={26} />
        <PageHeading sx={{ mt: 5, fontSize: { xs: '1.9rem', sm: '2.5rem' } }}>
          Practice with a purpose, and proof that it holds
        </PageHeading>
        <Typography sx={{ mt: 1.5, color: 'text.secondary', maxWidth: 440 }}>
          Plan a session in four phases, set it for a week, practise it on the range, and see what was done.
        </Typography>

        {session.data?.demo && (
          <Box sx={{ mt: 4 }}>
            <Typography variant="h3" component="h2">
              Look round the demo academy
            </Typography>
            <Box sx={{ display: 'flex', gap: 1.5, mt: 1.5, flexWrap: 'wrap' }}>
              <Button variant="contained" onClick={() => void demo('coach')}>
                Come in as the coach
              </Button>
              <Button variant="outlined" onClick={() => void demo('student')}>
                Come in as a student
              </Button>
              <Button variant="outlined" onClick={() => void demo('guardian')}>
                Come in as a guardian
              </Button>
            </Box>
          </Box>
        )}

        {needsCode && (
          <CodeForm
            enter={(code) => enter(answer(api.POST('/api/accounts/second-step', { body: { code } })))}
            error={error instanceof Problem ? error.fieldError('code') : undefined}
            onBack={() => {
              setNeedsCode(false);
              setError(undefined);
            }}
          />
        )}
        {!session.isPending && !needsCode && (
          <Box
            component="form"
            noValidate
            onSubmit={form.handleSubmit((credentials) =>
              enter(answer(api.POST('/api/accounts/sign-in', { body: credentials }))),
            )}
            sx={{ mt: 5, display: 'grid', gap: 2, maxWidth: 360 }}
          >
            <Typography variant="h3" component="h2">
              Sign in
            </Typography>
            <Field
              label="E-mail"
              type="email"
              autoComplete="username"
              error={form.formState.errors.email?.message}
              {...form.register('email', { required: 'Your e-mail address, please.' })}
            />
            <Field
              label="Password"
              type="password"
              autoComplete="current-password"
              error={form.formState.errors.password?.message}
              {...form.register('password', { required: 'Your password, please.' })}
            />
            <Button
              type="submit"
              variant={session.data?.demo ? 'outlined' : 'contained'}
              disabled={form.formState.isSubmitting}
              sx={{ justifySelf: 'start' }}
            >
              Sign in
            </Button>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 3, alignItems: 'center' }}>
              <Link to="/forgotten">Forgotten the password?</Link>
              {canHavePasskeys && <Button onClick={() => void enter(withPasskey())}>Use a passkey</Button>}
            </Box>
          </Box>
        )}
        {wasSomebodyHere() && <WhatIsKept />}
        {(error ?? session.error) && !isAtCode && <ErrorNotice error={(error ?? session.error) as Error} />}
        <Typography variant="body2" sx={{ mt: 3, color: 'text.secondary' }}>
          New here? Your coach sends you a link. <a href="/licences.txt">Licences</a> of what this is built of.
        </Typography>
      </Box>
      <Box
        sx={{
          display: { xs: 'none', md: 'block' },
          bgcolor: '#f6f1e6',
          '& svg': { height: '100%' },
        }}
      >
        <DawnRange />
      </Box>
    </Box>
  );
}

interface CodeProps {
  enter: (code: string) => Promise<void>;
  error: string | undefined;
  onBack: () => void;
}

/** The second step: a code of the app, or one of those kept for a lost phone. */
function CodeForm({ enter, error, onBack }: CodeProps) {
  const [code, setCode] = useState('');
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void enter(code);
      }}
      sx={{ mt: 5, display: 'grid', gap: 2, maxWidth: 360 }}
    >
      <Typography variant="h3" component="h2">
        The second step
      </Typography>
      <Field
        label="Code of your app"
        hint="Or one of the recovery codes you wrote down."
        value={code}
        autoFocus
        autoComplete="one-time-code"
        onChange={(e) => setCode(e.target.value)}
        error={error}
      />
      <Box>
        <Button type="submit" variant="contained" disabled={code.trim() === ''}>
          Come in
        </Button>
        <Button onClick={onBack}>Begin again</Button>
      </Box>
    </Box>
  );
}
