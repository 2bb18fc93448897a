import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { useKeptApplication } from '../../app/offline';
import { usePerson } from '../../app/signIn';
import {
  count,
  dayName,
  dueInWords,
  excuses,
  heardAt,
  minutes,
  percent,
  plusDays,
  requirements,
  statuses,
} from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, Loading, ErrorNotice } from '../../ui/states';
import { useLiveQuery } from 'dexie-react-hooks';
import { orNothing, deviceStore } from '../../app/deviceStore';
import { useKeepSessions } from '../sessions/queries';
import { Unsent } from '../sessions/Unsent';
import { ProgrammeLine } from '../programmes/ProgrammeLine';
import { AboutSession } from './AboutSession';
import { WeekWord } from './WeekWord';
import { useKeepWarmUps, useKeepWeek, useLooked, useMyWeek, useRefreshWhenSent, type Card } from './queries';

/** The student's week: what to practise, today first. */
export function MyWeekPage() {
  const person = usePerson();
  const [chosen, setChosen] = useState<string>();
  // On Monday the new week stands there, unless another one was asked for.
  const week = chosen ?? person.week;
  const here = useLogsHere();
  const view = useMyWeek(person.studentId ?? '', week);
  // Next week is kept as this one is, so that Monday needs no signal.
  const isThisWeek = week === person.week;
  const nextWeek = useKeepWeek(person.studentId ?? '', isThisWeek ? view.data?.next : undefined);
  const { isHere } = useKeptApplication();
  const areKept = useKeepSessions(
    isThisWeek
      ? [...(view.data?.sessions ?? []), ...(nextWeek?.sessions ?? [])].filter(canPractise).map((s) => s.assignmentId)
      : [],
  );
  useRefreshWhenSent();
  useKeepWarmUps(person.studentId ?? '');
  if (view.isPending) return <Loading what="your week" />;
  if (!view.data)
    return (
      <ErrorNotice
        error={view.error ?? new Error('This week is not on this phone yet.')}
        onRetry={() => void view.refetch()}
      />
    );
  const { sessions, completion, previous, next, openPain, programmes } = view.data;
  return (
    <>
      <PageHeading sx={{ mt: 2 }}>
        {isThisWeek
          ? 'My week'
          : `${dayName(view.data.monday).slice(4)} to ${dayName(plusDays(view.data.monday, 6)).slice(4)}`}
      </PageHeading>
      {completion.fraction !== null && (
        <Typography sx={{ color: 'text.secondary' }}>
          {percent(completion.fraction)} done: {completion.text}
          {isThisWeek && dueInWords(completion) && `. ${dueInWords(completion)}`}
        </Typography>
      )}
      {view.asOf !== undefined && (
        <Typography role="status" sx={{ mt: 0.5, fontSize: 15 }}>
          No connection. This is the week as it was on {heardAt(view.asOf)}.
        </Typography>
      )}
      {isThisWeek && isHere && areKept && nextWeek !== undefined && view.asOf === undefined && (
        <Typography data-testid="ready" sx={{ mt: 0.5, fontSize: 15, color: 'text.secondary' }}>
          Ready without a signal.
        </Typography>
      )}
      {openPain.length > 0 && (
        <Typography sx={{ mt: 1, fontSize: 15 }}>
          Still counts: {openPain.map((p) => `${p.text}, told on ${dayName(p.lastOn)}`).join('; ')}. The next session
          asks how it is.
        </Typography>
      )}
      {programmes.map((standing) => (
        <Box key={standing.runId} sx={{ mt: 1 }}>
          <ProgrammeLine standing={standing} />
        </Box>
      ))}
      <Unsent />
      <Changed week={view.data.week} sessions={sessions} />
      {sessions.length === 0 && (
        <Box sx={{ mt: 3 }}>
          <Empty title="Nothing is set for this week">Your coach has not published anything for it yet.</Empty>
        </Box>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, mt: 2 }}>
        {inOrder(sessions, person.today).map((session) => (
          <SessionItem
            key={session.assignmentId}
            session={session}
            today={person.today}
            here={here?.get(session.assignmentId)}
            days={view.data?.canMove.find((m) => m.assignmentId === session.assignmentId)?.days ?? []}
          />
        ))}
      </Box>
      <WeekWord key={view.data.week} studentId={person.studentId ?? ''} week={view.data.week} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 2 }}>
        <Button component={Link} to="/warm-up" variant="outlined" sx={{ minHeight: 56, borderRadius: 28 }}>
          Warm-up
        </Button>
        <Button component={Link} to="/practice/new" variant="outlined" sx={{ minHeight: 56, borderRadius: 28 }}>
          Practice of my own
        </Button>
        <Button component={Link} to={`/print?week=${view.data.week}`} sx={{ minHeight: 56 }}>
          Print
        </Button>
        <Button component={Link} to="/reminders" sx={{ minHeight: 56 }}>
          Mail and calendar
        </Button>
      </Box>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', mt: 3 }}>
        <Button onClick={() => setChosen(previous)} sx={{ minHeight: 56 }}>
          Week before
        </Button>
        <Button onClick={() => setChosen(next)} sx={{ minHeight: 56 }}>
          Week after
        </Button>
      </Box>
    </>
  );
}

/** What the coach changed since the student last looked, until they say that they have seen it. */
function Changed({ week, sessions }: { week: string; sessions: readonly Card[] }) {
  const looked = useLooked(week);
  const changes = sessions.flatMap((s) => s.unseen.map((change) => ({ title: s.title, change })));
  if (changes.length === 0) return null;
  return (
    <Box role="status" sx={{ mt: 1.5, pl: 1.5, borderLeft: '4px solid', borderColor: 'secondary.main' }}>
      {changes.map(({ title, change }, i) => (
        <div key={i}>
          “{title}” {changeInWords(change)}
        </div>
      ))}
      <Button onClick={() => looked.mutate(undefined)} disabled={looked.isPending} sx={{ minHeight: 56, ml: -1.25 }}>
        Seen
      </Button>
    </Box>
  );
}

function changeInWords({ kind, from, to }: Card['unseen'][number]): string {
  const named = (day: string | null) => (day === null ? 'any day' : dayName(day));
  switch (kind) {
    case 'moved':
      return `was moved from ${named(from)} to ${named(to)}.`;
    case 'text':
      return 'holds something else now.';
    case 'requirement':
      return 'counts otherwise now.';
  }
}

/** Today and what is under way first, then what is to come, then what is behind. */
function inOrder(sessions: Card[], today: string): Card[] {
  const rank = (s: Card) => {
    if (s.status === 'underWay') return 0;
    if (s.status === 'open') return s.day === today ? 1 : s.day === null ? 2 : 3;
    return 4;
  };
  return [...sessions].sort((a, b) => rank(a) - rank(b));
}

const canPractise = ({ status }: Card) => status === 'open' || status === 'underWay' || status === 'missed';

/** What this device knows of its own logs that the server may not know yet. */
interface Here {
  isFinished: boolean;
  unsent: number;
}

function useLogsHere() {
  const { accountId } = usePerson();
  return useLiveQuery(async () => {
    const logs = (await orNothing(deviceStore.logs.where({ accountId }).toArray())) ?? [];
    return new Map<string, Here>(
      logs
        .filter((log) => log.count > 0)
        .map((log) => [log.assignmentId, { isFinished: log.isFinished, unsent: log.count - log.sent }]),
    );
  }, [accountId]);
}

interface ItemProps {
  session: Card;
  today: string;
  here: Here | undefined;
  /** The days it can be moved to. */
  days: readonly string[];
}

function SessionItem({ session, today, here, days }: ItemProps) {
  // What was finished here is not to come, whatever the server has heard of it.
  const isOverHere = here?.isFinished === true && here.unsent > 0;
  const isUnderWayHere = here?.isFinished === false;
  const isToDo = canPractise(session) && !isOverHere;
  const when = session.day === null ? 'Any day' : session.day === today ? 'Today' : dayName(session.day);
  return (
    <Box component="li" sx={{ py: 2.5, borderBottom: '1px solid', borderColor: 'line' }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', color: 'text.secondary', fontSize: 15 }}>
        <Box component="span" sx={{ fontWeight: 650 }}>
          {when}
        </Box>
        {session.isLesson ? (
          <span>lesson</span>
        ) : (
          session.requirement !== 'must' && <span>{requirements[session.requirement].toLowerCase()}</span>
        )}
        {session.keptAfterTakenOut && <span>had been taken out by your coach</span>}
        {session.changedAfterPublishing && <span>changed since it was set</span>}
        {session.saidNoTime && <span>no time, you said</span>}
        <Box component="span" sx={{ ml: 'auto' }}>
          {isOverHere
            ? 'done here, not sent yet'
            : session.status === 'stopped'
              ? session.completion.text
              : session.excuse
                ? `excused: ${excuses[session.excuse].toLowerCase()}`
                : statuses[session.status]}
          {!isOverHere &&
            session.hasLog &&
            session.status !== 'underWay' &&
            session.completion.fraction !== null &&
            ` ${percent(session.completion.fraction)}`}
        </Box>
      </Box>
      <Typography variant="h2" sx={{ mt: 0.5 }}>
        {session.title}
      </Typography>
      <Typography sx={{ mt: 0.5, mb: 1.5 }}>{session.purpose}</Typography>
      <SessionStrip segments={session.strip} label={session.title} />
      <Box sx={{ display: 'flex', alignItems: 'center', mt: 1.5, gap: 2 }}>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {minutes(session.minutes)}
          {session.balls > 0 && `, ${count(session.balls, 'ball')}`}
        </Typography>
        <Button
          component={Link}
          to={isToDo || isOverHere ? `/practice/${session.assignmentId}` : `/sessions/${session.assignmentId}`}
          variant={isToDo ? 'contained' : 'outlined'}
          sx={{ ml: 'auto', minHeight: 56, borderRadius: 28, px: 4 }}
        >
          {session.status === 'underWay' || (isUnderWayHere && isToDo) ? 'Go on' : isToDo ? 'Practise' : 'Look back'}
        </Button>
      </Box>
      {!session.hasLog && !here && session.requirement !== 'own' && (
        <AboutSession card={session} days={days} isOpen={isToDo || session.status === 'excused'} />
      )}
    </Box>
  );
}
