import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { reviewKeys, weekViews } from '../../api/queryKeys';
import { showAnswer } from '../../api/showAnswer';
import { useKeys } from '../../app/keys';
import { areas, dayName, minutes, statuses } from '../../ui/format';
import { OpenPainList } from '../../ui/OpenPainList';
import { SessionStrip } from '../../ui/SessionStrip';
import { ErrorNotice, Key, Loading } from '../../ui/states';
import { LookFirst } from './LookFirst';
import { OtherChange } from './OtherChange';
import { Suggestions } from './Suggestions';
import { Word } from './Word';

type StopView = Schemas['StopView'];
type Decided = Schemas['DecidedSuggestion'];

/** What changes something in the next week, or would. */
const asksFor = (d: Decided) => d.suggestion.change.kind !== 'hold';

/** One stop: what happened, what was said, what is suggested, the word, and the next week with the changes in. */
export function Stop({ studentId, onSeen }: { studentId: string; onSeen: (score: number) => void }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const path = { studentId };
  const stop = useQuery({
    queryKey: reviewKeys.stop(studentId),
    queryFn: () => answer(api.GET('/api/review/stops/{studentId}', { params: { path } })),
  });
  const [chosen, setChosen] = useState(0);
  const [other, setOther] = useState<Decided>();
  const word = useRef<HTMLInputElement>(null);
  const decide = useMutation({
    mutationFn: (body: Schemas['DecisionInput']) =>
      answer(api.PUT('/api/review/stops/{studentId}/decision', { params: { path }, body })),
    onSuccess: (view) => showAnswer(queries, reviewKeys.stop(studentId), view),
  });
  const publish = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/review/stops/{studentId}/publish', {
          params: { path },
          body: { week: stop.data?.planned ?? '' },
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: reviewKeys.stop(studentId) });
      await Promise.all(weekViews.map((queryKey) => queries.invalidateQueries({ queryKey })));
    },
  });
  const view = stop.data;
  const open = view?.suggestions ?? [];
  // The student has the planned week already.
  const isPublished = view !== undefined && view.next.length > 0 && view.next.every((n) => n.isPublished);
  const take = (at: number, decision: Schemas['Decision'] | null, change?: Schemas['WeekChange']) => {
    const one = open[at];
    if (!one || !view) return;
    if (isPublished && decision !== null && decision !== 'left') return;
    decide.mutate({
      week: view.planned,
      suggestionId: one.suggestion.id,
      decision,
      change: decision === 'left' || decision === null ? null : (change ?? one.suggestion.change),
    });
    // On to the next that asks for something and is not decided.
    const next = open.findIndex((d, i) => i > at && d.decision === null && asksFor(d));
    if (decision !== null && next >= 0) setChosen(next);
  };
  const canPublish =
    view !== undefined && view.next.some((s) => !s.isPublished) && !publish.isPending && !publish.isSuccess;
  useKeys({
    ArrowDown: () => setChosen((i) => Math.min(open.length - 1, i + 1)),
    ArrowUp: () => setChosen((i) => Math.max(0, i - 1)),
    t: () => take(chosen, 'taken'),
    l: () => take(chosen, 'left'),
    u: () => take(chosen, null),
    o: () => !isPublished && setOther(open[chosen]),
    w: () => word.current?.focus(),
    p: () => canPublish && publish.mutate(),
    n: () => view && onSeen(view.looked.attention.score ?? 0),
    Enter: () => view && onSeen(view.looked.attention.score ?? 0),
    s: () => void navigate(`/students/${studentId}`),
  });
  if (stop.isPending) return <Loading what="the stop" />;
  if (stop.error) return <ErrorNotice error={stop.error} onRetry={() => void stop.refetch()} />;
  if (!view) return null;
  return (
    <>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1.15fr)' },
          columnGap: 5,
          rowGap: 3,
        }}
      >
        <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 3, alignContent: 'start' }}>
          <Box>
            <OpenPainList pains={view.looked.openPain} />
            <LookFirst looked={view.looked} />
            {view.goal && view.looked.attention.reasons.every((r) => r.reason !== 'goalMet') && (
              <Typography sx={{ mt: -1.5 }}>{view.goal}</Typography>
            )}
          </Box>
          <Happened view={view} />
          <Said view={view} />
        </Box>
        <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 3, alignContent: 'start' }}>
          <Suggestions
            isPublished={isPublished}
            decided={open}
            chosen={chosen}
            isBusy={decide.isPending}
            onChoose={setChosen}
            onDecide={take}
            onOther={setOther}
          />
          {decide.error && <ErrorNotice error={decide.error} onRetry={() => decide.mutate(decide.variables)} />}
          <Word key={view.word.week} studentId={studentId} word={view.word} box={word} />
          <Next view={view} />
          {publish.error && <NotPublished error={publish.error} studentId={studentId} week={view.planned} />}
          <Box
            sx={{
              display: 'flex',
              gap: 1.5,
              flexWrap: 'wrap',
              position: 'sticky',
              bottom: 0,
              py: 1,
              bgcolor: 'background.default',
              borderTop: '1px solid',
              borderColor: 'line',
            }}
          >
            <Button variant="contained" disabled={!canPublish} onClick={() => publish.mutate()}>
              {publish.isPending ? 'Publishing …' : 'Publish the next week'}
              <Key>p</Key>
            </Button>
            <Button variant="outlined" onClick={() => onSeen(view.looked.attention.score ?? 0)}>
              Seen, next
              <Key>Enter</Key>
            </Button>
            <Button component={Link} to={`/students/${studentId}`}>
              Open
              <Key>s</Key>
            </Button>
          </Box>
        </Box>
      </Box>
      {other && (
        <OtherChange
          decided={other}
          onTake={(change) => {
            take(open.indexOf(other), 'other', change);
            setOther(undefined);
          }}
          onClose={() => setOther(undefined)}
        />
      )}
    </>
  );
}

/** The sessions of the week that is judged. */
function Happened({ view }: { view: StopView }) {
  return (
    <Box component="section" aria-label="What happened">
      <Typography variant="h2">What happened</Typography>
      {view.sessions.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>Nothing was set in that week.</Typography>
      )}
      <Box sx={{ display: 'grid', gap: 1.25, mt: 1 }}>
        {view.sessions.map((session) => (
          <Box
            key={session.assignmentId}
            sx={{ display: 'grid', gridTemplateColumns: '92px minmax(0, 1fr)', gap: 1.5, alignItems: 'end' }}
          >
            <Typography variant="body2">
              {session.day ? dayName(session.day) : 'Any day'}
              <Box component="span" sx={{ display: 'block', color: 'text.secondary' }}>
                {statuses[session.status]}
              </Box>
            </Typography>
            <Box>
              <Link to={`/sessions/${session.assignmentId}`}>{session.title}</Link>
              {session.hasLog && (
                <Box component="span" sx={{ display: 'block', color: 'text.secondary', fontSize: 15 }}>
                  {session.completion.text}
                </Box>
              )}
              <SessionStrip segments={session.strip} label={session.title} />
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const ratingsInWords = (rating: Schemas['SessionRated']) =>
  [
    ['focus', rating.focus],
    ['quality', rating.quality],
    ['confidence', rating.confidence],
    ['enjoyment', rating.enjoyment],
    ['effort', rating.effort],
  ]
    .filter(([, n]) => n != null)
    .map(([name, n]) => `${name} ${n}`)
    .join(', ');

/** What the student said: the note in full, how they came, how they rated it. */
function Said({ view }: { view: StopView }) {
  return (
    <Box component="section" aria-label="What was said">
      <Typography variant="h2">What was said</Typography>
      {view.ahead && <Typography sx={{ fontWeight: 620 }}>{view.ahead}</Typography>}
      {view.debriefed && <Debriefed studentId={view.looked.student.id} competition={view.debriefed} />}
      {view.said.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>Nothing was rated or written in the last fortnight.</Typography>
      )}
      {view.said.map((s) => (
        <Box key={s.assignmentId + s.day} sx={{ mt: 1 }}>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            <Link to={`/sessions/${s.assignmentId}`}>{dayName(s.day)}</Link>
            {s.rating && ` · ${ratingsInWords(s.rating)}`}
            {s.nerves != null && ` · came with nerves ${s.nerves} of 10`}
            {s.rating?.purposeMet != null && ` · purpose ${s.rating.purposeMet ? 'met' : 'not met'}`}
          </Typography>
          {s.note && <Typography sx={{ pl: 1.5, borderLeft: '3px solid', borderColor: 'line' }}>{s.note}</Typography>}
        </Box>
      ))}
    </Box>
  );
}

/** What the last competition showed, as it was said. */
function Debriefed({ studentId, competition }: { studentId: string; competition: Schemas['Competition'] }) {
  const { id, name, held = [], didNotHold = [], debrief } = competition;
  const named = (of: readonly Schemas['Area'][]) => of.map((a) => areas[a].toLowerCase()).join(', ');
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        <Link to={`/students/${studentId}/competitions/${id}`}>{name}</Link>
        {held.length > 0 && ` · held: ${named(held)}`}
        {didNotHold.length > 0 && ` · did not hold: ${named(didNotHold)}`}
      </Typography>
      {debrief && <Typography sx={{ pl: 1.5, borderLeft: '3px solid', borderColor: 'line' }}>{debrief}</Typography>}
    </Box>
  );
}

/** The next week as it would be published, each change named. */
function Next({ view }: { view: StopView }) {
  return (
    <Box component="section" aria-label="Next week">
      <Typography variant="h2">Week from {dayName(view.plannedMonday).slice(4)}</Typography>
      {view.next.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing to go on from. <Link to={`/week?week=${view.planned}`}>Set the week</Link>
        </Typography>
      )}
      <Box sx={{ display: 'grid', gap: 1.25, mt: 1 }}>
        {view.next.map((session) => (
          <Box
            key={session.assignmentId}
            sx={{ display: 'grid', gridTemplateColumns: '92px minmax(0, 1fr)', gap: 1.5, alignItems: 'end' }}
          >
            <Typography variant="body2">
              {session.day ? dayName(session.day) : 'Any day'}
              <Box component="span" sx={{ display: 'block', color: 'text.secondary' }}>
                {session.isPublished ? 'published' : minutes(session.minutes)}
              </Box>
            </Typography>
            <Box>
              {session.title}
              {session.changes.map((text) => (
                <Box key={text} sx={{ fontSize: 14, fontWeight: 620 }}>
                  {text}
                </Box>
              ))}
              <SessionStrip size="small" segments={session.strip} label={session.title} />
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** What keeps the week, each thing once, and where it is mended. */
function NotPublished({ error, studentId, week }: { error: Error; studentId: string; week: string }) {
  return (
    <Box>
      <ErrorNotice error={error} />
      {error instanceof Problem && (
        <Typography variant="body2">
          The changes are kept as drafts.{' '}
          <Link to={`/week?student=${studentId}&week=${week}`}>Mend it in the week</Link>
        </Typography>
      )}
    </Box>
  );
}
