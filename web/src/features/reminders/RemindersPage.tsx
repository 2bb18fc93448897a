import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { Checkbox } from '../../ui/Checkbox';
import { dayName } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { useCalendar, useChoose, useMakeAddress, useOutbox, useReminders, useRevokeAddress } from './queries';

const kinds: Record<Schemas['ReminderKind'], { name: string; about: string }> = {
  weekPublished: { name: 'A week is published', about: 'ten minutes after the coach has set it' },
  tomorrow: { name: 'Tomorrow’s session', about: 'the evening before, at five' },
  thursday: {
    name: 'Thursday, and nothing begun',
    about: 'on Thursdays at five, only where nothing of the week was begun',
  },
  pain: { name: 'Somebody told of pain', about: 'at once; the mail says only that there is something to read' },
  monday: { name: 'Monday’s list', about: 'on Mondays at half past six: who has no week, and who missed something' },
};

/** What comes by mail, and the calendar: each chooses for themselves. Coaches see the outbox too. */
export function RemindersPage() {
  const isCoach = usePerson().role !== 'student';
  return (
    <>
      <PageHeading sx={{ mt: 3, mb: 2 }}>Mail and calendar</PageHeading>
      <Box sx={{ display: 'grid', gridTemplateColumns: isCoach ? { md: '1fr 1fr' } : '1fr', gap: 4 }}>
        <Choices />
        <Calendar />
      </Box>
      {isCoach && <Outbox />}
    </>
  );
}

function Choices() {
  const reminders = useReminders();
  const choose = useChoose();
  return (
    <Box component="section" aria-label="By mail">
      <Typography variant="h2">By mail</Typography>
      {reminders.isPending && <Loading what="your mails" />}
      {reminders.error && <ErrorNotice error={reminders.error} onRetry={() => void reminders.refetch()} />}
      {reminders.data && (
        <>
          <Typography sx={{ color: 'text.secondary', mb: 1 }}>
            To {reminders.data.email}.
            {!reminders.data.hasMailServer && ' No mail server is set up here, so nothing goes out yet.'}
          </Typography>
          {reminders.data.choices.map(({ kind, isOn }) => (
            <Box key={kind} sx={{ mb: 0.5 }}>
              <Checkbox
                label={
                  <span>
                    <b>{kinds[kind].name}</b>, {kinds[kind].about}
                  </span>
                }
                checked={isOn}
                disabled={choose.isPending}
                onChange={(next) => choose.mutate({ kind, isOn: next })}
              />
            </Box>
          ))}
        </>
      )}
      {choose.error && <ErrorNotice error={choose.error} />}
    </Box>
  );
}

function Calendar() {
  const calendar = useCalendar();
  const make = useMakeAddress();
  const revoke = useRevokeAddress();
  const [isCopied, setIsCopied] = useState(false);
  const address = make.data && `${window.location.origin}${make.data.path}`;
  const hasOne = calendar.data?.createdAt !== null && calendar.data !== undefined;
  return (
    <Box component="section" aria-label="In your calendar">
      <Typography variant="h2">In your calendar</Typography>
      <Typography sx={{ mb: 1 }}>
        A secret address that calendar programs subscribe to. Whoever has it can read when and what is practised; notes
        and pain are never in it.
      </Typography>
      {calendar.isPending && <Loading what="the calendar" />}
      {calendar.error && <ErrorNotice error={calendar.error} onRetry={() => void calendar.refetch()} />}
      {address && (
        <Box role="status" sx={{ mb: 1, pl: 1.5, borderLeft: '4px solid', borderColor: 'text.primary' }}>
          <Box sx={{ overflowWrap: 'anywhere', fontFamily: 'monospace', fontSize: 14 }} data-testid="calendar-address">
            {address}
          </Box>
          It is shown this once.
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {address && (
          <Button
            variant="contained"
            onClick={() => {
              void navigator.clipboard.writeText(address).then(() => setIsCopied(true));
            }}
          >
            {isCopied ? 'Copied' : 'Copy it'}
          </Button>
        )}
        {calendar.data && (
          <Button
            variant="outlined"
            disabled={make.isPending}
            onClick={() => {
              setIsCopied(false);
              make.mutate();
            }}
          >
            {hasOne ? 'Make another; this one ends' : 'Make an address'}
          </Button>
        )}
        {hasOne && (
          <Button
            disabled={revoke.isPending}
            onClick={() => revoke.mutate(undefined, { onSuccess: () => make.reset() })}
          >
            End it
          </Button>
        )}
      </Box>
      {hasOne && !address && calendar.data.createdAt && (
        <Typography sx={{ color: 'text.secondary', mt: 1 }}>
          There is an address since {dayName(calendar.data.createdAt.slice(0, 10))}.
        </Typography>
      )}
      {make.error && <ErrorNotice error={make.error} />}
      {revoke.error && <ErrorNotice error={revoke.error} />}
    </Box>
  );
}

const states: Record<Schemas['MailState'], string> = {
  waiting: 'waits to go out',
  sent: 'sent',
  shown: 'stands here only',
};

/** What went out to the people of this academy, or would. */
function Outbox() {
  const outbox = useOutbox(true);
  return (
    <Box component="section" aria-label="Outbox" sx={{ mt: 4 }}>
      <Typography variant="h2">Outbox</Typography>
      {outbox.isPending && <Loading what="the outbox" />}
      {outbox.error && <ErrorNotice error={outbox.error} onRetry={() => void outbox.refetch()} />}
      {outbox.data?.length === 0 && <Empty title="No mails yet">They are made as weeks are published.</Empty>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {outbox.data?.map((mail) => (
          <Box
            key={mail.id}
            component="li"
            sx={{
              display: 'grid',
              gridTemplateColumns: { md: '200px 260px minmax(0, 1fr)' },
              gap: { xs: 0.5, md: 3 },
              py: 1.5,
              borderBottom: '1px solid',
              borderColor: 'line',
            }}
          >
            <Box>
              <b>{mail.to}</b>
              <Box sx={{ color: 'text.secondary', fontSize: 14.5 }}>
                {dayName(mail.madeAt.slice(0, 10))}, {states[mail.state]}
                {mail.state === 'waiting' && mail.attempts > 0 && `, tried ${mail.attempts} times`}
              </Box>
            </Box>
            <Box>{mail.subject}</Box>
            <Box component="details">
              <Box component="summary" sx={{ cursor: 'pointer', minHeight: 28 }}>
                What it says
              </Box>
              <Box sx={{ whiteSpace: 'pre-wrap', fontSize: 15 }}>{mail.body}</Box>
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
