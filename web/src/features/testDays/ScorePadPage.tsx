import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { Checkbox } from '../../ui/Checkbox';
import { minutes } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { ErrorNotice, Loading } from '../../ui/states';
import { planFrom } from '../plans/benchState';
import { DrillRun } from '../sessions/DrillRun';
import type { NewEntry } from '../sessions/log';
import type { Session } from '../sessions/queries';
import { InAnotherTab, SyncLine, SyncProblem } from '../sessions/SyncLine';
import { ToPractise } from '../sessions/ToPractise';
import { useRunningLog, type OnServer } from '../sessions/useRunningLog';
import { useTestDayToScore } from './queries';

/** One drill of one student, scored by the coach attempt by attempt. */
export function ScorePadPage() {
  return <ToPractise as={ScorePad} />;
}

function ScorePad({ session, onServer }: { session: Session; onServer: OnServer | undefined }) {
  const { testId = '' } = useParams();
  const [search] = useSearchParams();
  const segmentId = search.get('segment') ?? '';
  const day = search.get('day') ?? '';
  const test = useTestDayToScore(testId);
  const log = useRunningLog(session.card, onServer);
  const navigate = useNavigate();
  const [isWarm, setIsWarm] = useState(true);
  const grid = `/test-days/${testId}/score?day=${day}`;
  if (log.isElsewhere) return <InAnotherTab onTakeOver={log.takeOver} />;
  if (!log.isReady || test.isPending) return <Loading what="the log" />;
  const plan = planFrom(session.plan);
  const segment = plan.segments.find((s) => s.id === segmentId);
  const drill = session.drills.find((d) => d.segmentId === segmentId);
  const students = (test.data?.students ?? []).flatMap((s) => {
    const one = s.sessions.find((of) => of.day === day);
    return one ? [{ name: s.name, ...one }] : [];
  });
  const at = students.findIndex((s) => s.assignmentId === session.card.assignmentId);
  const next = at >= 0 ? students[at + 1] : undefined;
  if (!segment || !drill)
    return (
      <Box sx={{ pt: 2 }}>
        <Link to={grid}>Everybody</Link>
        <ErrorNotice error={new Error('This drill is not in this session.')} />
      </Box>
    );
  const isFirst = log.state.running === null && Object.keys(log.state.segments).length === 0;
  const isClosed = students[at]?.isClosed ?? false;
  const isSettled = log.state.segments[segmentId]?.outcome != null;
  /** What has to stand before the first attempt: who keeps the log, the warm-up, and which drill it is. */
  const before = (): NewEntry[] => [
    ...(isFirst
      ? [
          { kind: 'opened' as const, recording: 'test' as const },
          ...(isWarm
            ? plan.segments
                .filter((s) => s.kind === 'practice' && s.phase === 'warmUp')
                .map((s) => ({ kind: 'settled' as const, segmentId: s.id, outcome: 'done' as const }))
            : []),
        ]
      : []),
    ...(log.state.running?.segmentId === segmentId ? [] : [{ kind: 'entered' as const, segmentId }]),
  ];
  const add = (...entries: NewEntry[]) => log.add(...before(), ...entries);
  const finish = (to: string) => {
    const others = session.drills.filter((d) => d.segmentId !== segmentId && isTask(d.segmentId));
    const isLast = others.every((d) => log.state.segments[d.segmentId]?.outcome != null);
    const entries: NewEntry[] = isSettled || isClosed ? [] : [{ kind: 'settled', segmentId, outcome: 'done' }];
    if (isLast && !log.state.isFinished) entries.push({ kind: 'finished' });
    if (entries.length > 0) log.add(...entries);
    void navigate(to);
  };
  const isTask = (id: string) => {
    const of = plan.segments.find((s) => s.id === id);
    return of?.kind === 'practice' && of.phase !== 'warmUp';
  };
  const hasInputs = (log.state.inputs[segmentId] ?? []).length > 0;
  return (
    <Box sx={{ pt: 1, maxWidth: 620, mx: 'auto' }}>
      <Box sx={{ display: 'flex', alignItems: 'center', minHeight: 48 }}>
        <Button component={Link} to={grid} sx={{ ml: -1.25, minHeight: 48 }}>
          Everybody
        </Button>
        <SyncLine log={log} hasBegun={!isFirst} />
      </Box>
      <SyncProblem log={log} isOver />
      <PageHeading>{students[at]?.name ?? 'Scoring'}</PageHeading>
      <Typography sx={{ fontSize: 18 }}>
        {segment.title}, {minutes(segment.minutes)}
      </Typography>
      {segment.instruction && <Typography sx={{ color: 'text.secondary' }}>{segment.instruction}</Typography>}
      {isFirst && plan.segments.some((s) => s.kind === 'practice' && s.phase === 'warmUp') && (
        <Checkbox label="Warmed up together" checked={isWarm} onChange={setIsWarm} />
      )}
      {isClosed ? (
        <Typography sx={{ mt: 2 }}>
          This was finished more than a week ago, and stays as it is.{' '}
          <Link to={`/sessions/${session.card.assignmentId}`}>See what came of it</Link>
        </Typography>
      ) : (
        <DrillRun session={session} drill={drill} segment={segment} hidden={[]} log={log.state} add={add} />
      )}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: next ? '1fr 1.6fr' : '1fr',
          gap: 1,
          mt: 1.5,
          py: 1,
          position: 'sticky',
          bottom: 0,
          bgcolor: 'background.default',
          '& > button': { minHeight: 64, borderRadius: 32 },
        }}
      >
        <Button variant="outlined" disabled={!hasInputs} onClick={() => finish(grid)}>
          Done
        </Button>
        {next && (
          <Button
            variant="contained"
            disabled={!hasInputs}
            onClick={() => finish(`/test-days/${testId}/score/${next.assignmentId}?segment=${segmentId}&day=${day}`)}
          >
            Done, then {next.name}
          </Button>
        )}
      </Box>
    </Box>
  );
}
