import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { DayField } from '../../ui/DayField';
import { count, dayName, minutes } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import { PageHeading } from '../../ui/PageHeading';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { scaleOf, TimePlot } from '../../ui/TimePlot';
import { useRemoveTestDay, useSetTestDay, useTestDay, type TestView } from './queries';

const TestDayDialog = onDemand(() => import('./TestDayDialog').then((m) => m.TestDayDialog));

/** One test day: the next date, and everybody beside themselves. */
export function TestDayPage() {
  const { id = '' } = useParams();
  const view = useTestDay(id);
  const [isChanging, setIsChanging] = useState(false);
  if (view.isPending) return <Loading what="the test day" />;
  if (view.error)
    return (
      <Box sx={{ pt: 3 }}>
        <Link to="/test-days">Test days</Link>
        <ErrorNotice error={view.error} onRetry={() => void view.refetch()} />
      </Box>
    );
  const { test, tasks, students, days, strip } = view.data;
  return (
    <>
      <Box sx={{ mt: 3 }}>
        <Link to="/test-days">Test days</Link>
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'baseline', flexWrap: 'wrap', columnGap: 2 }}>
        <PageHeading>{test.name}</PageHeading>
        <Typography sx={{ color: 'text.secondary', mr: 'auto' }}>
          {minutes(view.data.minutes)}, every {count(test.everyWeeks, 'week')}, {count(test.students.length, 'student')}
        </Typography>
        <Button variant="outlined" onClick={() => setIsChanging(true)}>
          Change
        </Button>
        <Remove view={view.data} />
      </Box>
      <Box sx={{ maxWidth: 620, my: 1.5 }}>
        <SessionStrip segments={strip} shows="plan" label={test.name} />
      </Box>
      <Next view={view.data} />
      <Typography variant="h2" sx={{ mt: 4 }}>
        Then against now
      </Typography>
      {days.length === 0 && (
        <Empty title="Nobody has done it yet">
          Results appear here after the first day, everybody’s beside their own and nobody’s beside anybody else’s.
        </Empty>
      )}
      {days.length > 0 &&
        students.map((s) => (
          <Box
            component="section"
            aria-label={s.name}
            key={s.studentId}
            sx={{ py: 1.5, borderBottom: '1px solid', borderColor: 'line' }}
          >
            <Typography variant="h3">
              <Link to={`/students/${s.studentId}`}>{s.name}</Link>
              {!s.takesPart && (
                <Box component="span" sx={{ fontWeight: 400, color: 'text.secondary' }}>
                  {' '}
                  takes part no more
                </Box>
              )}
            </Typography>
            {s.lines.every((l) => l.results.length === 0) ? (
              <Typography sx={{ color: 'text.secondary' }}>No result yet.</Typography>
            ) : (
              <Box
                sx={{
                  display: 'grid',
                  gridTemplateColumns: `repeat(auto-fill, minmax(min(100%, ${tasks.length > 2 ? 270 : 360}px), 1fr))`,
                  columnGap: 4,
                }}
              >
                {s.lines.map((line) => (
                  <LineOf key={line.task.segmentId} line={line} />
                ))}
              </Box>
            )}
          </Box>
        ))}
      {isChanging && <TestDayDialog view={view.data} onClose={() => setIsChanging(false)} />}
    </>
  );
}

/** One drill of one student: a picture of the days, and the sentences with their doubt. */
function LineOf({ line: { task, results, sinceFirst, sinceLast } }: { line: Schemas['TestLine'] }) {
  const [first] = results;
  const last = results.at(-1);
  const scale = scaleOf(
    [
      // From nothing on, so that one more does not look like twice as many.
      ...(results.every((r) => r.point.value >= 0) ? [0] : []),
      ...results.flatMap((r) => [r.point.value, r.point.doubt?.low, r.point.doubt?.high]),
    ],
    task.figure.unit === '%' ? [0, 100] : undefined,
  );
  return (
    <Box sx={{ py: 1 }}>
      <b>{task.drill}</b>
      <Box component="span" sx={{ color: 'text.secondary', fontSize: 14 }}>
        {task.step && ` ${task.step}`}, {task.figure.label}
      </Box>
      {!first || !last ? (
        <Box sx={{ color: 'text.secondary' }}>Not done yet.</Box>
      ) : (
        <>
          {results.length > 1 && (
            <TimePlot
              label={results.map((r) => `${dayName(r.day)}: ${r.text}`).join('; ')}
              from={first.day}
              to={last.day}
              {...scale}
              dots={results.map((r) => ({ day: r.day, value: r.point.value, doubt: r.point.doubt }))}
              unit={task.figure.unit}
              height={60}
            />
          )}
          <Box sx={{ fontSize: 15 }}>
            {sinceFirst ? (
              <>
                <div>
                  <Link to={`/sessions/${first.sessionId}`}>{dayName(first.day)}</Link> against{' '}
                  <Link to={`/sessions/${last.sessionId}`}>{dayName(last.day)}</Link>
                </div>
                {sinceFirst.text}
                {sinceLast && <div>Against the last time: {sinceLast.text}</div>}
              </>
            ) : (
              <div>
                <Link to={`/sessions/${first.sessionId}`}>{dayName(first.day)}</Link>: {first.text}. A second day is
                needed to set it beside.
              </div>
            )}
          </Box>
        </>
      )}
    </Box>
  );
}

/** When it comes next: set it for everybody, and score it when the day is there. */
function Next({ view }: { view: TestView }) {
  const { today } = usePerson();
  const { next, days, id } = view;
  const [day, setDay] = useState(next);
  const set = useSetTestDay(id);
  const [latest] = days;
  return (
    <Box component="section" aria-label="Next" sx={{ display: 'grid', gap: 1, maxWidth: 720 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-end' }}>
        <Box sx={{ width: 190 }}>
          <DayField label="Set it for" value={day} onChange={(d) => d && setDay(d)} />
        </Box>
        <Button variant="outlined" disabled={set.isPending} onClick={() => set.mutate(day)}>
          Set and publish
        </Button>
        {latest && (
          <Button
            component={Link}
            to={`/test-days/${id}/score?day=${latest}`}
            variant={latest === today ? 'contained' : 'outlined'}
          >
            Score {latest === today ? 'today' : dayName(latest)}
          </Button>
        )}
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {latest ? `Last set for ${dayName(latest)}. ` : 'Not set yet. '}
        {next <= today ? 'It is due now.' : `The next one falls on ${dayName(next)}.`}
      </Typography>
      {set.error && <ErrorNotice error={set.error} />}
      {set.data && (
        <Box role="status">
          {count(set.data.set, 'student')} {set.data.set === 1 ? 'has' : 'have'} it in the week.
          {set.data.notPublished.map((n) => (
            <div key={n.studentId}>
              <b>{n.name}</b> {n.isOut ? 'does not have it' : 'has it as a draft'}: {n.why.join(' ')}
            </div>
          ))}
        </Box>
      )}
    </Box>
  );
}

/** Deletes it; its results and sessions stay, and so does the way back. */
function Remove({ view }: { view: TestView }) {
  const remove = useRemoveTestDay(view.id);
  const navigate = useNavigate();
  return (
    <>
      {remove.error && <ErrorNotice error={remove.error} />}
      <Button
        disabled={remove.isPending}
        onClick={() =>
          remove.mutate(
            { name: view.test.name, version: view.version },
            { onSuccess: () => void navigate('/test-days') },
          )
        }
      >
        Delete test day
      </Button>
    </>
  );
}
