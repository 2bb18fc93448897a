import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { progressKeys } from '../../api/queryKeys';
import { dayName, percent } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, Loading, ErrorNotice } from '../../ui/states';
import { CarryOver, Minutes, Noticed } from './Beside';
import { Curves } from './Curves';
import { Loads, Ratings } from './Ratings';

/** A student's last twelve weeks. */
export const useProgress = (studentId: string) =>
  useQuery({
    queryKey: progressKeys.one(studentId),
    queryFn: () =>
      answer(api.GET('/api/progress/{studentId}', { params: { path: { studentId }, query: { weeks: 12 } } })),
  });

interface Props {
  studentId: string;
  /** Whether the student looks. */
  isOwn?: boolean;
}

/** Where a student goes, by results, ratings and loads of the last twelve weeks; the goal stands above, by itself. */
export function Progress({ studentId, isOwn = false }: Props) {
  const progress = useProgress(studentId);
  if (progress.isPending) return <Loading what="the past weeks" />;
  if (progress.error) return <ErrorNotice error={progress.error} onRetry={() => void progress.refetch()} />;
  const { weeks, recent, checkpoint } = progress.data;
  if (weeks.every((w) => w.sessions === 0) && recent.length === 0)
    return (
      <Empty title="No history yet">
        Results, completion and self-ratings appear here after the first published week.
      </Empty>
    );
  const linkTo = (curve: { drillId: string; group: string }) =>
    `${isOwn ? '/my-progress' : `/students/${studentId}`}/drills/${curve.drillId}?group=${curve.group}`;
  return (
    <>
      {isOwn && checkpoint && (
        <Typography sx={{ mt: 2 }}>
          <b>To look at first, from the lesson of {dayName(checkpoint.day)}:</b> {checkpoint.text}
        </Typography>
      )}
      <Curves progress={progress.data} linkTo={linkTo} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1fr 1fr' }, gap: 5, mt: 4 }}>
        <CarryOver progress={progress.data} />
        <Noticed progress={progress.data} />
      </Box>
      <Ratings progress={progress.data} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1fr 1fr' }, columnGap: 5 }}>
        <Loads progress={progress.data} />
        <LastSessions recent={recent} />
      </Box>
      <Minutes progress={progress.data} />
    </>
  );
}

/** The sessions practised last. */
function LastSessions({ recent }: { recent: Schemas['SessionCard'][] }) {
  return (
    <Box component="section" aria-label="Last sessions" sx={{ mt: 4 }}>
      <Typography variant="h2">Last sessions</Typography>
      {recent.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>Nothing was practised in these weeks.</Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {recent.map((session) => (
          <Box
            component="li"
            key={session.assignmentId}
            sx={{
              display: 'grid',
              gridTemplateColumns: '1fr auto',
              gridTemplateAreas: '"day share" "title title" "strip strip"',
              columnGap: 2,
              rowGap: 0.5,
              py: 1,
              borderBottom: '1px solid',
              borderColor: 'line',
            }}
          >
            <Box sx={{ gridArea: 'day' }}>{session.practisedOn && dayName(session.practisedOn)}</Box>
            <Box sx={{ gridArea: 'title' }}>
              <Link to={`/sessions/${session.assignmentId}`}>{session.title}</Link>
            </Box>
            <Box sx={{ gridArea: 'strip' }}>
              <SessionStrip size="tiny" segments={session.strip} label={session.title} />
            </Box>
            <Box sx={{ gridArea: 'share', textAlign: 'right', fontWeight: 620 }}>
              {session.completion.fraction === null ? session.completion.text : percent(session.completion.fraction)}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
