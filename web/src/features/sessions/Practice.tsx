import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { count, minutes } from '../../ui/format';
import { PhaseSign } from '../../ui/phases';
import { SessionStrip } from '../../ui/SessionStrip';
import { planFrom } from '../plans/draft';
import { stateOf, type Entry } from './log';
import { PainDialog } from './PainDialog';
import { Readiness, type Ready } from './Readiness';
import type { Session } from './queries';
import { RatingForm } from './RatingForm';
import { SegmentRun } from './SegmentRun';
import { useRunningLog } from './useRunningLog';
import { useWakeLock } from './useWakeLock';

interface Props {
  session: Session;
  onServer: { logId: string; entries: Entry[]; sent: number } | undefined;
}

/** A session on the phone: read it, walk it segment by segment, judge it. One thing on the screen at a time. */
export function Practice({ session, onServer }: Props) {
  const log = useRunningLog(session.card.assignmentId, onServer);
  const [isHurting, setIsHurting] = useState(false);
  const queries = useQueryClient();
  const { state } = log;
  const plan = planFrom(session.plan);
  const hasBegun = Object.keys(state.segments).length > 0;
  const endsByPain = state.pain.some(
    (p) =>
      (p.sharp && session.pain.sharpEndsSession) ||
      session.pain.scale.some((s) => s.level === p.level && s.endsSession),
  );
  // What falls out for each part was worked out on the server; here it is only looked up.
  const dropped = new Set(
    state.pain.flatMap((p) =>
      session.painDrops.filter((d) => d.part === p.part && d.side === (p.side ?? null)).flatMap((d) => d.segmentIds),
    ),
  );
  const isOpen = (id: string) => stateOf(state, id).outcome === null && !dropped.has(id);
  const current = plan.segments.find((s) => isOpen(s.id));
  const leftOut = plan.segments.filter((s) => dropped.has(s.id) && stateOf(state, s.id).outcome === null);
  useWakeLock(hasBegun && !state.isFinished);

  const begin = (ready: Ready) => {
    if (!current) return;
    const said = Object.values(ready).some((answer) => answer !== null);
    log.add(...(said ? [{ kind: 'readied' as const, ...ready }] : []), { kind: 'entered', segmentId: current.id });
  };
  const strip = session.card.strip.map((s) => {
    const { outcome, balls } = stateOf(state, s.id);
    const counted = s.balls > 0 && balls !== null ? Math.min(1, balls / s.balls) : 0;
    return {
      ...s,
      outcome,
      fraction: s.phase === null ? null : outcome === 'done' ? 1 : outcome === 'skipped' ? 0 : counted,
    };
  });

  const isOver = state.isFinished || session.logs.some((l) => l.finishedAt !== null);
  let screen;
  if (isOver)
    screen = (
      <Finished
        isSent={log.unsent === 0}
        assignmentId={session.card.assignmentId}
        onLeave={() => {
          if (log.unsent === 0) log.forget();
          for (const key of ['weeks', 'progress', 'sessions', 'entries'])
            void queries.invalidateQueries({ queryKey: [key] });
        }}
      />
    );
  else if (endsByPain || (hasBegun && !current))
    screen = (
      <RatingForm
        purpose={plan.purpose}
        successTest={plan.successTest}
        advice={endsByPain ? session.pain.advice : undefined}
        hasPain={state.pain.length > 0}
        onHurt={() => setIsHurting(true)}
        onFinish={(rating) => log.add(rating, { kind: 'finished' })}
        onBack={
          state.undoable && !endsByPain
            ? () => log.add({ kind: 'undone', undoes: state.undoable?.sequence ?? 0 })
            : undefined
        }
      />
    );
  else if (!hasBegun || !current)
    screen = <Before session={session} onBegin={begin} onHurt={() => setIsHurting(true)} />;
  else
    screen = (
      <SegmentRun
        key={current.id}
        segment={current}
        next={plan.segments.slice(plan.segments.indexOf(current) + 1).find((s) => isOpen(s.id))}
        exitRule={session.exitRules.find((r) => r.segmentId === current.id)?.words}
        drill={session.drills.find((d) => d.segmentId === current.id)}
        log={state}
        add={log.add}
        nextOf={(id) => plan.segments.find((s) => s.id !== id && isOpen(s.id))}
      />
    );

  return (
    <Box sx={{ pt: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 40 }}>
        <Button component={Link} to="/my-week" sx={{ ml: -1.25, minHeight: 48 }}>
          My week
        </Button>
        <Box
          role="status"
          data-testid="sync"
          sx={{ ml: 'auto', fontSize: 14, color: log.problem ? 'error.main' : 'text.secondary' }}
        >
          {log.unsent === 0
            ? hasBegun
              ? 'all sent'
              : ''
            : log.problem
              ? `${count(log.unsent, 'entry', 'entries')} kept on this phone, not sent yet`
              : 'sending …'}
        </Box>
        {hasBegun && !isOver && !endsByPain && (
          <Button
            variant="outlined"
            color="error"
            onClick={() => setIsHurting(true)}
            sx={{ minHeight: 56, borderRadius: 28 }}
          >
            It hurts
          </Button>
        )}
      </Box>
      {log.problem && log.problem.status !== 0 && (
        <Box role="alert" sx={{ fontSize: 15, mb: 1 }}>
          {log.problem.message}{' '}
          {log.problem.status === 401 ? (
            <Link to="/sign-in">Sign in again</Link>
          ) : (
            <Button onClick={log.sendAgain}>Send again</Button>
          )}
        </Box>
      )}
      <SessionStrip segments={strip} label="This session" />
      {leftOut.length > 0 && !endsByPain && !isOver && (
        <Typography role="status" sx={{ mt: 1, fontSize: 15 }}>
          Left out, because it loads what hurts: {leftOut.map((s) => s.title).join(', ')}. It counts for nothing.
        </Typography>
      )}
      {screen}
      <PainDialog
        open={isHurting}
        hand={session.hand}
        form={session.pain}
        onClose={() => setIsHurting(false)}
        onReport={(pain) => {
          log.add(pain);
          setIsHurting(false);
        }}
      />
    </Box>
  );
}

interface BeforeProps {
  session: Session;
  onBegin: (ready: Ready) => void;
  onHurt: () => void;
}

function Before({ session, onBegin, onHurt }: BeforeProps) {
  const [ready, setReady] = useState<Ready>({});
  const { plan, totals } = session;
  return (
    <>
      <Typography variant="h1" sx={{ mt: 2.5 }}>
        {plan.title}
      </Typography>
      <Typography sx={{ mt: 1, fontSize: 18 }}>{plan.purpose}</Typography>
      {plan.successTest && (
        <Typography sx={{ mt: 0.5, color: 'text.secondary' }}>You will know by this: {plan.successTest}.</Typography>
      )}
      <Typography sx={{ mt: 1, color: 'text.secondary' }}>
        {minutes(totals.minutes)}
        {totals.ballsBought > 0 && `, ${count(totals.ballsBought, 'ball')} to buy`}
      </Typography>
      <Readiness value={ready} onChange={setReady} />
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0, mt: 2 }}>
        {plan.segments.map((s) => (
          <Box
            component="li"
            key={s.id}
            sx={{
              display: 'flex',
              gap: 1.25,
              py: 1,
              borderBottom: '1px solid',
              borderColor: 'line',
              alignItems: 'center',
            }}
          >
            {s.kind === 'practice' ? <PhaseSign phase={s.phase} named /> : <Box sx={{ width: 20 }} />}
            <span>{s.title}</span>
            <Box component="span" sx={{ ml: 'auto', color: 'text.secondary', whiteSpace: 'nowrap' }}>
              {minutes(s.minutes)}
            </Box>
          </Box>
        ))}
      </Box>
      <Box sx={{ mt: 2, p: 2, bgcolor: 'background.paper', borderRadius: 2, fontSize: 15 }}>
        Warm up before full swings. Stay behind the tee line, keep out of reach of other clubs, and follow the range’s
        own rules. Drink, find shade, and leave when it thunders. Stop when it hurts.
      </Box>
      <Box sx={{ display: 'grid', gap: 1, mt: 2 }}>
        <Button
          variant="contained"
          onClick={() => onBegin(ready)}
          sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}
        >
          Begin
        </Button>
        <Button onClick={onHurt} sx={{ minHeight: 56 }}>
          Something hurts today
        </Button>
      </Box>
    </>
  );
}

function Finished({ isSent, assignmentId, onLeave }: { isSent: boolean; assignmentId: string; onLeave: () => void }) {
  return (
    <Box sx={{ pt: 4 }}>
      <Typography variant="h1">That was it for today</Typography>
      <Typography sx={{ mt: 1, fontSize: 18 }}>
        {isSent
          ? 'Your coach can see it now.'
          : 'It is kept on this phone and will be sent as soon as there is a connection.'}
      </Typography>
      <Box sx={{ display: 'grid', gap: 1, mt: 4 }}>
        <Button
          component={Link}
          to={`/sessions/${assignmentId}`}
          onClick={onLeave}
          variant="contained"
          disabled={!isSent}
          sx={{ minHeight: 60, borderRadius: 30 }}
        >
          Look back
        </Button>
        <Button component={Link} to="/my-week" onClick={onLeave} sx={{ minHeight: 56 }}>
          To my week
        </Button>
      </Box>
    </Box>
  );
}
