import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { domainNow, usePerson } from '../../app/signIn';
import {
  count,
  dayName,
  minutes,
  outcomes,
  painInWords,
  percent,
  statuses,
  strokesInWords,
  unwellFeelings,
  badWeather,
} from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { PhaseSign } from '../../ui/phases';
import { SessionStrip } from '../../ui/SessionStrip';
import { Loading, ErrorNotice } from '../../ui/states';
import { DrillResults } from './DrillResults';
import { useSessionView, type Session } from './queries';

/** A session afterwards: planned against done, and what the student said. */
export function SessionPage() {
  const { id = '' } = useParams();
  const isCoach = usePerson().role !== 'student';
  const view = useSessionView(id);
  if (view.isPending) return <Loading what="the session" />;
  if (view.error) return <ErrorNotice error={view.error} onRetry={() => void view.refetch()} />;
  const session = view.data;
  const { card } = session;
  return (
    <>
      <Box sx={{ mt: 3, mb: 2 }}>
        <Typography sx={{ color: 'text.secondary' }}>
          {isCoach ? (
            <Link to={`/students/${session.studentId}`}>{session.studentName}</Link>
          ) : (
            <Link to="/my-week">My week</Link>
          )}{' '}
          · {card.practisedOn ? dayName(card.practisedOn) : card.day ? dayName(card.day) : 'any day'} ·{' '}
          {statuses[card.status]}
        </Typography>
        <PageHeading>{card.title}</PageHeading>
        <Typography sx={{ mt: 0.5 }}>{card.purpose}</Typography>
        {card.keptAfterTakenOut && (
          <Typography sx={{ mt: 0.5, color: 'text.secondary' }}>
            It had been taken out of the week; what was practised is kept as{' '}
            {isCoach ? 'the student’s own' : 'your own'} practice.
          </Typography>
        )}
        {card.changedMeanwhile.length > 0 && (
          <Typography sx={{ mt: 0.5, color: 'text.secondary' }}>
            Practised as it was before {isCoach ? 'you' : 'your coach'} changed it. {card.changedMeanwhile.join(' ')}
          </Typography>
        )}
        {session.plan.successTest && (
          <Typography sx={{ color: 'text.secondary' }}>Success test: {session.plan.successTest}</Typography>
        )}
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, mb: 1 }}>
        {card.completion.fraction !== null && (
          <Typography data-testid="completion" sx={{ fontSize: 40, fontWeight: 620, lineHeight: 1 }}>
            {percent(card.completion.fraction)}
          </Typography>
        )}
        <Typography
          data-testid="done"
          sx={card.completion.fraction === null ? { fontSize: 22, fontWeight: 620 } : { color: 'text.secondary' }}
        >
          {card.completion.text}
        </Typography>
      </Box>
      <SessionStrip size="large" segments={card.strip} label="Planned and done" />
      <Segments session={session} />
      <DrillResults session={session} />
      {session.logs.length === 0 && (
        <Typography sx={{ mt: 3, color: 'text.secondary' }}>Nothing has been practised of it yet.</Typography>
      )}
      {session.logs.map((log) => (
        <Log key={log.id} log={log} hand={session.hand} />
      ))}
      {!isCoach &&
        session.logs.some((log) => log.mendableUntil !== null && Date.parse(log.mendableUntil) > domainNow()) && (
          <Button
            component={Link}
            to={`/practice/${card.assignmentId}#mend`}
            variant="outlined"
            sx={{ mt: 3, minHeight: 56, borderRadius: 28 }}
          >
            Add to it or put it right
          </Button>
        )}
    </>
  );
}

function Segments({ session }: { session: Session }) {
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        mt: 2,
        '& th, & td': {
          textAlign: 'left',
          py: 0.75,
          pr: { xs: 1, sm: 2 },
          borderBottom: '1px solid',
          borderColor: 'line',
        },
        '& thead': { fontSize: 14, color: 'text.secondary' },
      }}
    >
      <thead>
        <tr>
          <th>Segment</th>
          <th>Planned</th>
          <th>Done</th>
          <th>Share</th>
        </tr>
      </thead>
      <tbody>
        {session.segments.map((done) => {
          const planned = session.card.strip.find((s) => s.id === done.segmentId);
          if (!planned?.phase) return null;
          return (
            <tr key={done.segmentId} data-testid="segment-done">
              <td>
                <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
                  <PhaseSign phase={planned.phase} named size={18} /> {planned.title}
                </Box>
              </td>
              <td>
                {minutes(planned.minutes)}
                {planned.balls > 0 && `, ${count(planned.balls, 'ball')}`}
              </td>
              <td>{inWords(done)}</td>
              <td>{done.fraction === null ? 'left out' : percent(done.fraction)}</td>
            </tr>
          );
        })}
      </tbody>
    </Box>
  );
}

function inWords(done: Schemas['SegmentCompletion']): string {
  const parts = [
    done.outcome ? outcomes[done.outcome] : '',
    done.isReported ? 'reported without scores' : '',
    done.howMuchUnknown ? 'how much unknown' : '',
    done.balls === null ? '' : count(done.balls, 'ball'),
    done.seconds > 0 ? `${Math.floor(done.seconds / 60)}:${String(done.seconds % 60).padStart(2, '0')} min` : '',
  ].filter(Boolean);
  return parts.join(', ') || 'not begun';
}

const scales = [
  ['focus', 'Focus'],
  ['quality', 'Quality'],
  ['confidence', 'Confidence'],
  ['enjoyment', 'Enjoyment'],
  ['effort', 'Effort'],
] as const;

const recordings: Record<Schemas['Recording'], string> = {
  practice: '',
  lesson: ', in a lesson',
  paper: ', from paper',
  test: ', scored by the coach',
};

function Log({ log, hand }: { log: Schemas['LogView']; hand: Schemas['Hand'] }) {
  const { rating, pain } = log;
  return (
    <Box component="section" aria-label={`Log of ${dayName(log.day)}`} sx={{ mt: 3 }}>
      <Typography variant="h2">
        {dayName(log.day)}: {minutes(log.minutes)} practised, {strokesInWords(log.strokes)}
        {log.finishedAt === null && ', still under way'}
        {recordings[log.recording]}
      </Typography>
      {[
        log.devices > 1 && 'From two devices: of each segment the fuller one counts.',
        log.clockWasOff && 'The phone’s clock was off; its times were put right.',
        log.clockLeftRunning && 'A clock was left running; what was too long does not count.',
      ]
        .filter((line) => line !== false)
        .map((line) => (
          <Box key={line} sx={{ mt: 0.5, color: 'text.secondary' }}>
            {line}
          </Box>
        ))}
      {pain.map((p) => (
        <Box key={p.sequence} sx={{ mt: 1, pl: 1.5, borderLeft: '4px solid', borderColor: 'error.main' }}>
          Pain: {painInWords(p, hand)}
        </Box>
      ))}
      {log.unwell && (
        <Box sx={{ mt: 1, pl: 1.5, borderLeft: '4px solid', borderColor: 'error.main' }}>
          Felt {unwellFeelings[log.unwell].toLowerCase()}
        </Box>
      )}
      {log.weather && <Box sx={{ mt: 1 }}>{badWeather[log.weather]} ended this session.</Box>}
      {log.mendedPain.map(({ first, now }) => (
        <Box key={first.sequence} sx={{ mt: 0.5, color: 'text.secondary' }}>
          First told as {painInWords(first, hand)}; {now ? 'put right since' : 'taken back since: nothing hurt'}
        </Box>
      ))}
      {log.ready && (
        <Box sx={{ mt: 0.5, color: 'text.secondary' }}>
          Came{' '}
          {[
            log.ready.nerves ? `with nerves of ${log.ready.nerves} of 10` : '',
            log.ready.minutesAtHand ? `with ${minutes(log.ready.minutesAtHand)}` : '',
            log.ready.ballsAtHand !== null && log.ready.ballsAtHand !== undefined
              ? `with ${count(log.ready.ballsAtHand, 'ball')}`
              : '',
          ]
            .filter(Boolean)
            .join(', ')}
        </Box>
      )}
      {log.agreed && (
        <Box sx={{ mt: 1, pl: 1.5, borderLeft: '4px solid', borderColor: 'line' }}>
          {log.agreed.checkpoint && <div>Checkpoint: {log.agreed.checkpoint}</div>}
          {log.agreed.homework && (
            <div>
              Homework: {log.agreed.homework.title}, {minutes(log.agreed.homework.minutes)}
              {log.agreed.homework.instruction && `. ${log.agreed.homework.instruction}`}
            </div>
          )}
          {log.agreed.notes && <div>{log.agreed.notes}</div>}
        </Box>
      )}
      {log.endedByPain && <Box sx={{ mt: 0.5 }}>Pain ended this session. Segments not begun count for nothing.</Box>}
      {rating && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: { xs: 2, sm: 4 }, mt: 1.5 }}>
          {scales.map(([key, name]) => (
            <Dots key={key} name={name} value={rating[key] ?? null} />
          ))}
          <Box>
            <Box sx={{ fontSize: 14, color: 'text.secondary' }}>Purpose</Box>
            <b>
              {rating.purposeMet === null || rating.purposeMet === undefined
                ? 'not said'
                : rating.purposeMet
                  ? 'met'
                  : 'not yet'}
            </b>
          </Box>
        </Box>
      )}
      {log.ratedAfterwards && <Box sx={{ mt: 0.5, color: 'text.secondary' }}>Said or changed after the session.</Box>}
      {rating?.note && (
        <Box
          component="blockquote"
          sx={{ m: 0, mt: 2, pl: 2, borderLeft: '4px solid', borderColor: 'line', fontSize: 18 }}
        >
          {rating.note}
        </Box>
      )}
    </Box>
  );
}

/** A rating as ten dots, filled up to it. */
function Dots({ name, value }: { name: string; value: number | null }) {
  return (
    <Box role="img" aria-label={`${name}: ${value === null ? 'not answered' : `${value} of 10`}`}>
      <Box sx={{ fontSize: 14, color: 'text.secondary' }}>{name}</Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <svg width="84" height="10" aria-hidden>
          {Array.from({ length: 10 }, (_, i) => (
            <circle
              key={i}
              cx={5 + i * 8.2}
              cy="5"
              r="3.2"
              fill={value !== null && i < value ? '#1e3b30' : 'none'}
              stroke="#1e3b30"
              strokeWidth="1"
            />
          ))}
        </svg>
        <b>{value ?? '–'}</b>
      </Box>
    </Box>
  );
}
