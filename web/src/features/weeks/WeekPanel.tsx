import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { usePerson } from '../../app/signIn';
import type { Schemas } from '../../api/client';
import { count, dayName, dueInWords, percent, plusDays, weekday } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import { OpenPainList } from '../../ui/OpenPainList';
import { Loading, ErrorNotice } from '../../ui/states';
import { usePublish, useWeek, type Card, type Week } from './queries';
import { SessionTile } from './SessionTile';

const PlaceDialog = onDemand(() => import('./PlaceDialog').then((m) => m.PlaceDialog));

/** A student's week on the coach's desk: seven days and "any day", what is set, and what was done of it. */
export function WeekPanel({ studentId }: { studentId: string }) {
  const today = usePerson();
  const [week, setWeek] = useState(today.week);
  const view = useWeek(studentId, week);
  const publish = usePublish(week);
  const [placing, setPlacing] = useState<{ day: string | null } | Card>();
  const drafts = view.data?.sessions.filter((s) => !s.isPublished).length ?? 0;

  return (
    <Box component="section" aria-label="Week" sx={{ mb: 4 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, flexWrap: 'wrap', mb: 1.5 }}>
        <Typography variant="h2">{view.data ? titleOf(view.data, today.week) : 'Week'}</Typography>
        {view.data && view.data.completion.fraction !== null && (
          <Typography data-testid="week-completion" sx={{ color: 'text.secondary' }}>
            {percent(view.data.completion.fraction)} done: {Math.round(view.data.completion.doneMinutes)} of{' '}
            {view.data.completion.plannedMinutes} min
            {week === today.week && dueInWords(view.data.completion) && `. ${dueInWords(view.data.completion)}`}
          </Typography>
        )}
        <Box className="no-print" sx={{ ml: 'auto', display: 'flex', gap: 0.5, alignItems: 'center' }}>
          <Button disabled={!view.data} onClick={() => view.data && setWeek(view.data.previous)}>
            Week before
          </Button>
          {week !== today.week && <Button onClick={() => setWeek(today.week)}>This week</Button>}
          <Button disabled={!view.data} onClick={() => view.data && setWeek(view.data.next)}>
            Week after
          </Button>
          <Button component={Link} to={`/print?week=${week}&students=${studentId}`}>
            Print
          </Button>
          <Button variant="outlined" disabled={!view.data} onClick={() => setPlacing({ day: null })}>
            Put a plan in
          </Button>
          {drafts > 0 && (
            <Button
              variant="contained"
              color="secondary"
              disabled={publish.isPending}
              onClick={() => publish.mutate([studentId])}
            >
              Publish {count(drafts, 'draft')}
            </Button>
          )}
        </Box>
      </Box>
      {publish.error && <ErrorNotice error={publish.error} />}
      {publish.data?.some((w) => w.notPublished.length > 0) && (
        <KeptBack kept={publish.data.flatMap((w) => w.notPublished)} />
      )}
      {view.data?.checkpoint && (
        <Typography sx={{ mb: 1 }}>
          Look first at: <b>{view.data.checkpoint.text}</b> (agreed on {dayName(view.data.checkpoint.day)})
        </Typography>
      )}
      <OpenPainList pains={view.data?.openPain ?? []} />
      {view.isPending && <Loading what="the week" />}
      {view.error && <ErrorNotice error={view.error} onRetry={() => void view.refetch()} />}
      {view.data && <Days week={view.data} onPlace={setPlacing} />}
      {placing && view.data && <PlaceDialog week={view.data} placing={placing} onClose={() => setPlacing(undefined)} />}
    </Box>
  );
}

/** What was not published, session by session, each thing once. */
function KeptBack({ kept }: { kept: Schemas['NotPublished'][] }) {
  const sessions = [...new Set(kept.map((k) => k.assignmentId))];
  return (
    <Box role="alert" sx={{ mb: 1.5, pl: 2, borderLeft: '4px solid', borderColor: 'error.main', maxWidth: 720 }}>
      <Box sx={{ fontWeight: 620 }}>The rest is published. Still drafts:</Box>
      {sessions.map((id) => {
        const things = kept.filter((k) => k.assignmentId === id);
        return (
          <Box key={id} sx={{ mt: 0.5 }}>
            <b>{things[0]?.title}</b>
            {things[0]?.day && `, ${dayName(things[0].day)}`}
            {things.map((k) => (
              <div key={`${k.path} ${k.why}`}>
                {k.segment && `“${k.segment}”: `}
                {k.why}
              </div>
            ))}
          </Box>
        );
      })}
    </Box>
  );
}

function titleOf(week: Week, thisWeek: string): string {
  const span = `${dayName(week.monday).slice(4)} to ${dayName(plusDays(week.monday, 6)).slice(4)}`;
  return week.week === thisWeek ? `This week, ${span}` : span;
}

function Days({ week, onPlace }: { week: Week; onPlace: (placing: { day: string | null } | Card) => void }) {
  const days = Array.from({ length: 7 }, (_, i) => plusDays(week.monday, i));
  const anyDay = week.sessions.filter((s) => s.day === null);
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: 'repeat(8, minmax(0, 1fr))' },
        borderTop: '1px solid',
        borderColor: 'line',
      }}
    >
      {[...days, null].map((day) => {
        const isToday = day === week.today;
        const sessions = day === null ? anyDay : week.sessions.filter((s) => s.day === day);
        const name = day === null ? 'Any day' : weekday(day);
        return (
          <Box
            key={name}
            sx={{
              p: 1,
              minHeight: { md: 150 },
              borderLeft: { md: day === days[0] ? 0 : '1px solid' },
              borderBottom: { xs: '1px solid', md: 0 },
              borderColor: { xs: 'line', md: 'line' },
              boxShadow: (theme) => (isToday ? `inset 0 3px 0 ${theme.palette.text.primary}` : 'none'),
            }}
          >
            <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 0.75 }}>
              <Typography component="h3" sx={{ fontSize: 15, fontWeight: isToday ? 700 : 600 }}>
                {name}
              </Typography>
              <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                {day?.slice(8)}
                {isToday && ' today'}
              </Typography>
              <Box
                component="button"
                type="button"
                className="no-print"
                aria-label={`Put a plan on ${name}`}
                onClick={() => onPlace({ day })}
                sx={{
                  ml: 'auto',
                  border: 0,
                  background: 'none',
                  cursor: 'pointer',
                  fontSize: 20,
                  lineHeight: 1,
                  width: 28,
                  height: 28,
                  color: 'text.secondary',
                  borderRadius: '50%',
                  '&:hover': { bgcolor: 'rgba(30,59,48,.1)' },
                }}
              >
                +
              </Box>
            </Box>
            {sessions.map((session) => (
              <SessionTile key={session.assignmentId} card={session} onMove={() => onPlace(session)} />
            ))}
          </Box>
        );
      })}
    </Box>
  );
}
