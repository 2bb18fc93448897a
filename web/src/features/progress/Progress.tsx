import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { progressKeys } from '../../api/queryKeys';
import { dayName, percent } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, Loading, ErrorNotice } from '../../ui/states';
import { CompletionChart } from './CompletionChart';
import { RatingCharts } from './RatingCharts';

/** A student's last twelve weeks: what was done, how it felt, and the sessions behind it. */
export function Progress({ studentId }: { studentId: string }) {
  const progress = useQuery({
    queryKey: progressKeys.one(studentId),
    queryFn: () =>
      answer(api.GET('/api/progress/{studentId}', { params: { path: { studentId }, query: { weeks: 12 } } })),
  });
  if (progress.isPending) return <Loading what="the past weeks" />;
  if (progress.error) return <ErrorNotice error={progress.error} onRetry={() => void progress.refetch()} />;
  const { weeks, recent } = progress.data;
  if (weeks.every((w) => w.sessions === 0) && recent.length === 0)
    return (
      <Empty title="No history yet">Completion and self-ratings appear here after the first published week.</Empty>
    );
  return (
    <>
      <Box
        sx={{ display: 'grid', gridTemplateColumns: { md: 'minmax(0, 1fr) minmax(0, 1.25fr)' }, gap: { xs: 3, md: 5 } }}
      >
        <Box component="section" aria-label="Completion">
          <Typography variant="h2">Done of what was set</Typography>
          <CompletionChart weeks={weeks} />
        </Box>
        <Box component="section" aria-label="Self-ratings">
          <Typography variant="h2">Self-ratings, weekly mean</Typography>
          <RatingCharts weeks={weeks} />
        </Box>
      </Box>
      <Box component="section" aria-label="Last sessions" sx={{ mt: 3 }}>
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
                gridTemplateColumns: { xs: '1fr auto', md: '110px minmax(0, 1fr) minmax(0, 260px) 70px' },
                gridTemplateAreas: { xs: '"day share" "title title" "strip strip"', md: '"day title strip share"' },
                columnGap: 2,
                rowGap: 0.5,
                alignItems: 'end',
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
                {percent(session.completion.fraction)}
              </Box>
            </Box>
          ))}
        </Box>
      </Box>
    </>
  );
}
