import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { competitionKeys, weekViews } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { count, dayName, minutes } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { ErrorNotice, Loading } from '../../ui/states';
import { groups } from '../progress/Curves';
import { Debrief } from './Debrief';

type View = Schemas['CompetitionView'];

/** A competition: the days until then, the day of getting there, and afterwards what held and what it changed. */
export function CompetitionPage() {
  const { id, competitionId = '' } = useParams();
  const person = usePerson();
  const studentId = id ?? person.studentId ?? '';
  const view = useQuery({
    queryKey: competitionKeys.one(studentId, competitionId),
    queryFn: () =>
      answer(
        api.GET('/api/competitions/{studentId}/{competitionId}', { params: { path: { studentId, competitionId } } }),
      ),
  });
  const back = id ? `/students/${id}` : '/my-progress';
  if (view.isPending) return <Loading what="the competition" />;
  if (view.error)
    return (
      <Box sx={{ pt: 3 }}>
        <Link to={back}>Back</Link>
        <ErrorNotice error={view.error} onRetry={() => void view.refetch()} />
      </Box>
    );
  const { competition, standing, greens, canBeDebriefed, around, arrival, days } = view.data;
  const { name, firstDay, lastDay, course } = competition;
  return (
    <Box sx={{ maxWidth: 820 }}>
      <Box sx={{ mt: 3 }}>
        <Link to={back}>{id ? view.data.studentName : 'My progress'}</Link>
      </Box>
      <PageHeading>{name}</PageHeading>
      <Typography sx={{ color: 'text.secondary' }}>
        {dayName(firstDay)}
        {lastDay !== firstDay && ` to ${dayName(lastDay)}`}
        {course && `, ${course}`}
      </Typography>
      <Typography sx={{ fontSize: 20, fontWeight: 620, mt: 1 }}>{standing}</Typography>
      {greens && <Typography>{greens}</Typography>}
      {canBeDebriefed && <Debrief key={competitionId} studentId={studentId} competition={competition} />}
      {days.length > 0 && <Until days={days} />}
      {arrival && <Arrival view={view.data} arrival={arrival} maySet={id !== undefined} />}
      {around && <Around around={around} linkTo={(d) => `${id ? back : '/my-progress'}/drills/${d}`} />}
    </Box>
  );
}

const kinds: Record<Schemas['TaperKind'], string> = {
  practice: 'Practice',
  light: 'Light',
  arrival: 'Arrival',
  play: 'Play',
};

/** The days one under the other, fuller ones with a longer bar: what stands on each, what it is for, and what is too much. */
function Until({ days }: { days: Schemas['TaperDay'][] }) {
  const longest = Math.max(60, ...days.map((d) => d.sessions.reduce((sum, s) => sum + s.minutes, 0)));
  return (
    <Box component="section" aria-label="Until then" sx={{ mt: 4 }}>
      <Typography variant="h2">Until then</Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
        {days.map((d, i) => {
          const planned = d.sessions.reduce((sum, s) => sum + s.minutes, 0);
          return (
            <Box
              component="li"
              key={d.day}
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', sm: '170px 120px minmax(0, 1fr)' },
                columnGap: 2,
                py: 1,
                borderBottom: '1px solid',
                borderColor: 'line',
              }}
            >
              <Box>
                <b>{dayName(d.day)}</b>
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {' '}
                  {kinds[d.kind]}
                </Box>
              </Box>
              <Box
                role="img"
                aria-label={
                  planned > 0
                    ? `${minutes(planned)} planned${d.most === null ? '' : `, ${d.most} at the most`}`
                    : 'nothing planned'
                }
                sx={{
                  position: 'relative',
                  display: { xs: planned > 0 || d.most !== null ? 'block' : 'none', sm: 'block' },
                  height: 18,
                  alignSelf: 'center',
                  my: { xs: 0.5, sm: 0 },
                  maxWidth: 240,
                }}
              >
                <Box
                  sx={{
                    position: 'absolute',
                    inset: '3px auto 3px 0',
                    width: `${(100 * planned) / longest}%`,
                    bgcolor: 'primary.main',
                    borderRadius: 1,
                  }}
                />
                {d.most !== null && (
                  <Box
                    sx={{
                      position: 'absolute',
                      left: `${Math.min(100, (100 * d.most) / longest)}%`,
                      top: 0,
                      bottom: 0,
                      borderLeft: '2px dashed',
                    }}
                  />
                )}
              </Box>
              <Box sx={{ fontSize: 15 }}>
                {d.sessions.map((s) => (
                  <div key={s.id}>
                    {s.title}, {minutes(s.minutes)}
                  </div>
                ))}
                {d.text !== days[i - 1]?.text && <Box sx={{ color: 'text.secondary' }}>{d.text}</Box>}
                {(d.tooMuchText ?? []).map((text) => (
                  <Box key={text} sx={{ fontWeight: 620 }}>
                    Too much: {text}
                  </Box>
                ))}
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** What is done on getting there, the greens first. */
function Arrival({ view, arrival, maySet }: { view: View; arrival: Schemas['ArrivalList']; maySet: boolean }) {
  const { studentId, competition } = view;
  const queries = useQueryClient();
  const set = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/competitions/{studentId}/{competitionId}/arrival', {
          params: { path: { studentId, competitionId: competition.id } },
        }),
      ),
    onSuccess: () => Promise.all(weekViews.map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
  return (
    <Box component="section" aria-label="On getting there" sx={{ mt: 4 }}>
      <Typography variant="h2">On getting there, {dayName(arrival.day)}</Typography>
      {arrival.purpose && <Typography>{arrival.purpose}.</Typography>}
      <Box component="ol" sx={{ m: 0, mt: 1, pl: 3, '& li': { pb: 1 } }}>
        {arrival.steps.map((s, i) => (
          <li key={i}>
            <b>{s.title}</b>, {minutes(s.minutes)}
            {s.instruction && <Box>{s.instruction}</Box>}
            {s.why && <Box sx={{ color: 'text.secondary', fontSize: 15 }}>{s.why}</Box>}
          </li>
        ))}
      </Box>
      {arrival.kept.map((text) => (
        <Typography key={text} variant="body2" sx={{ color: 'text.secondary' }}>
          {text}
        </Typography>
      ))}
      {set.error && <ErrorNotice error={set.error} />}
      {maySet && arrival.steps.length > 0 && (
        <Box className="no-print" sx={{ mt: 1 }}>
          {arrival.isSet ? (
            <Typography>It stands in the week of {dayName(arrival.day)}.</Typography>
          ) : (
            <Button variant="outlined" disabled={set.isPending} onClick={() => set.mutate()}>
              Put it into the week as a draft
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}

/** The four weeks before beside the four after. */
function Around({ around, linkTo }: { around: Schemas['BeforeAndAfter']; linkTo: (drill: string) => string }) {
  const { drills, onOneSide, quality, confidence } = around;
  return (
    <Box component="section" aria-label="Before and after" sx={{ mt: 4 }}>
      <Typography variant="h2">Before and after</Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        The four weeks before it beside the four after it, as far as they have gone.
      </Typography>
      {drills.length === 0 && (
        <Typography sx={{ mt: 1 }}>No drill has results on both sides yet, so that nothing can be compared.</Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
        {drills.map((d) => (
          <Box
            component="li"
            key={`${d.drillId} ${d.group}`}
            sx={{ py: 0.75, borderBottom: '1px solid', borderColor: 'line' }}
          >
            <Link to={`${linkTo(d.drillId)}?group=${d.group}`}>{d.drill}</Link>
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {' '}
              {groups[d.group]}, {d.figure.label}, {count(d.resultsBefore, 'result')} before, {d.resultsAfter} after
            </Box>
            <div>{d.beside.text}</div>
          </Box>
        ))}
      </Box>
      {onOneSide > 0 && (
        <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
          {count(onOneSide, 'drill')} practised on one side only.
        </Typography>
      )}
      <Typography sx={{ mt: 1 }}>
        <b>Quality:</b> {quality.text}
      </Typography>
      <Typography>
        <b>Confidence:</b> {confidence.text}
      </Typography>
    </Box>
  );
}
