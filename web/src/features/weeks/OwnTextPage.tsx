import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, changesVersion, type Schemas } from '../../api/client';
import { weekKeys } from '../../api/queryKeys';
import { showAnswer } from '../../api/showAnswer';
import { dayName } from '../../ui/format';
import { ErrorNotice, Loading } from '../../ui/states';
import { Bench } from '../plans/Bench';
import { planFrom, type Plan } from '../plans/benchState';
import { useLatestText, useOwnText, useWeekChange } from './queries';

/** A session on the bench, to be changed for its student only. */
export function OwnTextPage() {
  const { id = '' } = useParams();
  const text = useOwnText(id);
  if (text.isPending) return <Loading what="the session" />;
  if (text.error) return <ErrorNotice error={text.error} onRetry={() => void text.refetch()} />;
  return text.data.hasLog ? <Begun view={text.data} /> : <OwnText key={id} address={id} view={text.data} />;
}

function Begun({ view }: { view: Schemas['OwnTextView'] }) {
  return (
    <Box sx={{ mt: 3 }}>
      <b>{view.plan.title}</b> was begun by {view.studentName}: what was practised stays as it was set.{' '}
      <Link to={`/sessions/${view.assignmentId}`}>Open it</Link>, or{' '}
      <Link to={`/week?week=${view.week}`}>put another session in</Link>.
    </Box>
  );
}

function OwnText({ address, view }: { address: string; view: Schemas['OwnTextView'] }) {
  const queries = useQueryClient();
  // What was published goes on as another session once it is changed.
  const [id, setId] = useState(view.assignmentId);
  const [planVersion, setPlanVersion] = useState(view.planVersion);
  const [start] = useState(() => planFrom(view.plan));
  const change = useWeekChange(({ plan, version }: { plan: Plan; version: number | undefined }) =>
    answer(
      api.PUT('/api/weeks/assignments/{id}/text', {
        params: { path: { id } },
        body: { plan, planVersion },
        headers: changesVersion(version ?? view.version),
      }),
    ),
  );
  return (
    <Bench
      id={address}
      start={start}
      version={view.version}
      writtenFor={{ studentId: view.studentId, isSquad: false }}
      save={async (plan, version) => {
        const saved = await change.mutateAsync({ plan, version });
        setId(saved.assignmentId);
        await showAnswer(queries, weekKeys.text(address), saved);
        return saved;
      }}
      // What the student sees changes when the coach says so, and not in between.
      savesItself={!view.isPublished}
      above={(take) => (
        <AboutOwnText
          view={view}
          planVersion={planVersion}
          onTake={(latest) => {
            setPlanVersion(latest.planVersion);
            take(planFrom(latest.plan));
          }}
        />
      )}
    />
  );
}

/** Whose session it is, where it comes from, and what its plan has become since. */
function AboutOwnText({
  view,
  planVersion,
  onTake,
}: {
  view: Schemas['OwnTextView'];
  planVersion: number | null;
  onTake: (latest: Schemas['LatestTextView']) => void;
}) {
  const latest = useLatestText();
  return (
    <Box data-testid="own-text" sx={{ mb: 1 }}>
      <div>
        For <Link to={`/students/${view.studentId}`}>{view.studentName}</Link> only,{' '}
        {view.day ? dayName(view.day) : 'any day'} of <Link to={`/week?week=${view.week}`}>this week</Link>
        {view.planId && (
          <>
            {', from the plan '}
            <Link to={`/plans/${view.planId}`}>{view.planTitle}</Link>
          </>
        )}
        .{view.isPublished && ` ${view.studentName} sees it already: what you save is marked as changed.`}
      </div>
      {view.tailored.length > 0 && <Box sx={{ color: 'text.secondary' }}>Made to suit: {view.tailored.join(' ')}</Box>}
      {view.isPlanChanged && planVersion === view.planVersion && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          The plan was changed since this session went its own way.
          <Button
            variant="outlined"
            disabled={latest.isPending}
            onClick={() => latest.mutate(view.assignmentId, { onSuccess: onTake })}
          >
            Take the plan’s text
          </Button>
        </Box>
      )}
      {latest.error && <ErrorNotice error={latest.error} />}
    </Box>
  );
}
