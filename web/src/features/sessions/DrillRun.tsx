import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { FlowRun } from '../drills/FlowRun';
import type { Segment } from '../plans/benchState';
import type { LogState, NewEntry } from './log';
import type { Session } from './queries';

/** A routine belongs before a shot that counts, not into stretching or a swing change. */
const wantsRoutine = (segment: Segment) =>
  segment.kind === 'practice' &&
  (segment.fullRoutine || segment.intent === 'skill' || segment.intent === 'performance');

/** The segment's drill: what it asks, and what it has counted so far. */
export function DrillRun({
  session,
  drill,
  segment,
  hidden,
  log,
  add,
}: {
  session: Session;
  drill: Schemas['SessionDrill'];
  segment: Segment;
  hidden: readonly Schemas['Hidden'][];
  log: LogState;
  add: (...entries: NewEntry[]) => void;
}) {
  const isWarmUp = segment.kind === 'practice' && segment.phase === 'warmUp';
  return (
    <Box
      sx={{
        mt: 1,
        p: 1.25,
        bgcolor: 'background.paper',
        borderRadius: 2,
        border: '1px solid',
        borderColor: 'line',
        '@media (max-height: 480px)': { mt: 0.5, p: 0.75 },
      }}
    >
      {drill.goal && !isWarmUp && <Box sx={{ fontWeight: 620 }}>Goal: {drill.goal}</Box>}
      {drill.modifiers && <Box>{drill.modifiers}</Box>}
      <FlowRun
        flow={drill.flow}
        inputs={log.inputs[segment.id] ?? []}
        protocol={drill.protocol}
        calls={drill.calls}
        isLeftHanded={session.hand === 'left'}
        routine={isWarmUp || !wantsRoutine(segment) ? [] : session.routine}
        planned={drill.plannedAttempts}
        hidesCounts={isWarmUp || hidden.includes('result') || hidden.includes('numbers')}
        onInput={(input) => add({ kind: 'answered', segmentId: segment.id, flowVersion: drill.flow.version, input })}
      />
    </Box>
  );
}
