import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { progressKeys } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { count, dayName, daysBetween, minutes, percent } from '../../ui/format';
import { Choice } from '../../ui/Field';
import { PageHeading } from '../../ui/PageHeading';
import { ErrorNotice, Loading } from '../../ui/states';
import { TimePlot } from '../../ui/TimePlot';
import { bandOf, curveInWords, groups, scaleOfCurve } from './Curves';
import { GoalPath } from './GoalPath';

const spans = [4, 8, 12, 26, 52].map((weeks) => ({ value: String(weeks), label: `the last ${weeks} weeks` }));

/** The most curves that a page on paper holds. */
const shown = 4;

/**
 * A report for a student or a parent, to be read or printed: what was done, where the goal stands, what was practised and how it
 * felt, in plain words. It is made of what the student can read, so that nothing of others and nothing of the coach's own
 * stands in it.
 */
export function ReportPage() {
  const { id } = useParams();
  const person = usePerson();
  const studentId = id ?? person.studentId ?? '';
  const [weeks, setWeeks] = useState('12');
  const progress = useQuery({
    queryKey: progressKeys.span(studentId, Number(weeks)),
    queryFn: () =>
      answer(
        api.GET('/api/progress/{studentId}', { params: { path: { studentId }, query: { weeks: Number(weeks) } } }),
      ),
    placeholderData: (before) => before,
  });
  if (progress.isPending) return <Loading what="the report" />;
  if (progress.error) return <ErrorNotice error={progress.error} onRetry={() => void progress.refetch()} />;
  return (
    <>
      <Box className="no-print" sx={{ display: 'flex', gap: 2, alignItems: 'flex-end', mt: 3, flexWrap: 'wrap' }}>
        <Link to={id ? `/students/${id}` : '/my-progress'}>Back</Link>
        <a href={`/api/exports/students/${studentId}`} download="everything.json">
          Everything as JSON
        </a>
        <Box sx={{ ml: 'auto', minWidth: 200 }}>
          <Choice label="Over" value={weeks} options={spans} onChange={setWeeks} />
        </Box>
        <Button variant="contained" onClick={() => window.print()} sx={{ minHeight: 44 }}>
          Print
        </Button>
      </Box>
      <Report progress={progress.data} />
    </>
  );
}

function Report({ progress }: { progress: Schemas['ProgressView'] }) {
  const { weeks, sessions, today, curves, ratings, competitions, checkpoint } = progress;
  const from = weeks[0]?.monday ?? today;
  const within = competitions.filter((c) => c.firstDay >= from);
  const practised = weeks.reduce((sum, w) => sum + w.minutesPractised, 0);
  const planned = weeks.reduce((sum, w) => sum + w.completion.plannedMinutes, 0);
  const done = weeks.reduce((sum, w) => sum + w.completion.doneMinutes, 0);
  const pains = sessions.filter((s) => s.pain !== null);
  const worst = Math.max(0, ...pains.map((s) => s.pain ?? 0));
  return (
    <Box component="article" sx={{ maxWidth: 760, mt: 2, '& section': { breakInside: 'avoid' } }}>
      <PageHeading>{progress.studentName}</PageHeading>
      <Typography sx={{ color: 'text.secondary', mb: 2 }}>
        {dayName(from).slice(4)} to {dayName(today).slice(4)}
      </Typography>
      <Box component="section" aria-label="What was done" sx={{ mb: 3 }}>
        <Typography variant="h2">What was done</Typography>
        <Typography>
          {count(sessions.length, 'session')} in {weeks.length} weeks, {minutes(practised)} of practice
          {planned > 0 && `; ${percent(done / planned)} of what was set`}.
          {pains.length > 0 && ` Pain was told of in ${count(pains.length, 'session')}, ${worst} of 10 at the most.`}
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Most time went into{' '}
          {[...progress.minutes.areas]
            .sort((a, b) => b.minutes - a.minutes)
            .slice(0, 3)
            .map((a) => `${a.kind} (${minutes(a.minutes)})`)
            .join(', ') || 'nothing that was named'}
          .
        </Typography>
      </Box>
      <GoalPath progress={progress} />
      {curves.length > 0 && (
        <Box component="section" aria-label="What was practised" sx={{ mb: 3 }}>
          <Typography variant="h2">What was practised{weeks.length > 12 && ' in the last twelve weeks'}</Typography>
          {curves.slice(0, shown).map((curve) => (
            <Box key={`${curve.drillId} ${curve.group}`} sx={{ mt: 1.5, breakInside: 'avoid' }}>
              <Typography variant="h3">
                {curve.drill}, {groups[curve.group]}
              </Typography>
              <TimePlot
                label={curveInWords(curve)}
                from={curve.dots[0]?.day ?? from}
                to={today}
                {...scaleOfCurve(curve)}
                dots={curve.dots}
                {...(bandOf(curve) && { band: bandOf(curve) ?? { least: null, most: null } })}
                height={70}
              />
              <Typography variant="body2">
                {curve.trend.text} {curve.best?.text}
              </Typography>
            </Box>
          ))}
        </Box>
      )}
      <Box component="section" aria-label="How it felt" sx={{ mb: 3 }}>
        <Typography variant="h2">How it felt</Typography>
        {ratings
          .filter((r) => r.change.now !== null)
          .map((r) => (
            <Typography key={r.kind}>
              <b>{r.kind.charAt(0).toUpperCase() + r.kind.slice(1)}:</b> {r.change.text}
            </Typography>
          ))}
        {ratings.every((r) => r.change.now === null) && (
          <Typography>Nothing was rated in the last four weeks.</Typography>
        )}
      </Box>
      {(within.length > 0 || checkpoint) && (
        <Box component="section" aria-label="What comes" sx={{ mb: 3 }}>
          <Typography variant="h2">Competitions and lessons</Typography>
          {within.map((c) => (
            <Typography key={c.id}>
              {c.name}, {dayName(c.firstDay)}
              {c.lastDay !== c.firstDay && ` to ${dayName(c.lastDay)}`}
              {c.firstDay > today && ` (${count(daysBetween(today, c.firstDay), 'day')} away)`}
            </Typography>
          ))}
          {checkpoint && (
            <Typography>
              To look at first, from the lesson of {dayName(checkpoint.day)}: {checkpoint.text}
            </Typography>
          )}
        </Box>
      )}
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        “Somewhere from … to …” is where a figure lies with 95&nbsp;% confidence: few attempts say little. Coaching is
        not medicine; what hurts belongs to a doctor or physiotherapist.
      </Typography>
    </Box>
  );
}
