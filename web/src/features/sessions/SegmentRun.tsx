import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { Schemas } from '../../api/client';
import { domainNow } from '../../app/signIn';
import { clock, count, hiddenThings, minutes, places } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import { PhaseSign } from '../../ui/phases';
import { StepHeading } from '../../ui/StepHeading';
import { isAsking, walkThrough } from '../drills/flow';
import { callInWords } from '../drills/calls';
import { Metronome } from '../drills/Metronome';
import { RoutineList } from '../drills/RoutineList';
import type { PracticeSegment, Segment } from '../plans/benchState';
import { DrillRun } from './DrillRun';
import { hiddenAt } from './hiding';
import { ballsOf, secondsOf, stateOf, type LogState, type NewEntry } from './log';
import type { Session } from './queries';
import { useSteady } from './useSteady';
import { hiddenOnLow, nameBesideClock, oneLineForHoles, oneLineOnItsSide } from './lowScreens';

interface Props {
  session: Session;
  segment: Segment;
  /** When it is over, in words; no value for a pause. */
  exitRule: string | undefined;
  /** The segments that are not closed yet, this one among them. */
  open: Segment[];
  log: LogState;
  add: (...entries: NewEntry[]) => void;
  /** A coach keeps the log and says how each segment was left. */
  isLesson: boolean;
  onEnd: () => void;
}

/** The job's time, once a second while the clock runs. */
function useTick(isRunning: boolean): number {
  const [now, setNow] = useState(domainNow);
  useEffect(() => {
    if (!isRunning) return;
    const timer = setInterval(() => setNow(domainNow()), 500);
    return () => clearInterval(timer);
  }, [isRunning]);
  return now;
}

const HowItIsDone = onDemand(() => import('./HowItIsDone').then((m) => m.HowItIsDone));

/** The bar with the way on, in pixels. */
const barHeight = 76;

const wide = { minHeight: 60, fontSize: 17, borderRadius: 30 };

/** One segment under way: what to do, the clock, the count, and how it ends. */
export function SegmentRun({ session, segment, exitRule, open, log, add, isLesson, onEnd }: Props) {
  const drill = session.drills.find((d) => d.segmentId === segment.id);
  const next = open[open.indexOf(segment) + 1];
  const following = open.find((s) => s.id !== segment.id);
  // Holes need the room: the hole itself, what is left and what to choose stand above the fold.
  const isHoles = drill?.protocol.kind === 'playedHoles';
  const [showsHow, setShowsHow] = useState(false);
  const cue = segment.kind === 'practice' ? segment.cue || (segment.drill?.drill.cues ?? [])[0] : undefined;
  const isRunning = log.running?.segmentId === segment.id;
  const now = useTick(isRunning);
  const seconds = secondsOf(log, segment.id, now);
  const hidden = hiddenAt(
    session.hiding.find((h) => h.segmentId === segment.id)?.stages ?? [],
    doneOf(segment, drill, log, seconds),
  );
  // The next segment begins at its top, wherever the last one was left.
  useEffect(() => {
    window.scrollTo(0, 0);
  }, []);
  const isSteady = useSteady();
  const [isAsked, setIsAsked] = useState(false);
  const settle = (outcome: Schemas['SegmentOutcome'], percent: number | null = null) => {
    add(
      { kind: 'settled', segmentId: segment.id, outcome, percent },
      ...(following ? [{ kind: 'entered' as const, segmentId: following.id }] : []),
    );
  };
  const goOn = () => {
    if (!isLesson && asksHowMuch(session, segment, drill, log, seconds)) setIsAsked(true);
    else settle('done');
  };
  const undo = () => {
    if (isAsked) {
      setIsAsked(false);
      return;
    }
    const tap = log.undoable;
    if (!tap) return;
    const back: NewEntry[] = [{ kind: 'undone', undoes: tap.sequence }];
    if (tap.segmentId !== segment.id) back.push({ kind: 'entered', segmentId: tap.segmentId });
    add(...back);
  };

  return (
    <Box sx={[nameBesideClock, isHoles && oneLineForHoles]}>
      <Box data-name sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 0.5 }}>
        {segment.kind === 'practice' && <PhaseSign phase={segment.phase} named />}
        <StepHeading sx={{ fontSize: '1.4rem' }}>{segment.title}</StepHeading>
        {segment.kind === 'practice' && (
          <Button
            aria-expanded={showsHow}
            onClick={() => setShowsHow((shows) => !shows)}
            sx={{ ml: 'auto', mr: -1, minHeight: 56, flex: 'none' }}
          >
            {showsHow ? 'Hide' : 'Instructions'}
          </Button>
        )}
      </Box>
      {showsHow && segment.kind === 'practice' && <HowItIsDone session={session} segment={segment} />}
      {segment.instruction && (
        <Typography sx={{ mt: 0.5, ...(!showsHow && oneLineOnItsSide) }}>{segment.instruction}</Typography>
      )}
      {cue && (
        <Typography sx={{ mt: 0.5, ...hiddenOnLow }}>
          <b>Think of:</b> {cue}
        </Typography>
      )}

      <Box data-clock sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mt: isHoles ? -0.5 : 0.5 }}>
        <Box
          sx={{ fontSize: isHoles ? 20 : 34, fontWeight: 620, lineHeight: 1, letterSpacing: '-0.02em' }}
          role="timer"
          aria-label="Time in this segment"
          aria-live="off"
        >
          {clock(seconds)}
        </Box>
        <Box sx={{ color: 'text.secondary' }}>
          <span data-planned>of {minutes(segment.minutes)}</span>
          {exitRule && exitRule !== `after ${segment.minutes} min` && (
            <Box sx={{ fontSize: 15, lineHeight: 1.3 }}>over {exitRule}</Box>
          )}
          {seconds >= segment.minutes * 60 && <Box sx={{ fontWeight: 620 }}>the time is over</Box>}
        </Box>
        <Button
          variant="outlined"
          onClick={() => add(isRunning ? { kind: 'stopped' } : { kind: 'entered', segmentId: segment.id })}
          sx={{ ml: 'auto', minHeight: 56, minWidth: 96, borderRadius: 28 }}
        >
          {isRunning ? 'Pause' : 'Go on'}
        </Button>
      </Box>

      {hidden.length > 0 && (
        <Box data-testid="hidden" aria-live="polite" sx={{ mt: 1, color: 'text.secondary' }}>
          Hidden on purpose: {hidden.map((h) => hiddenThings[h].toLowerCase()).join(', ')}. Feel it first.
        </Box>
      )}
      {drill && <DrillRun session={session} drill={drill} segment={segment} hidden={hidden} log={log} add={add} />}
      {!drill && segment.kind === 'practice' && segment.balls > 0 && (
        <Balls
          planned={segment.balls}
          counted={stateOf(log, segment.id).balls}
          calls={segment.calls}
          onCount={(balls) => add({ kind: 'counted', segmentId: segment.id, balls })}
        />
      )}

      <Typography sx={{ mt: 1, color: 'text.secondary', fontSize: 15 }}>
        {segment.kind === 'practice' && `${places[segment.place]} · `}
        <span data-testid="left">{leftToday(session, open, segment, log, seconds)}</span>
      </Typography>
      {drill && drill.cautions.length > 0 && (
        <Box
          role="note"
          aria-label="Cautions"
          sx={{ mt: 1, pl: 1.5, borderLeft: '4px solid', borderColor: 'secondary.main', fontSize: 15 }}
        >
          {drill.cautions.map((caution) => (
            <div key={caution}>{caution}</div>
          ))}
        </Box>
      )}
      {!drill && segment.kind === 'practice' && segment.fullRoutine && <RoutineList steps={session.routine} />}
      {segment.kind === 'practice' && isPutting(segment) && <Metronome />}
      <Typography sx={{ mt: 1, color: 'text.secondary', textAlign: 'center' }}>
        {next ? `Then: ${next.title}, ${minutes(next.minutes)}` : 'This is the last one.'}
      </Typography>
      {isLesson && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, mt: 2 }}>
          <Button variant="outlined" disabled={!isSteady} onClick={() => settle('partDone')} sx={wide}>
            Part done
          </Button>
          <Button variant="outlined" disabled={!isSteady} onClick={() => settle('skipped')} sx={wide}>
            Skip
          </Button>
        </Box>
      )}
      <Button onClick={onEnd} sx={{ minHeight: 56, mt: 1 }}>
        {isLesson ? 'End lesson' : 'End session'}
      </Button>
      <Box sx={{ height: barHeight + 24 }} />

      {/* The way on always stands in the same place, so that no tap meant for one thing meets another. */}
      <Box
        data-testid="way-on"
        sx={{
          position: 'fixed',
          left: 0,
          right: 0,
          bottom: 0,
          zIndex: 4,
          bgcolor: 'background.default',
          borderTop: '1px solid',
          borderColor: 'line',
        }}
      >
        <Box
          sx={{
            maxWidth: 620,
            mx: 'auto',
            px: 2,
            pb: 'env(safe-area-inset-bottom)',
            '@media (max-height: 480px)': { maxWidth: 900 },
          }}
        >
          {isAsked && <HowMuch question={session.closing} onAnswer={settle} />}
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: 'minmax(96px, auto) 1fr',
              gap: 1,
              height: barHeight,
              '@media (max-height: 480px)': { height: 64 },
              alignItems: 'center',
            }}
          >
            <Button onClick={undo} disabled={!log.undoable && !isAsked} sx={{ minHeight: 60 }}>
              {isAsked ? 'Back' : 'Undo'}
            </Button>
            <Button
              variant={drill && isAsking(drill.flow, log.inputs[segment.id] ?? []) ? 'outlined' : 'contained'}
              onClick={goOn}
              disabled={!isSteady || isAsked}
              sx={{ ...wide, minHeight: 60, fontSize: 19 }}
            >
              {next ? 'Next' : 'Done'}
            </Button>
          </Box>
        </Box>
      </Box>
    </Box>
  );
}

/** How much of it was done: asked once, where neither attempts nor the clock show it. */
function HowMuch({
  question,
  onAnswer,
}: {
  question: Session['closing'];
  onAnswer: (outcome: Schemas['SegmentOutcome'], percent: number | null) => void;
}) {
  const isSteady = useSteady();
  return (
    <Box role="group" aria-label="How much did you do?" sx={{ pt: 1.5 }}>
      <Box sx={{ fontWeight: 620, mb: 1 }}>How much did you do?</Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: `repeat(${question.answers.length}, 1fr)`, gap: 0.75 }}>
        {question.answers.map((answer) => (
          <Button
            key={answer.label}
            variant="outlined"
            disabled={!isSteady}
            onClick={() => onAnswer(answer.outcome, answer.percent)}
            sx={{ minWidth: 0, px: 0, minHeight: 60, fontSize: 18 }}
          >
            {answer.label}
          </Button>
        ))}
      </Box>
    </Box>
  );
}

/** Whether closing a segment asks how much was done. What is asked, and from when on, the server said. */
function asksHowMuch(
  session: Session,
  segment: Segment,
  drill: Schemas['SessionDrill'] | undefined,
  log: LogState,
  seconds: number,
): boolean {
  if (segment.kind !== 'practice') return false;
  const walk = drill && walkThrough(drill.flow, log.inputs[segment.id] ?? []);
  if (walk?.isComplete) return false;
  if (session.closing.byAttempts.includes(segment.id)) return (walk?.attempts ?? 0) === 0;
  const balls = segment.balls > 0 ? (stateOf(log, segment.id).balls ?? 0) / segment.balls : 0;
  return Math.max(balls, seconds / (segment.minutes * 60)) < session.closing.asksBelow;
}

const isPutting = (segment: PracticeSegment) => (segment.area ?? segment.drill?.drill.area) === 'putting';

/** How much of a segment is done, 0 to 1 and beyond: of its attempts, its balls, or its minutes where neither is counted. */
function doneOf(segment: Segment, drill: Schemas['SessionDrill'] | undefined, log: LogState, seconds: number): number {
  if (drill?.plannedAttempts)
    return walkThrough(drill.flow, log.inputs[segment.id] ?? []).attempts / drill.plannedAttempts;
  if (!drill && segment.kind === 'practice' && segment.balls > 0)
    return (stateOf(log, segment.id).balls ?? 0) / segment.balls;
  return seconds / (segment.minutes * 60);
}

/** What is left of the time and the balls: of what the student has, where they said so, otherwise of the plan. */
function leftToday(session: Session, open: Segment[], current: Segment, log: LogState, seconds: number): string {
  const areBought = (id: string) => session.rangeBallSegments.includes(id);
  const ballsIn = (id: string) => {
    const drill = session.drills.find((d) => d.segmentId === id);
    return !areBought(id) || (drill && !drill.hasStrokes) ? 0 : ballsOf(log, id);
  };
  const spent = Object.entries(log.segments).reduce(
    (sum, [id, s]) => sum + (id === current.id ? seconds : s.seconds) / 60,
    0,
  );
  const used = Object.keys(log.segments).reduce((sum, id) => sum + ballsIn(id), 0);
  const planned = open.reduce((sum, s) => sum + s.minutes, 0) - Math.min(current.minutes, seconds / 60);
  const balls = open.reduce(
    (sum, s) => sum + (s.kind === 'practice' && areBought(s.id) ? Math.max(0, s.balls - ballsIn(s.id)) : 0),
    0,
  );
  const { minutesAtHand, ballsAtHand } = log.ready ?? {};
  const time = minutesAtHand ? Math.max(0, minutesAtHand - spent) : planned;
  const bucket = ballsAtHand ?? null;
  const left = bucket === null ? balls : Math.max(0, bucket - used);
  // Putts and chips are played again and again; only what is bought runs out.
  const hasBalls = bucket !== null || session.rangeBallSegments.length > 0;
  return `left today: ${minutes(Math.ceil(time))}${hasBalls ? `, ${count(left, 'range ball')}` : ''}`;
}

function Balls({
  planned,
  counted,
  calls,
  onCount,
}: {
  planned: number;
  counted: number | null;
  /** What was called for each ball, in order; once through, it begins anew. */
  calls: Schemas['ShotCall'][];
  onCount: (balls: number) => void;
}) {
  const call = calls[(counted ?? 0) % calls.length];
  return (
    <Box sx={{ mt: 2, p: 1.5, bgcolor: 'background.paper', borderRadius: 2, border: '1px solid', borderColor: 'line' }}>
      {call && (
        <Typography data-testid="call" sx={{ fontSize: 20, fontWeight: 620, mb: 0.5 }}>
          {callInWords(call)}
        </Typography>
      )}
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Box component="span" data-testid="balls" sx={{ fontSize: 40, fontWeight: 620, lineHeight: 1.1 }}>
          {counted ?? 0}
        </Box>
        <Box component="span" sx={{ color: 'text.secondary' }}>
          of {count(planned, 'ball')}
          {counted !== null && counted < planned && `, ${planned - counted} left`}
        </Box>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1.6fr 1fr', gap: 1, mt: 1 }}>
        <Button variant="outlined" aria-label="One ball less" onClick={() => onCount(-1)} disabled={!counted} sx={wide}>
          − 1
        </Button>
        <Button variant="contained" aria-label="One ball" onClick={() => onCount(1)} sx={{ ...wide, fontSize: 21 }}>
          + 1
        </Button>
        <Button variant="outlined" aria-label="Five balls" onClick={() => onCount(5)} sx={wide}>
          + 5
        </Button>
      </Box>
    </Box>
  );
}
