import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { usePerson, useTakeSignIn } from '../../app/signIn';
import { Field } from '../../ui/Field';
import { dayName } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { ErrorNotice, Loading } from '../../ui/states';
import { canHavePasskeys } from './passkeys';
import {
  useAddPasskey,
  useAskForConfirmation,
  useChangePassword,
  useEndSignIn,
  useMyAccount,
  useRemovePasskey,
} from './queries';
import { SecondStep } from './SecondStep';
import { NewPassword } from './NewPassword';

type Mine = Schemas['MyAccountView'];

/** How somebody signs in, and where they are signed in. */
export function MyAccountPage() {
  const mine = useMyAccount();
  const person = usePerson();
  return (
    <>
      <PageHeading sx={{ mt: 3, mb: 0.5 }}>Your account</PageHeading>
      {mine.isPending && <Loading what="your account" />}
      {mine.error && <ErrorNotice error={mine.error} onRetry={() => void mine.refetch()} />}
      {mine.data && (
        <>
          <Address mine={mine.data} name={person.name} />
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: person.role === 'student' ? '1fr' : { md: '1fr 1fr' },
              columnGap: 6,
              rowGap: 5,
              mt: 4,
              alignItems: 'start',
            }}
          >
            <Password />
            <SignIns mine={mine.data} />
            {mine.data.mayHaveSecondStep && <SecondStep mine={mine.data} />}
            <Passkeys mine={mine.data} />
            <Kept />
          </Box>
        </>
      )}
    </>
  );
}

function Kept() {
  const { role } = usePerson();
  return (
    <Box component="section" aria-label="What is kept of you">
      <Typography variant="h2">What is kept of you</Typography>
      <Typography sx={{ mb: 1 }}>
        {role === 'student'
          ? 'Your file, every session with what you noted in it, results, rounds, words, and this account.'
          : 'This account, where it is signed in, and what the security log says of it.'}{' '}
        To have it deleted, ask {role === 'owner' ? 'another owner' : 'an owner of the academy'}.
      </Typography>
      <a href="/api/data-rights/mine/everything.zip" download>
        Take it with you, as an archive (ZIP)
      </a>
    </Box>
  );
}

function Address({ mine, name }: { mine: Mine; name: string }) {
  const ask = useAskForConfirmation();
  return (
    <Box sx={{ color: 'text.secondary' }}>
      {name}, {mine.email}
      {mine.mailIsSetUp && !mine.emailIsConfirmed && (
        <Box sx={{ mt: 1 }}>
          {ask.isSuccess ? (
            <span role="status">A mail is on its way. Open the link in it.</span>
          ) : (
            <>
              No mail has shown yet that this address is right, so a forgotten password cannot be mended by mail.{' '}
              <Button onClick={() => ask.mutate(undefined)} disabled={ask.isPending}>
                Send one
              </Button>
            </>
          )}
        </Box>
      )}
      {ask.error && <ErrorNotice error={ask.error} />}
    </Box>
  );
}

function Password() {
  const change = useChangePassword();
  const [current, setCurrent] = useState('');
  const [password, setPassword] = useState('');
  const problem = change.error instanceof Problem ? change.error : undefined;
  const isNamed = problem?.fieldError('current') ?? problem?.fieldError('password');
  return (
    <Box component="section" aria-label="Password">
      <Typography variant="h2">Password</Typography>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate(
            { current, password },
            {
              onSuccess: () => {
                setCurrent('');
                setPassword('');
              },
            },
          );
        }}
        sx={{ display: 'grid', gap: 2, mt: 1, maxWidth: 360 }}
      >
        <Field
          label="The one that is good now"
          type="password"
          autoComplete="current-password"
          value={current}
          onChange={(e) => setCurrent(e.target.value)}
          error={problem?.fieldError('current')}
        />
        <NewPassword
          label="A new one"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          error={problem?.fieldError('password')}
        />
        <Button type="submit" variant="outlined" disabled={change.isPending} sx={{ justifySelf: 'start' }}>
          Change it
        </Button>
      </Box>
      {change.isSuccess && <Box role="status">Changed. Everywhere else you are signed out.</Box>}
      {change.error && !isNamed && <ErrorNotice error={change.error} />}
    </Box>
  );
}

function SignIns({ mine }: { mine: Mine }) {
  const end = useEndSignIn();
  const takeSession = useTakeSignIn();
  const navigate = useNavigate();
  const [error, setError] = useState<Error>();
  const everywhere = async () => {
    try {
      await answer(api.POST('/api/accounts/mine/sign-out-everywhere'));
      await takeSession(null);
      void navigate('/sign-in');
    } catch (e) {
      setError(e as Error);
    }
  };
  return (
    <Box component="section" aria-label="Where you are signed in">
      <Typography variant="h2">Where you are signed in</Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {mine.signIns.map((s) => (
          <Box
            component="li"
            key={s.id}
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
              <b>{s.device}</b>
              <Box sx={{ fontSize: 14, color: 'text.secondary' }}>
                {s.isThis ? 'this one' : `used ${dayName(s.seenAt.slice(0, 10))}`}, since {dayName(s.at.slice(0, 10))}
                {s.address && `, from ${s.address}`}
              </Box>
            </Box>
            {!s.isThis && (
              <Button onClick={() => end.mutate(s.id)} disabled={end.isPending} aria-label={`End ${s.device}`}>
                End it
              </Button>
            )}
          </Box>
        ))}
      </Box>
      <Button variant="outlined" onClick={() => void everywhere()} sx={{ mt: 1.5 }}>
        Sign out everywhere
      </Button>
      {(end.error ?? error) && <ErrorNotice error={(end.error ?? error) as Error} />}
    </Box>
  );
}

function Passkeys({ mine }: { mine: Mine }) {
  const add = useAddPasskey();
  const remove = useRemovePasskey();
  const [name, setName] = useState('');
  const [current, setCurrent] = useState('');
  const problem = add.error instanceof Problem ? add.error : undefined;
  const isNamed = problem?.fieldError('current') ?? problem?.fieldError('name');
  return (
    <Box component="section" aria-label="Passkeys">
      <Typography variant="h2">Passkeys</Typography>
      <Typography sx={{ mb: 1 }}>
        A finger, a face or the phone’s code in the place of the password. The key never leaves the device.
      </Typography>
      {mine.passkeys.map((p) => (
        <Box
          key={p.id}
          sx={{ display: 'flex', alignItems: 'center', gap: 1, borderBottom: '1px solid', borderColor: 'divider' }}
        >
          <Box sx={{ mr: 'auto' }}>
            <b>{p.name}</b>, since {dayName(p.madeAt.slice(0, 10))}
          </Box>
          <Button onClick={() => remove.mutate(p.id)} disabled={remove.isPending} aria-label={`Remove ${p.name}`}>
            Remove
          </Button>
        </Box>
      ))}
      {canHavePasskeys ? (
        <Box
          component="form"
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            add.mutate(
              { current, name },
              {
                onSuccess: () => {
                  setName('');
                  setCurrent('');
                },
              },
            );
          }}
          sx={{ display: 'grid', gap: 2, mt: 1, maxWidth: 360 }}
        >
          <Field
            label="What this device is called"
            value={name}
            onChange={(e) => setName(e.target.value)}
            inputProps={{ maxLength: 60 }}
            error={problem?.fieldError('name')}
          />
          <Field
            label="Your password"
            type="password"
            autoComplete="current-password"
            value={current}
            onChange={(e) => setCurrent(e.target.value)}
            error={problem?.fieldError('current')}
          />
          <Button type="submit" variant="outlined" disabled={add.isPending} sx={{ justifySelf: 'start' }}>
            Make a passkey
          </Button>
        </Box>
      ) : (
        <Typography sx={{ color: 'text.secondary' }}>
          This browser can make none here: they need HTTPS and a name, not a number, in the address.
        </Typography>
      )}
      {remove.error && <ErrorNotice error={remove.error} />}
      {add.error && !isNamed && (
        <ErrorNotice error={problem ?? new Error('The device made no passkey. Nothing has changed.')} />
      )}
    </Box>
  );
}
