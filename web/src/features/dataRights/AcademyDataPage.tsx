import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Navigate } from 'react-router';
import { NumberField } from '../../ui/NumberField';
import { ranges } from '../../api/ranges';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { dataRightsKeys, peopleKeys } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { Choice } from '../../ui/Field';
import { count, dayName } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { ErrorNotice, Loading } from '../../ui/states';

type View = Schemas['RetentionView'];

const forever = '0';

/** How long the academy keeps what, and all of it out. For owners. */
export function AcademyDataPage() {
  return usePerson().role === 'owner' ? <AcademyData /> : <Navigate replace to="/" />;
}

function AcademyData() {
  const retention = useQuery({
    queryKey: dataRightsKeys.retention,
    queryFn: () => answer(api.GET('/api/data-rights/academy/retention')),
  });
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mt: 3, mb: 2 }}>
        <PageHeading sx={{ mr: 'auto' }}>What is kept</PageHeading>
        <Button component={Link} to="/people">
          Back
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1fr 1fr' }, columnGap: 6, rowGap: 5 }}>
        <Box component="section" aria-label="How long">
          <Typography variant="h2">How long</Typography>
          {retention.isPending && <Loading what="what is kept" />}
          {retention.error && <ErrorNotice error={retention.error} onRetry={() => void retention.refetch()} />}
          {retention.data && <HowLong view={retention.data} />}
        </Box>
        <Out />
      </Box>
    </>
  );
}

function HowLong({ view }: { view: View }) {
  const queries = useQueryClient();
  const [years, setYears] = useState(String(view.kept.practiceYears ?? forever));
  const [days, setDays] = useState(view.kept.securityLogDays);
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/data-rights/academy/retention', {
          body: { practiceYears: years === forever ? null : Number(years), securityLogDays: days },
        }),
      ),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: dataRightsKeys.retention }),
        queries.invalidateQueries({ queryKey: peopleKeys.log }),
      ]),
  });
  const problem = save.error instanceof Problem ? save.error : undefined;
  const named = problem?.fieldError('practiceYears') ?? problem?.fieldError('securityLogDays');
  const chosen = view.choices.find((c) => String(c.years) === years);
  const isChanged = years !== String(view.kept.practiceYears ?? forever) || days !== view.kept.securityLogDays;
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate();
      }}
      sx={{ display: 'grid', gap: 2, mt: 1, maxWidth: 420 }}
    >
      <Choice
        label="What was practised"
        hint="Sessions with their notes, results, rounds and words about weeks. Files, plans, drills and programmes stay."
        value={years}
        options={[
          { value: forever, label: 'Until somebody deletes it' },
          ...view.choices.map((c) => ({ value: String(c.years), label: count(c.years, 'year') })),
        ]}
        onChange={setYears}
        error={problem?.fieldError('practiceYears')}
      />
      {chosen && <WhatGoes choice={chosen} />}
      <NumberField
        label="Security log"
        unit="days"
        whole
        range={ranges.securityLogDays}
        value={days}
        onChange={(n) => setDays(n ?? days)}
        error={problem?.fieldError('securityLogDays')}
      />
      <Button type="submit" variant="outlined" disabled={save.isPending || !isChanged} sx={{ justifySelf: 'start' }}>
        Save
      </Button>
      {save.isSuccess && !isChanged && <Box role="status">Saved.</Box>}
      {save.error && !named && <ErrorNotice error={save.error} />}
    </Box>
  );
}

function WhatGoes({ choice }: { choice: Schemas['RetentionChoice'] }) {
  const first = `${dayName(choice.before)} ${choice.before.slice(0, 4)}`;
  const isNothing = choice.sessions === 0 && choice.rounds === 0;
  return (
    <Box role="status" sx={{ p: 1.5, bgcolor: 'background.paper', borderRadius: 2, fontSize: 15 }}>
      {isNothing
        ? `Nothing is older today. Weeks from ${first} on are kept; what grows older than that goes by itself.`
        : `Within the hour ${count(choice.sessions, 'session')} and ${count(choice.rounds, 'round')} from before ${first} go, ` +
          'of all students, and cannot be brought back. Take the archive out first, if somebody may still want to see them.'}
    </Box>
  );
}

function Out() {
  return (
    <Box component="section" aria-label="All of it out">
      <Typography variant="h2">All of it out</Typography>
      <Typography sx={{ mb: 1 }}>
        One archive of the academy: students, files, plans, drills, weeks, logs, results, rounds and words, as lines of
        JSON. Whoever runs another Morning Round begins it with{' '}
        <Box component="code" sx={{ whiteSpace: 'nowrap' }}>
          ./start --academy
        </Box>{' '}
        and this file.
      </Typography>
      <a href="/api/data-rights/academy/everything.zip" download>
        The whole academy, as an archive (ZIP)
      </a>
      <Typography sx={{ mt: 2 }}>
        It holds what students wrote of their bodies. Keep it where nobody else reads it, and throw it away when it has
        done its work. Passwords, second steps and links stay here: over there the owner chooses a new password, and
        makes links for everybody else. Mails that wait to be sent go along, so stop this one first.
      </Typography>
      <Typography sx={{ mt: 2, color: 'text.secondary' }}>
        What is kept of one student is under Data in the student’s file, of a coach beside the coach’s address. Backups
        are made by whoever runs the server, and still hold what was deleted since.
      </Typography>
    </Box>
  );
}
