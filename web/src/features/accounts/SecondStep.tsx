import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { Problem, type Schemas } from '../../api/client';
import { Field } from '../../ui/Field';
import { count } from '../../ui/format';
import { ErrorNotice } from '../../ui/states';
import { useBeginSecondStep, useEndSecondStep, useFinishSecondStep, useNewRecoveryCodes } from './queries';

/** A code of an app after the password, for those who see other people's files. */
export function SecondStep({ mine }: { mine: Schemas['MyAccountView'] }) {
  const begin = useBeginSecondStep();
  const finish = useFinishSecondStep();
  const end = useEndSecondStep();
  const renew = useNewRecoveryCodes();
  const [code, setCode] = useState('');
  const codes = finish.data?.codes ?? renew.data?.codes;
  const codeError = finish.error instanceof Problem ? finish.error.fieldError('code') : undefined;
  return (
    <Box component="section" aria-label="A second step">
      <Typography variant="h2">A second step</Typography>
      {codes && <Codes codes={codes} />}
      {mine.hasSecondStep ? (
        <>
          <Typography sx={{ mb: 1 }}>
            On. After the password a code of your app is asked for.{' '}
            {mine.recoveryCodesLeft === 0
              ? 'No recovery code is left.'
              : `${count(mine.recoveryCodesLeft, 'recovery code')} unused.`}
          </Typography>
          <WithPassword label="Other recovery codes" run={renew.mutate} error={renew.error} isBusy={renew.isPending} />
          <WithPassword label="Switch it off" run={end.mutate} error={end.error} isBusy={end.isPending} />
        </>
      ) : begin.data ? (
        <Box
          component="form"
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            finish.mutate(code, { onSuccess: () => begin.reset() });
          }}
          sx={{ display: 'grid', gap: 2, maxWidth: 360, mt: 1 }}
        >
          <Typography>
            Point an authenticator app at this, or type the key into it. Then type the code it shows.
          </Typography>
          <Box
            component="img"
            alt="The key as a picture for the app"
            src={`data:image/svg+xml;utf8,${encodeURIComponent(begin.data.svg)}`}
            sx={{ width: 200, height: 200 }}
          />
          <Box
            data-testid="authenticator-key"
            sx={{ fontFamily: 'monospace', overflowWrap: 'anywhere', userSelect: 'all' }}
          >
            {begin.data.key}
          </Box>
          <Field
            label="Code of the app"
            value={code}
            onChange={(e) => setCode(e.target.value)}
            autoComplete="one-time-code"
            inputProps={{ inputMode: 'numeric', maxLength: 12 }}
            error={codeError}
          />
          <Button type="submit" variant="contained" disabled={finish.isPending} sx={{ justifySelf: 'start' }}>
            Switch it on
          </Button>
          {finish.error && !codeError && <ErrorNotice error={finish.error} />}
        </Box>
      ) : (
        <>
          <Typography sx={{ mb: 1 }}>Off. With it, a password that somebody saw lets nobody in.</Typography>
          <WithPassword label="Set it up" run={begin.mutate} error={begin.error} isBusy={begin.isPending} />
        </>
      )}
    </Box>
  );
}

/** Recovery codes, which are shown this once. */
function Codes({ codes }: { codes: readonly string[] }) {
  return (
    <Box role="status" sx={{ my: 1.5, pl: 1.5, borderLeft: '4px solid', borderColor: 'text.primary' }}>
      For the day the phone is gone. Each is good once; they are shown this once, so write them down.
      <Box
        component="ul"
        data-testid="recovery-codes"
        sx={{ listStyle: 'none', p: 0, m: 0, mt: 1, columns: 2, fontFamily: 'monospace', maxWidth: 320 }}
      >
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </Box>
    </Box>
  );
}

interface WithPasswordProps {
  label: string;
  run: (current: string) => void;
  error: Error | null;
  isBusy: boolean;
}

/** Asks for the password again before something that protects the account changes. */
function WithPassword({ label, run, error, isBusy }: WithPasswordProps): ReactNode {
  const [isOpen, setIsOpen] = useState(false);
  const [current, setCurrent] = useState('');
  const named = error instanceof Problem ? error.fieldError('current') : undefined;
  if (!isOpen)
    return (
      <Button variant="outlined" onClick={() => setIsOpen(true)} sx={{ mr: 1, mt: 1 }}>
        {label}
      </Button>
    );
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        run(current);
        setCurrent('');
      }}
      sx={{ display: 'grid', gap: 1.5, maxWidth: 360, mt: 1 }}
    >
      <Field
        label="Your password"
        type="password"
        autoComplete="current-password"
        autoFocus
        value={current}
        onChange={(e) => setCurrent(e.target.value)}
        error={named}
      />
      <Box>
        <Button type="submit" variant="contained" disabled={isBusy}>
          {label}
        </Button>
        <Button onClick={() => setIsOpen(false)}>Not now</Button>
      </Box>
      {error && !named && <ErrorNotice error={error} />}
    </Box>
  );
}
