import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { deviceStore, entriesFrom, orNothing } from '../../app/deviceStore';
import { usePerson } from '../../app/signIn';
import { dayName } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { stateOf, walk } from '../sessions/log';
import { useKeepSessions } from '../sessions/queries';
import { useTestDayToScore, type TestView } from './queries';

function fetchPad() {
  void import('./ScorePadPage');
}

/** Everybody by every drill of a day: a tap opens the one that is scored next. It works without a signal. */
export function ScoringPage() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const test = useTestDayToScore(id);
  if (test.isPending) return <Loading what="the test day" />;
  if (!test.data) return <ErrorNotice error={test.error ?? new Error('This test day is not on this device yet.')} />;
  return <Grid view={test.data} day={search.get('day') ?? test.data.days[0] ?? ''} />;
}

function Grid({ view, day }: { view: TestView; day: string }) {
  const { accountId } = usePerson();
  const rows = view.students.flatMap((s) => {
    const session = s.sessions.find((one) => one.day === day);
    return session ? [{ ...s, session }] : [];
  });
  // The pad too is there before anybody is out of reach.
  useEffect(fetchPad, []);
  useKeepSessions(rows.map((r) => r.session.assignmentId));
  // What this device has scored and the server may not have heard of yet.
  const here = useLiveQuery(async () => {
    const logs = (await orNothing(deviceStore.logs.where({ accountId }).toArray())) ?? [];
    const states = await Promise.all(
      logs.map(async (l) => [l.assignmentId, walk(await entriesFrom(l.localId, 1))] as const),
    );
    return new Map(states);
  }, [accountId]);
  return (
    <>
      <Box sx={{ mt: 2 }}>
        <Link to={`/test-days/${view.id}`}>{view.test.name}</Link>
      </Box>
      <PageHeading>Scoring{day && `, ${dayName(day)}`}</PageHeading>
      <Typography sx={{ color: 'text.secondary', mb: 1 }}>
        Tap a drill of somebody. It is kept on this device and sent as soon as there is a signal.
      </Typography>
      {rows.length === 0 && (
        <Empty title="Nothing is set for this day">Set it on the page of the test day first.</Empty>
      )}
      {rows.map((row) => (
        <Box
          key={row.studentId}
          role="group"
          aria-label={row.name}
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', md: '180px minmax(0, 1fr)' },
            columnGap: 2,
            alignItems: 'center',
            py: 1,
            borderBottom: '1px solid',
            borderColor: 'line',
          }}
        >
          <b>{row.name}</b>
          <Box
            sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 150px), 1fr))' }}
          >
            {view.tasks.map((task, i) => {
              const result = row.lines[i]?.results.find((r) => r.sessionId === row.session.assignmentId);
              const state = here?.get(row.session.assignmentId);
              const isSettled = state && stateOf(state, task.segmentId).outcome === 'done';
              const isBegun = state && (state.inputs[task.segmentId] ?? []).length > 0;
              return (
                <Box
                  component={Link}
                  key={task.segmentId}
                  to={`/test-days/${view.id}/score/${row.session.assignmentId}?segment=${task.segmentId}&day=${day}`}
                  sx={{
                    display: 'block',
                    minHeight: 64,
                    px: 1.5,
                    py: 1,
                    border: result || isSettled ? '2px solid' : '1px dashed',
                    borderColor: 'primary.main',
                    borderRadius: 2,
                    color: 'text.primary',
                    textDecoration: 'none',
                    bgcolor: result || isSettled ? 'background.paper' : 'transparent',
                  }}
                >
                  <Box sx={{ fontWeight: 620 }}>{task.drill}</Box>
                  <Box sx={{ fontSize: 14, color: 'text.secondary' }}>
                    {result ? result.text : isSettled ? 'done, kept here' : isBegun ? 'begun, kept here' : 'to do'}
                  </Box>
                </Box>
              );
            })}
          </Box>
        </Box>
      ))}
    </>
  );
}
