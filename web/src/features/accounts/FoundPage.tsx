import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { answer, api, Problem } from '../../api/client';
import { useTakeSignIn } from '../../app/signIn';
import { Field } from '../../ui/Field';
import { ErrorNotice } from '../../ui/states';
import { AtTheDoor } from './AtTheDoor';
import { NewPassword } from './NewPassword';

const fields = ['secret', 'academyName', 'name', 'email', 'password'] as const;

/** Founds an academy on a server that runs, for whoever was told its secret. */
export function FoundPage() {
  const takeSession = useTakeSignIn();
  const navigate = useNavigate();
  const form = useForm({ defaultValues: { secret: '', academyName: '', name: '', email: '', password: '' } });
  const found = useMutation({
    mutationFn: (values: Record<(typeof fields)[number], string>) =>
      answer(
        api.POST('/api/accounts/academies', {
          body: { ...values, timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone },
        }),
      ),
    onSuccess: async (session) => {
      await takeSession(session);
      void navigate('/');
    },
  });
  const problem = found.error instanceof Problem ? found.error : undefined;
  const isNamed = fields.some((f) => problem?.fieldError(f));
  const at = (name: (typeof fields)[number]) => ({ error: problem?.fieldError(name), ...form.register(name) });
  return (
    <AtTheDoor heading="Found an academy">
      <Typography sx={{ mt: 1, color: 'text.secondary' }}>
        Whoever runs this server has a secret for it, in a file beside its data.
      </Typography>
      <Box
        component="form"
        noValidate
        onSubmit={form.handleSubmit((values) => found.mutate(values))}
        sx={{ mt: 3, display: 'grid', gap: 2 }}
      >
        <Field label="The secret" type="password" autoComplete="off" {...at('secret')} />
        <Field label="Name of the academy" {...at('academyName')} />
        <Field label="Your name" autoComplete="name" {...at('name')} />
        <Field label="E-mail" type="email" autoComplete="username" {...at('email')} />
        <NewPassword {...at('password')} />
        <Button type="submit" variant="contained" disabled={found.isPending} sx={{ justifySelf: 'start' }}>
          Open the academy
        </Button>
      </Box>
      {found.error && !isNamed && <ErrorNotice error={found.error} />}
    </AtTheDoor>
  );
}
