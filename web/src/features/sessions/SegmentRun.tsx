import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { domainNow } from '../../app/session';
import { clock, clubs, count, feedbackSources, minutes, places } from '../../ui/format';
import { phases, PhaseSign } from '../../ui/phases';
import { isAsking, type DrillInput } from '../drills/flow';
import { FlowRun } from '../drills/FlowRun';
import type { PracticeSegment, Segment } from '../plans/draft';
import { secondsOf, stateOf, type LogState, type NewEntry } from './log';

interface Props {
  segment: Segment;
  next: Segment | undefined;
  exitRule: string | undefined;
  /** The segment's drill as it was set; none for a plain instruction. */
  drill: Schemas['SessionDrill'] | undefined;
  log: LogState;
  add: (...entries: NewEntry[]) => void;
  /** The segment that is open once this one is closed. */
  nextOf: (id: string) => Segment | undefined;
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

const wide = { minHeight: 60, fontSize: 17, borderRadius: 30 };

/** One segment under way: what to do, the clock, the count, and how it ends. */
export function SegmentRun({ segment, next, exitRule, drill, log, add, nextOf }: Props) {
  const isRunning = log.running?.segmentId === segment.id;
  const now = useTick(isRunning);
  const seconds = secondsOf(log, segment.id, now);
  const settle = (outcome: Schemas['SegmentOutcome']) => {
    const following = nextOf(segment.id);
    add(
      { kind: 'settled', segmentId: segment.id, outcome },
      ...(following ? [{ kind: 'entered' as const, segmentId: following.id }] : []),
    );
  };
  const undo = () => {
    const entry = log.undoable;
    if (!entry) return;
    const back: NewEntry[] = [{ kind: 'undone', undoes: entry.sequence }];
    if (entry.kind === 'settled') back.push({ kind: 'entered', segmentId: entry.segmentId });
    add(...back);
  };

  return (
    <Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 2, color: 'text.secondary' }}>
        {segment.kind === 'practice' ? (
          <>
            <PhaseSign phase={segment.phase} /> {phases[segment.phase].name} · {places[segment.place]}
          </>
        ) : (
          'Pause'
        )}
      </Box>
      <Typography variant="h1" sx={{ mt: 0.25 }}>
        {segment.title}
      </Typography>
      {segment.instruction && <Typography sx={{ mt: 0.75, fontSize: 17 }}>{segment.instruction}</Typography>}
      {segment.kind === 'practice' && <Details segment={segment} />}

      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 1.5 }}>
        <Box
          sx={{ fontSize: 44, fontWeight: 620, lineHeight: 1, letterSpacing: '-0.02em' }}
          role="timer"
          aria-label="Time in this segment"
        >
          {clock(seconds)}
        </Box>
        <Box sx={{ color: 'text.secondary' }}>of {minutes(segment.minutes)}</Box>
        <Button
          variant="outlined"
          onClick={() => add(isRunning ? { kind: 'stopped' } : { kind: 'entered', segmentId: segment.id })}
          sx={{ ml: 'auto', minHeight: 56, minWidth: 96, borderRadius: 28 }}
        >
          {isRunning ? 'Pause' : 'Go on'}
        </Button>
      </Box>

      {exitRule && (
        <Typography sx={{ mt: 1, color: 'text.secondary' }}>
          {exitRule.charAt(0).toUpperCase() + exitRule.slice(1)}
        </Typography>
      )}

      {drill && <DrillRun drill={drill} segment={segment} log={log} add={add} />}
      {!drill && segment.kind === 'practice' && segment.balls > 0 && (
        <Balls
          planned={segment.balls}
          counted={stateOf(log, segment.id).balls}
          onCount={(balls) => add({ kind: 'counted', segmentId: segment.id, balls })}
        />
      )}

      <Box sx={{ display: 'grid', gap: 1, mt: 2.5 }}>
        <Button
          variant={drill && isAsking(drill.flow, log.inputs[segment.id] ?? []) ? 'outlined' : 'contained'}
          onClick={() => settle('done')}
          sx={{ ...wide, minHeight: 64, fontSize: 19 }}
        >
          {next ? 'Done, next' : 'Done'}
        </Button>
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
          <Button variant="outlined" onClick={() => settle('partDone')} sx={wide}>
            Part done
          </Button>
          <Button variant="outlined" onClick={() => settle('skipped')} sx={wide}>
            Skip
          </Button>
        </Box>
        <Button onClick={undo} disabled={!log.undoable} sx={{ minHeight: 56 }}>
          Undo
        </Button>
      </Box>
      <Typography sx={{ mt: 1, color: 'text.secondary', textAlign: 'center' }}>
        {next ? `Then: ${next.title}, ${minutes(next.minutes)}` : 'This is the last one.'}
      </Typography>
    </Box>
  );
}

/** The segment's drill: what it asks, and what it has counted so far. */
function DrillRun({
  drill,
  segment,
  log,
  add,
}: {
  drill: Schemas['SessionDrill'];
  segment: Segment;
  log: LogState;
  add: Props['add'];
}) {
  const isWarmUp = segment.kind === 'practice' && segment.phase === 'warmUp';
  return (
    <Box sx={{ mt: 2, p: 1.5, bgcolor: 'background.paper', borderRadius: 2, border: '1px solid', borderColor: 'line' }}>
      {drill.goal && !isWarmUp && <Box sx={{ fontWeight: 620 }}>Asked: {drill.goal}</Box>}
      {drill.modifiers && <Box>{drill.modifiers}</Box>}
      <FlowRun
        flow={drill.flow}
        inputs={log.inputs[segment.id] ?? []}
        protocol={drill.protocol}
        hidesCounts={isWarmUp || drill.hide.includes('result')}
        onInput={(input) => add({ kind: 'answered', segmentId: segment.id, flowVersion: drill.flow.version, input })}
        onUndo={() => add({ kind: 'attemptDropped', segmentId: segment.id })}
      />
      {drill.aimDistance && !isAsking(drill.flow, log.inputs[segment.id] ?? []) && (
        <Aim distance={drill.aimDistance} inputs={log.inputs[segment.id] ?? []} />
      )}
    </Box>
  );
}

/** The day's one line, once the balls of an aim check are hit. With too few of them the server says nothing. */
function Aim({ distance, inputs }: { distance: Schemas['MarkedLength']; inputs: DrillInput[] }) {
  const offsets = inputs.flatMap((i) => (i.kind === 'number' ? [i.tenths / 10] : []));
  const check = useQuery({
    queryKey: ['aim-check', distance, offsets],
    queryFn: () =>
      answer(api.POST('/api/drills/aim-check', { body: { distance: distance.value, unit: distance.unit, offsets } })),
    staleTime: Infinity,
  });
  return check.data ? <Typography sx={{ mt: 1, fontWeight: 620 }}>{check.data.words}</Typography> : null;
}

function Details({ segment }: { segment: PracticeSegment }) {
  const lines = [
    segment.cue && `Cue: ${segment.cue}`,
    segment.clubs.length > 0 && segment.clubs.map((c) => clubs[c]).join(', '),
    segment.feedback && `Feedback from: ${feedbackSources[segment.feedback].toLowerCase()}`,
    segment.holes && count(segment.holes, 'hole'),
    segment.fullRoutine && 'Full routine on every ball',
    segment.slowRepetitions && 'Slow repetitions: one ball every two to four minutes',
  ].filter((line) => typeof line === 'string' && line !== '');
  return (
    <Box sx={{ mt: 0.75, color: 'text.secondary' }}>
      {lines.map((line) => (
        <Box key={line as string}>{line}</Box>
      ))}
    </Box>
  );
}

function Balls({
  planned,
  counted,
  onCount,
}: {
  planned: number;
  counted: number | null;
  onCount: (balls: number) => void;
}) {
  return (
    <Box sx={{ mt: 2, p: 1.5, bgcolor: 'background.paper', borderRadius: 2, border: '1px solid', borderColor: 'line' }}>
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
