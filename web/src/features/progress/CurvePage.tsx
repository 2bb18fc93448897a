import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { progressKeys } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { dayName } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { DayAxis, TimePlot } from '../../ui/TimePlot';
import { bandOf, curveInWords, groups, scaleOfCurve, unitBehind } from './Curves';

/** One drill, large: every result with its doubt, where it goes, and each session to open. */
export function CurvePage() {
  const { id, drillId = '' } = useParams();
  const person = usePerson();
  const studentId = id ?? person.studentId ?? '';
  const [query] = useSearchParams();
  const group = query.get('group') ?? 'block';
  const curve = useQuery({
    queryKey: progressKeys.drill(studentId, drillId, group),
    queryFn: () =>
      answer(
        api.GET('/api/progress/{studentId}/drills/{drillId}', {
          params: { path: { studentId, drillId }, query: { group } },
        }),
      ),
  });
  if (curve.isPending) return <Loading what="the results" />;
  if (curve.error) return <ErrorNotice error={curve.error} onRetry={() => void curve.refetch()} />;
  const back = id ? `/students/${id}` : '/my-progress';
  return (
    <>
      <Box sx={{ mt: 3, mb: 1 }}>
        <Link to={back}>{id ? curve.data.studentName : 'My progress'}</Link>
      </Box>
      {curve.data.curve ? (
        <Large curve={curve.data.curve} competitions={curve.data.competitions} />
      ) : (
        <Empty title="Nothing to show">This drill was not practised and counted in this kind of practice.</Empty>
      )}
    </>
  );
}

function Large({ curve, competitions }: { curve: Schemas['ResultCurve']; competitions: Schemas['CompetitionDays'][] }) {
  const [first, last] = [curve.dots[0]?.day ?? '', curve.dots.at(-1)?.day ?? ''];
  const within = competitions.filter((c) => c.firstDay >= first && c.firstDay <= last);
  const unit = unitBehind(curve.figure.unit);
  const n = (value: number) => value.toFixed(curve.figure.decimals).replace('-', '−');
  const stretches = new Set(curve.dots.map((d) => d.stretch)).size;
  return (
    <>
      <PageHeading>{curve.drill}</PageHeading>
      <Typography sx={{ color: 'text.secondary' }}>
        {curve.figure.label}, {groups[curve.group]}
      </Typography>
      <Typography sx={{ mt: 1, fontWeight: 620 }}>{curve.trend.text}</Typography>
      {curve.best && <Typography>{curve.best.text}</Typography>}
      <Box sx={{ pl: '44px', pr: 1, mt: 2 }}>
        <TimePlot
          label={curveInWords(curve)}
          from={first}
          to={last}
          {...scaleOfCurve(curve)}
          dots={curve.dots}
          {...(bandOf(curve) && { band: bandOf(curve) ?? { least: null, most: null } })}
          competitions={within}
          marks={curve.goal && curve.goal.measure === curve.figure.name ? [curve.goal.limit] : []}
          unit={curve.figure.unit}
          height={260}
        />
        <DayAxis from={first} to={last} competitions={within} />
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        The line through a dot is where that result lies with 95&nbsp;% confidence. Hollow: a lesson, which judges
        nothing. Square: typed in from a card.
        {stretches > 1 &&
          ' Where the line breaks, drill, step or hands were changed: only what follows the last break is judged.'}
      </Typography>
      <Typography variant="h2" sx={{ mt: 3 }}>
        Every result
      </Typography>
      <Box
        component="table"
        sx={{
          borderCollapse: 'collapse',
          '& td, & th': { textAlign: 'left', pr: 3, py: 0.75, borderBottom: '1px solid', borderColor: 'line' },
        }}
      >
        <thead>
          <tr>
            <th>Day</th>
            <th>Result</th>
            <th>Somewhere from</th>
            <th>Attempts</th>
          </tr>
        </thead>
        <tbody>
          {curve.dots.toReversed().map((d, i) => (
            <tr key={`${d.sessionId} ${i}`}>
              <td>
                <Link to={`/sessions/${d.sessionId}`}>{dayName(d.day)}</Link>
                {d.isHollow && ' (lesson)'}
                {d.isPaper && ' (paper)'}
              </td>
              <td>
                {n(d.value)}
                {unit}
                {d.goalMet && ' ✓'}
              </td>
              <td>{d.doubt ? `${n(d.doubt.low)} to ${n(d.doubt.high)}` : 'not known'}</td>
              <td>{d.attempts}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </>
  );
}
