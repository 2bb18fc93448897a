import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, Navigate } from 'react-router';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { Choice, Field } from '../../ui/Field';
import { moment } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { Invite } from './Invite';
import {
  useChangeAcademy,
  useChangeRole,
  useChangeState,
  useEndTheirSecondStep,
  usePeople,
  useRevokeInvitation,
} from './peopleQueries';
import { DeletedLink } from '../../ui/deleted';

type PeopleView = Schemas['PeopleView'];
type Staff = Schemas['StaffView'];

const TakeAwayDialog = onDemand(() => import('./TakeAwayDialog').then((m) => m.TakeAwayDialog));

/** Who looks after the academy, who was asked to, and what the academy is called. For owners. */
export function PeoplePage() {
  // Whoever has just made themselves a coach sees it no more.
  return usePerson().role === 'owner' ? <People /> : <Navigate replace to="/" />;
}

function People() {
  const people = usePeople();
  const invite = () => answer(api.POST('/api/accounts/coach-invitations'));
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', flexWrap: 'wrap', gap: 1, mt: 3, mb: 2 }}>
        <PageHeading sx={{ mr: 'auto' }}>People</PageHeading>
        <DeletedLink />
        <Button component={Link} to="/people/data" variant="outlined">
          What is kept
        </Button>
        <Button component={Link} to="/people/log" variant="outlined">
          What happened
        </Button>
        {/* A list that is still on its way might not hold the new link. */}
        {people.data && (
          <Invite label="Invite a coach" who="the coach" make={invite} onMade={() => void people.refetch()} />
        )}
      </Box>
      {people.isPending && <Loading what="the people" />}
      {people.error && <ErrorNotice error={people.error} onRetry={() => void people.refetch()} />}
      {people.data && (
        <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1.5fr 1fr' }, columnGap: 6, rowGap: 5 }}>
          <Coaches staff={people.data.staff} />
          <Box sx={{ display: 'grid', gap: 5, alignContent: 'start' }}>
            <Open people={people.data} />
            <Academy />
          </Box>
        </Box>
      )}
    </>
  );
}

function Coaches({ staff }: { staff: readonly Staff[] }) {
  const [leaving, setLeaving] = useState<Staff>();
  const owners = staff.filter((s) => s.role === 'owner' && s.state === 'active');
  return (
    <Box component="section" aria-label="Coaches">
      <Typography variant="h2">Who looks after students</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        An owner is a coach who sees this page. An academy always has one. Students are on the tee line; their accounts
        are in their files.
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {staff.map((s) => (
          <Coach
            key={s.accountId}
            coach={s}
            isOnlyOwner={owners.length === 1 && owners[0] === s}
            onTakeAway={() => setLeaving(s)}
          />
        ))}
      </Box>
      {leaving && <TakeAwayDialog coach={leaving} others={staff} onClose={() => setLeaving(undefined)} />}
    </Box>
  );
}

function Coach({ coach, isOnlyOwner, onTakeAway }: { coach: Staff; isOnlyOwner: boolean; onTakeAway: () => void }) {
  const me = usePerson();
  const role = useChangeRole();
  const state = useChangeState();
  const secondStep = useEndTheirSecondStep();
  const id = coach.accountId;
  const isMe = id === me.accountId;
  const isOpen = coach.state === 'active';
  const error = role.error ?? state.error ?? secondStep.error;
  return (
    <Box component="li" sx={{ py: 1.5, borderBottom: '1px solid', borderColor: 'divider' }} aria-label={coach.name}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'baseline' }}>
        <b>{coach.name}</b>
        <span>{coach.role === 'owner' ? 'Owner' : 'Coach'}</span>
        {isMe && <Box sx={{ color: 'text.secondary' }}>you</Box>}
        {!isOpen && <b>account closed</b>}
      </Box>
      <Box sx={{ fontSize: 14, color: 'text.secondary', overflowWrap: 'anywhere' }}>
        {coach.email} · {coach.seenAt ? `seen ${moment(coach.seenAt)}` : 'not seen yet'} ·{' '}
        {coach.hasSecondStep ? 'with a second step' : 'no second step'} ·{' '}
        <a
          href={`/api/data-rights/accounts/${id}/everything.zip`}
          download
          aria-label={`What is kept of ${coach.name}`}
        >
          what is kept
        </a>
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1 }}>
        {isOpen && !isOnlyOwner && (
          <Button
            variant="outlined"
            onClick={() => role.mutate({ id, role: coach.role === 'owner' ? 'coach' : 'owner' })}
            disabled={role.isPending}
          >
            {coach.role === 'owner' ? 'Make a coach' : 'Make an owner'}
          </Button>
        )}
        {isOpen && !isMe && (
          <Invite
            label="Link for a new password"
            who={coach.name}
            make={() => answer(api.POST('/api/people/{id}/password-link', { params: { path: { id } } }))}
          />
        )}
        {coach.hasSecondStep && !isMe && (
          <Button variant="outlined" onClick={() => secondStep.mutate(id)} disabled={secondStep.isPending}>
            Switch off the second step
          </Button>
        )}
        {!isMe && (
          <Button
            variant="outlined"
            onClick={() => state.mutate({ id, state: isOpen ? 'disabled' : 'active' })}
            disabled={state.isPending}
          >
            {isOpen ? 'Close the account' : 'Let in again'}
          </Button>
        )}
        {!isMe && (
          <Button variant="outlined" onClick={onTakeAway}>
            Take away …
          </Button>
        )}
      </Box>
      {error && <ErrorNotice error={error} />}
    </Box>
  );
}

function Open({ people }: { people: PeopleView }) {
  const revoke = useRevokeInvitation();
  return (
    <Box component="section" aria-label="Open invitations">
      <Typography variant="h2" sx={{ mb: 1 }}>
        Links nobody has used yet
      </Typography>
      {people.invitations.length === 0 && <Empty title="None">A link is good once, for seven days.</Empty>}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {people.invitations.map((i) => {
          const whose = i.role === 'guardian' ? `a guardian of ${i.studentName ?? ''}` : (i.studentName ?? 'a coach');
          return (
            <Box
              component="li"
              key={i.id}
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
                For <b>{whose}</b>
                <Box sx={{ fontSize: 14, color: 'text.secondary' }}>good until {moment(i.expiresAt)}</Box>
              </Box>
              <Button
                onClick={() => revoke.mutate(i.id)}
                disabled={revoke.isPending}
                aria-label={`Take back the link for ${whose}`}
              >
                Take back
              </Button>
            </Box>
          );
        })}
      </Box>
      {revoke.error && <ErrorNotice error={revoke.error} />}
    </Box>
  );
}

function Academy() {
  const person = usePerson();
  const change = useChangeAcademy();
  const [name, setName] = useState(person.academyName);
  const [timeZone, setTimeZone] = useState(person.timeZone);
  const problem = change.error instanceof Problem ? change.error : undefined;
  const named = problem?.fieldError('name') ?? problem?.fieldError('timeZone');
  const zones = [...new Set([person.timeZone, ...Intl.supportedValuesOf('timeZone')])].sort();
  return (
    <Box component="section" aria-label="The academy">
      <Typography variant="h2">The academy</Typography>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate({ name, timeZone });
        }}
        sx={{ display: 'grid', gap: 2, mt: 1, maxWidth: 360 }}
      >
        <Field
          label="Name"
          value={name}
          onChange={(e) => setName(e.target.value)}
          error={problem?.fieldError('name')}
          inputProps={{ maxLength: 120 }}
        />
        <Choice
          label="Time zone"
          hint="It decides which day it is, for everybody here."
          value={timeZone}
          options={zones.map((zone) => ({ value: zone, label: zone.replaceAll('_', ' ') }))}
          onChange={setTimeZone}
          error={problem?.fieldError('timeZone')}
        />
        <Button
          type="submit"
          variant="outlined"
          disabled={change.isPending || (name === person.academyName && timeZone === person.timeZone)}
          sx={{ justifySelf: 'start' }}
        >
          Save
        </Button>
      </Box>
      {change.isSuccess && <Box role="status">Saved.</Box>}
      {change.error && !named && <ErrorNotice error={change.error} />}
    </Box>
  );
}
