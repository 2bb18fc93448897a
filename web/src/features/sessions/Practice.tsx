import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../api/client';
import { practiceKeys } from '../../api/queryKeys';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { usePerson } from '../../app/signIn';
import { Field } from '../../ui/Field';
import { SessionStrip } from '../../ui/SessionStrip';
import { hiddenForHoles, hiddenOnLow } from './lowScreens';
import { Loading } from '../../ui/states';
import { planFrom, type Plan, type Segment } from '../plans/benchState';
import { After } from './After';
import { Before, type Trim } from './Before';
import { LessonForm } from './LessonForm';
import { ClockQuestion } from './ClockQuestion';
import { ballsOf, stateOf, type EntryOf, type LogState } from './log';
import { leftOutFor } from './OpenPain';
import { PainDialog } from './PainDialog';
import type { Session } from './queries';
import { RatingForm } from './RatingForm';
import type { Ready } from './Readiness';
import { SegmentRun } from './SegmentRun';
import { EndSession } from './EndSession';
import { InAnotherTab, SyncLine, SyncNews, SyncProblem } from './SyncLine';
import { useRunningLog, type OnServer } from './useRunningLog';
import { exitRuleOf, withCount } from './trim';
import { useSilence } from './useSilence';
import { useWakeLock } from './useWakeLock';

/** The plan as it was made to fit; what fell out is not asked for. */
function trimmed(plan: Plan, trim: EntryOf<'trimmed'> | null): Plan {
  if (!trim) return plan;
  return {
    ...plan,
    segments: plan.segments.flatMap((s): Segment[] => {
      const kept = trim.kept.find((k) => k.segmentId === s.id);
      if (!kept) return [];
      return [
        s.kind === 'pause'
          ? { ...s, minutes: kept.minutes }
          : { ...s, minutes: kept.minutes, balls: kept.balls, holes: kept.holes ?? s.holes },
      ];
    }),
  };
}

/** When a segment is over: in the words of the trim that was taken, otherwise of the plan. */
function exitRuleFor(session: Session, trim: EntryOf<'trimmed'> | null, segmentId: string) {
  const kept = trim?.kept.find((k) => k.segmentId === segmentId);
  return kept && session.trim
    ? exitRuleOf(session.trim, kept)
    : session.exitRules.find((r) => r.segmentId === segmentId)?.text;
}

/** The session with its drills shortened as the trim says. */
function withTrimmedDrills(session: Session, trim: EntryOf<'trimmed'> | null): Session {
  if (!trim) return session;
  return {
    ...session,
    drills: session.drills.map((d) => {
      const kept = trim.kept.find((k) => k.segmentId === d.segmentId);
      const attempts = kept?.attempts;
      return {
        ...d,
        flow: withCount(d.flow, attempts ?? (d.protocol.kind === 'playedHoles' ? kept?.holes : undefined)),
        plannedAttempts: attempts ?? d.plannedAttempts,
        calls: attempts ? d.calls.slice(0, attempts) : d.calls,
      };
    }),
  };
}

/** What is shown of a segment so far: its attempts or balls, else its clock, else what was said of it. The server judges it. */
function soFar(session: Session, state: LogState, s: Session['card']['strip'][number]) {
  if (s.phase === null) return { fraction: null };
  const id = s.id ?? '';
  const { outcome, percent, seconds } = stateOf(state, id);
  const planned = session.drills.find((d) => d.segmentId === id)?.plannedAttempts ?? s.balls;
  const shown = Math.min(
    1,
    planned > 0 && ballsOf(state, id) > 0
      ? ballsOf(state, id) / planned
      : session.closing.byAttempts.includes(id)
        ? 0
        : seconds / (s.minutes * 60),
  );
  const said = outcome === 'done' ? 1 : outcome === 'partDone' && percent !== null ? percent / 100 : 0;
  const isReported = said > 0 && shown < session.closing.asksBelow;
  return isReported ? { fraction: said, isReported } : { fraction: shown };
}

/** What to do when the weather ended it. */
const weatherAdvice: Record<Schemas['BadWeather'], string> = {
  thunder:
    'Leave the range now and wait indoors. Follow the range’s own rules. The rest of this session doesn’t count.',
  rain: 'The rest of this session doesn’t count.',
  wind: 'The rest of this session doesn’t count.',
};

interface Props {
  session: Session;
  onServer: OnServer | undefined;
}

/**
 * A session on the phone: read it, walk it segment by segment, judge it. One thing on the screen at a time. Opened by a coach it
 * is a lesson: the coach counts, and at the end notes what was agreed.
 */
export function Practice({ session, onServer }: Props) {
  const person = usePerson();
  const isLesson = person.role !== 'student';
  const log = useRunningLog(session.card, onServer);
  const [isHurting, setIsHurting] = useState(false);
  const [isEnding, setIsEnding] = useState(false);
  const [isRating, setIsRating] = useState(false);
  const queries = useQueryClient();
  const { state } = log;
  const notes = typeof log.ratingDraft?.notes === 'string' ? log.ratingDraft.notes : '';
  const plan = trimmed(planFrom(session.plan), state.trim);
  const hasBegun = Object.keys(state.segments).length > 0;
  const ending = state.pain.find(
    (p) =>
      (p.sharp && session.pain.sharpEndsSession) ||
      session.pain.scale.some((s) => s.level === p.level && s.endsSession),
  );
  const endsByPain = ending !== undefined || state.unwell !== null;
  const slip = state.unwell ?? state.weather;
  const isStopped = endsByPain || state.weather !== null;
  // What falls out for each part was worked out on the server; here it is only looked up.
  const dropped = new Set([
    ...leftOutFor(session, state.followUps),
    ...state.pain.flatMap((p) =>
      session.painDrops.filter((d) => d.part === p.part && d.side === (p.side ?? null)).flatMap((d) => d.segmentIds),
    ),
  ]);
  const isOpen = (id: string) => stateOf(state, id).outcome === null && !dropped.has(id);
  const current = plan.segments.find((s) => isOpen(s.id));
  const leftOut = plan.segments.filter((s) => dropped.has(s.id) && stateOf(state, s.id).outcome === null);
  useWakeLock(hasBegun && !state.isFinished);

  const home = isLesson
    ? { to: `/students/${session.studentId}`, name: `To ${session.studentName}` }
    : { to: '/my-week', name: 'To my week' };
  // A clock that ran on with nobody tapping is asked about, once, before anything else is added to it.
  const { silent, answered } = useSilence(state.running?.seen, log.lastAt, session.askAfterMinutes);
  const begin = (ready: Ready, trim: Trim | undefined) => {
    if (!current) return;
    const said = Object.values(ready).some((answer) => answer !== null);
    log.add(
      ...(isLesson ? [{ kind: 'opened' as const, recording: 'lesson' as const }] : []),
      ...(said ? [{ kind: 'readied' as const, ...ready }] : []),
      ...(trim ? [{ kind: 'trimmed' as const, kept: trim.kept }] : []),
      { kind: 'entered', segmentId: trim?.kept.find((k) => isOpen(k.segmentId))?.segmentId ?? current.id },
    );
  };
  const isPlayingHoles = session.drills.some((d) => d.segmentId === current?.id && d.protocol.kind === 'playedHoles');
  const givesWay = isPlayingHoles ? hiddenForHoles : hiddenOnLow;
  const isKept = (id: string) => plan.segments.some((s) => s.id === id);
  const strip = session.card.strip
    .filter((s) => isKept(s.id ?? ''))
    .map((s) => {
      const { outcome } = stateOf(state, s.id ?? '');
      return { ...s, outcome, ...soFar(session, state, s) };
    });

  // A lesson begins with the press that opened it.
  const beginsAtOnce = (useLocation().state as { begins?: boolean } | null)?.begins === true;
  const hasBegunItself = useRef(false);
  const beginLesson = useEffectEvent(() => {
    if (hasBegun || hasBegunItself.current || session.openPain.length > 0) return;
    hasBegunItself.current = true;
    begin({}, undefined);
  });
  const { isReady } = log;
  useEffect(() => {
    if (isLesson && beginsAtOnce && isReady) beginLesson();
  }, [isLesson, beginsAtOnce, isReady]);
  if (log.isElsewhere) return <InAnotherTab onTakeOver={log.takeOver} />;
  if (!log.isReady) return <Loading what="your log" />;

  const isOver =
    state.isFinished || session.logs.some((l) => l.finishedAt !== null && l.accountId === person.accountId);
  let screen;
  if (isOver)
    screen = (
      <After
        session={withTrimmedDrills(session, state.trim)}
        state={state}
        add={log.add}
        isSent={log.unsent === 0}
        isLesson={isLesson}
        home={home}
        onLeave={() => {
          if (log.unsent === 0) log.forget();
          for (const queryKey of practiceKeys) void queries.invalidateQueries({ queryKey });
        }}
      />
    );
  else if (silent !== undefined && state.running && !isStopped) {
    const { segmentId, seen, seconds } = state.running;
    const before = Math.round((stateOf(state, segmentId).seconds + seconds) / 60);
    screen = (
      <ClockQuestion
        title={plan.segments.find((s) => s.id === segmentId)?.title ?? ''}
        silent={silent}
        before={before}
        onAnswer={(practised) => {
          log.add(
            { kind: 'stopped', at: new Date(seen + practised * 60_000).toISOString() },
            { kind: 'entered', segmentId },
          );
          answered();
        }}
      />
    );
  } else if (isLesson && hasBegun && (isEnding || !current || isStopped))
    screen = (
      <LessonForm
        studentName={session.studentName}
        notes={notes}
        onFinish={(noted) => log.add(noted, { kind: 'finished' })}
        onBack={isEnding && current && !isStopped ? () => setIsEnding(false) : undefined}
      />
    );
  else if (hasBegun && !isStopped && !isRating && (isEnding || !current)) {
    const lastTap = state.undoable;
    const openSegments = plan.segments.filter((s) => s.kind === 'practice' && isOpen(s.id)).length;
    screen = (
      <EndSession
        openSegments={openSegments}
        onWeather={openSegments > 0 ? (weather) => log.add({ kind: 'weather', weather }) : undefined}
        onEnd={() => {
          if (state.running) log.add({ kind: 'stopped' });
          setIsRating(true);
        }}
        onBack={
          current
            ? () => setIsEnding(false)
            : lastTap
              ? () =>
                  log.add(
                    { kind: 'undone', undoes: lastTap.sequence },
                    { kind: 'entered', segmentId: lastTap.segmentId },
                  )
              : undefined
        }
      />
    );
  } else if (isStopped || (hasBegun && isRating))
    screen = (
      <RatingForm
        purpose={plan.purpose}
        successTest={plan.successTest}
        advice={endsByPain ? session.pain.advice : state.weather ? weatherAdvice[state.weather.weather] : undefined}
        hasPain={state.pain.length > 0}
        draft={log.ratingDraft}
        onDraft={log.keepRatingDraft}
        onHurt={() => setIsHurting(true)}
        onSlip={
          ending
            ? () => log.add({ kind: 'painMended', mends: ending.sequence, level: 0, sharp: false })
            : slip
              ? () =>
                  log.add(
                    { kind: 'undone', undoes: slip.sequence },
                    // The clock did not run through the storm.
                    ...(slip.kind === 'weather' ? [{ kind: 'stopped' as const, at: slip.at }] : []),
                  )
              : undefined
        }
        {...(!endsByPain && state.weather && { slip: 'Continue session' })}
        onFinish={(rating) => log.add(rating, { kind: 'finished' })}
        onBack={isStopped ? undefined : () => setIsRating(false)}
      />
    );
  else if (!hasBegun || !current)
    screen = (
      <Before
        session={session}
        isLesson={isLesson}
        dropped={dropped}
        said={state.followUps}
        reported={state.pain}
        onFollowUp={(followUp) => log.add(followUp)}
        onBegin={begin}
        onHurt={() => setIsHurting(true)}
        onLeave={() => log.add({ kind: 'finished' })}
      />
    );
  else
    screen = (
      <SegmentRun
        key={current.id}
        session={withTrimmedDrills(session, state.trim)}
        segment={current}
        exitRule={exitRuleFor(session, state.trim, current.id)}
        open={plan.segments.filter((s) => isOpen(s.id))}
        log={state}
        add={log.add}
        isLesson={isLesson}
        onEnd={() => setIsEnding(true)}
      />
    );

  return (
    <Box sx={{ pt: 1.5, maxWidth: 620, mx: 'auto', '@media (max-height: 480px)': { pt: 0, maxWidth: 900 } }}>
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 1,
          minHeight: 60,
          '@media (max-height: 480px)': { minHeight: 50, '& > a, & > button': { minHeight: 48 } },
          position: 'sticky',
          top: 0,
          zIndex: 5,
          bgcolor: 'background.default',
        }}
      >
        <Button component={Link} to={home.to} sx={{ ml: -1.25, minHeight: 48, flex: 'none' }}>
          {isLesson ? session.studentName : 'My week'}
        </Button>
        <SyncLine log={log} hasBegun={hasBegun} />
        {hasBegun && !isOver && !isStopped && (
          <Button
            variant="outlined"
            color="error"
            onClick={() => setIsHurting(true)}
            sx={{ minHeight: 56, borderRadius: 28, flex: 'none' }}
          >
            It hurts
          </Button>
        )}
      </Box>
      <SyncProblem log={log} isOver={isOver} />
      <SyncNews log={log} />
      <Box sx={hasBegun && !isOver && current && !isStopped ? givesWay : {}}>
        <SessionStrip segments={strip} label="This session" />
      </Box>
      {hasBegun && !isOver && current && !isStopped && (
        <Typography data-testid="purpose" sx={{ mt: 0.75, fontSize: 15, ...givesWay }}>
          {plan.purpose}
        </Typography>
      )}
      {leftOut.length > 0 && !isStopped && !isOver && (
        <Typography role="status" sx={{ mt: 1, fontSize: 15 }}>
          Left out, because it loads what hurts: {leftOut.map((s) => s.title).join(', ')}. It counts for nothing.
        </Typography>
      )}
      {screen}
      {isLesson && hasBegun && !isOver && !isEnding && current && !isStopped && (
        <Field
          label="Notes of this lesson"
          multiline
          minRows={2}
          value={notes}
          onChange={(e) => log.keepRatingDraft({ ...log.ratingDraft, notes: e.target.value })}
          inputProps={{ maxLength: 2000 }}
        />
      )}
      <PainDialog
        open={isHurting}
        hand={session.hand}
        form={session.pain}
        onClose={() => setIsHurting(false)}
        onReport={(report) => {
          log.add(report);
          setIsHurting(false);
        }}
      />
    </Box>
  );
}
