import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import type { Schemas } from '../../api/client';
import { cardTitle } from './cardTitle';
import { HoleCardView } from '../drills/HoleCardView';
import { displaysOf, walkThrough, type DrillInput } from '../drills/flow';
import { Loading } from '../../ui/states';
import { StepHeading } from '../../ui/StepHeading';
import type { LogState, NewEntry } from './log';
import { Mending } from './Mending';
import { useJudged, type Session } from './queries';

interface Props {
  session: Session;
  state: LogState;
  add: (...entries: NewEntry[]) => void;
  isSent: boolean;
  isLesson: boolean;
  home: { to: string; name: string };
  onLeave: () => void;
}

/** What the session gave. Until it is sent, by the phone's own counts, and it says so. */
export function After({ session, state, add, isSent, isLesson, home, onLeave }: Props) {
  const [isMending, setIsMending] = useState(useLocation().hash === '#mend');
  const { assignmentId } = session.card;
  if (isMending) return <Mending session={session} state={state} add={add} onDone={() => setIsMending(false)} />;
  return (
    <Box sx={{ pt: 3 }}>
      <StepHeading>That was it for today</StepHeading>
      <Typography sx={{ mt: 1, fontSize: 18 }}>
        {isSent
          ? `${isLesson ? session.studentName : 'Your coach'} can see it now.`
          : 'It is kept on this device and will be sent as soon as there is a connection.'}
      </Typography>
      {isSent ? <Judged assignmentId={assignmentId} /> : <Counted session={session} inputs={state.inputs} />}
      <Box sx={{ display: 'grid', gap: 1, mt: 3 }}>
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
        {!isLesson && (
          <Button variant="outlined" onClick={() => setIsMending(true)} sx={{ minHeight: 60, borderRadius: 30 }}>
            Add to it or put it right
          </Button>
        )}
        <Button component={Link} to={home.to} onClick={onLeave} sx={{ minHeight: 56 }}>
          {home.name}
        </Button>
      </Box>
    </Box>
  );
}

/** What the server makes of it: each drill against what was asked and the times before. */
function Judged({ assignmentId }: { assignmentId: string }) {
  const view = useJudged(assignmentId);
  if (view.isPending) return <Loading what="what it gave" />;
  const results = view.data?.results ?? [];
  if (results.length === 0) return null;
  return (
    <Drills>
      {results.map((r) => (
        <DrillLine key={`${r.logId} ${r.segmentId}`} name={r.name} goal={inGoal(r)}>
          <div>{r.text}</div>
          {r.lastTimes && <Box sx={{ color: 'text.secondary' }}>{r.lastTimes}</Box>}
          {r.card && view.data && <HoleCardView card={r.card} of={cardTitle(view.data, r.name)} beside={r.beside} />}
        </DrillLine>
      ))}
    </Drills>
  );
}

const inGoal = (r: Schemas['DrillResultView']) =>
  r.goal && `Goal: ${r.goal}${r.notEnoughAttempts ? '. Not enough attempts.' : metInWords(r.goalMet)}`;

const metInWords = (isMet: boolean | null) => (isMet === null ? '' : isMet ? '. Met.' : '. Not yet.');

/** The phone's own counts; what they are worth is for the server to say. */
function Counted({ session, inputs }: { session: Session; inputs: Record<string, DrillInput[]> }) {
  const played = session.drills.filter((d) => inputs[d.segmentId]?.length);
  if (played.length === 0) return null;
  return (
    <Drills>
      <Typography role="status" sx={{ color: 'text.secondary' }}>
        Counted on this phone; judged once it is sent.
      </Typography>
      {played.map((d) => {
        const segment = session.plan.segments.find((s) => s.id === d.segmentId);
        const isWarmUp = segment?.kind === 'practice' && segment.phase === 'warmUp';
        return (
          <DrillLine key={d.segmentId} name={d.name} goal={d.goal && !isWarmUp ? `Goal: ${d.goal}` : ''}>
            {isWarmUp
              ? 'A warm-up keeps no score.'
              : displaysOf(d.flow, walkThrough(d.flow, inputs[d.segmentId] ?? [])).map((line) => (
                  <div key={line}>{line}</div>
                ))}
          </DrillLine>
        );
      })}
    </Drills>
  );
}

function Drills({ children }: { children: React.ReactNode }) {
  return (
    <Box component="section" aria-label="What it gave" sx={{ mt: 2 }}>
      {children}
    </Box>
  );
}

function DrillLine({ name, goal, children }: { name: string; goal: string; children: React.ReactNode }) {
  return (
    <Box data-testid="gave" sx={{ py: 1.25, borderBottom: '1px solid', borderColor: 'line' }}>
      <Typography component="h2" variant="h3">
        {name}
      </Typography>
      {goal && <Box sx={{ fontWeight: 620 }}>{goal}</Box>}
      {children}
    </Box>
  );
}
