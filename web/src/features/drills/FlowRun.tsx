import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Ask, type NewAnswer } from './FlowQuestion';
import { DrillPicture } from './DrillPicture';
import { displaysOf, offersOf, promptOf, proposedOf, walkThrough, type DrillInput, type Flow } from './flow';
import type { Protocol } from './queries';
import { RoutineList } from './RoutineList';
import { Tags } from './Tags';

interface Props {
  flow: Flow;
  inputs: readonly DrillInput[];
  onInput: (input: DrillInput) => void;
  /** Takes back the last attempt, with all its inputs. */
  /** Drops the last attempt; no value where the screen has an undo of its own. */
  onUndo?: () => void;
  /** A warm-up, and a drill that hides its result, show no counts of how it goes. */
  hidesCounts?: boolean;
  /** How many attempts it has, which stays in sight when its result is hidden; no value where it ends by itself. */
  planned?: number | null;
  /** The drill's parameters, for its picture. */
  protocol: Protocol;
  calls: readonly Schemas['ShotCall'][];
  isLeftHanded: boolean;
  /** The student's own routine, step by step; empty shows none. */
  routine?: readonly string[];
}

/** These pictures say what to do next; the others only how it went, and hide with the counts. */
const guides: Protocol['kind'][] = [
  'calledShots',
  'timedSteps',
  'rehearsedScenario',
  'guessAndCheck',
  'zoneSets',
  'carryGrid',
  'playedHoles',
];

/** On a phone a picture leaves room for the answers above the bar. */
const lowPicture = {
  '@media (max-width: 619px)': { '& svg': { maxHeight: 'max(120px, calc(100dvh - 490px))' } },
  '@media (max-height: 480px)': { '& svg': { maxHeight: 'calc(100dvh - 150px)' } },
} as const;

const side = '@media (max-height: 480px) and (orientation: landscape)';

/** A hole's picture leaves room for the clubs, too. */
const lowHole = {
  ...lowPicture,
  '@media (max-width: 619px)': { '& svg': { maxHeight: 'max(100px, calc(100dvh - 540px))' } },
} as const;

/** A phone on its side has the picture at the left and everything else at the right. */
const onItsSide = {
  [side]: {
    position: 'relative',
    '&:has(> [data-picture])': { pl: 'calc(40% + 12px)', minHeight: 'calc(100dvh - 150px)' },
    '& > [data-picture]': { position: 'absolute', left: 0, top: 0, width: '40%' },
  },
} as const;

/**
 * What is asked, and the answers: on a phone they stand above the bar with the way on, whatever the picture takes. The bar is 76
 * high, and 64 on its side.
 */
const asked = {
  '@media (max-width: 619px), (max-height: 480px)': {
    position: 'sticky',
    bottom: 77,
    zIndex: 1,
    bgcolor: 'background.paper',
    pb: 0.75,
  },
  [side]: { bottom: 65 },
} as const;

/** Walks any drill: asks what the flow asks, draws where it stands, shows what it counts. */
export function FlowRun(props: Props) {
  const {
    flow,
    inputs,
    onInput,
    onUndo,
    hidesCounts = false,
    planned,
    protocol,
    calls,
    isLeftHanded,
    routine = [],
  } = props;
  const walk = walkThrough(flow, inputs);
  const [tags, setTags] = useState<Schemas['AttemptTags']>({});
  const give = (answer: NewAnswer) => {
    const hasTags = Object.values(tags).some(Boolean);
    onInput({ ...answer, attempt: walk.attempts + 1, ...(hasTags && { tags }) });
    setTags({});
  };
  // What is left of a hole is looked at before anything else; elsewhere the count comes after the question.
  const standsFirst = protocol.kind === 'playedHoles' && walk.state !== undefined;
  // While putts are holed out no shot is under way.
  const isPutting = protocol.kind === 'playedHoles' && (!walk.state || walk.state.at?.step === 'putt');
  const lines = displaysOf(flow, walk).slice(isPutting ? 1 : 0);
  const counts = (
    <Box data-testid="flow-counts" role="status" sx={{ color: 'text.secondary', mt: standsFirst ? 0 : 1 }}>
      {lines.map((line, i) => (
        <Box
          key={line}
          sx={
            standsFirst && i === 0 && lines.length > 1
              ? { fontSize: 18, fontWeight: 650, color: 'text.primary' }
              : standsFirst
                ? { '@media (max-height: 660px)': { display: 'none' } }
                : {}
          }
        >
          {line}
        </Box>
      ))}
    </Box>
  );
  const offers = offersOf(flow, walk);
  const isLaidOut = standsFirst && offers.some((o) => o.notes.length > 0);
  const prompt = walk.state && (
    <Typography
      component="p"
      aria-live="polite"
      sx={{
        fontSize: standsFirst ? 16 : walk.said ? 17 : 20,
        fontWeight: 620,
        pt: 1,
        mb: standsFirst ? 1 : 1.5,
        [side]: { fontSize: 16, pt: 0.5, mb: 0.5 },
      }}
    >
      {promptOf(walk)}
    </Typography>
  );
  // Every question of a hole begins at its top, however far down the last answer stood.
  const top = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (standsFirst && walk.taken > 0) top.current?.scrollIntoView({ block: 'start' });
  }, [standsFirst, walk.taken]);
  return (
    <Box data-testid="flow" ref={top} sx={{ scrollMarginTop: 72, ...onItsSide }}>
      {standsFirst && !hidesCounts && counts}
      {(!hidesCounts || guides.includes(protocol.kind)) && (
        <Box data-picture sx={standsFirst ? lowHole : lowPicture}>
          <DrillPicture {...{ protocol, flow, walk, inputs, calls, isLeftHanded }} onAnswer={give} />
        </Box>
      )}
      {walk.said && (
        <Typography
          component="p"
          aria-live="polite"
          data-testid="flow-said"
          sx={{ fontSize: walk.state ? 18 : 20, fontWeight: 620, mt: 1 }}
        >
          {walk.said}
        </Typography>
      )}
      {walk.state ? (
        <>
          <Box data-testid="answers" sx={asked}>
            {!isLaidOut && prompt}
            <Ask
              // What was typed belongs to one question; buttons stay, so that the next tap finds them without delay.
              key={walk.state.question.kind === 'choice' ? walk.state.at?.step : walk.taken}
              ask={walk.state.question}
              offers={offers}
              proposed={proposedOf(walk)}
              goesOn={['timer', 'text'].includes(inputs.at(-1)?.kind ?? '')}
              onAnswer={give}
            />
          </Box>
          {/* How a hole is laid out is long, and drawn: it may be scrolled to while a club is chosen. */}
          {isLaidOut && prompt}
        </>
      ) : (
        <Typography component="p" sx={{ fontSize: walk.said ? 17 : 20, fontWeight: 620, mt: 1 }}>
          {walk.isComplete ? 'That is the whole of it.' : 'Stopped here.'}
        </Typography>
      )}
      {hidesCounts && walk.attempts > 0 && (
        <Box data-testid="flow-attempts" role="status" sx={{ color: 'text.secondary', mt: 1 }}>
          {planned && walk.attempts <= planned ? `${walk.attempts} of ${planned}` : `${walk.attempts} so far`}
        </Box>
      )}
      {!hidesCounts && !standsFirst && counts}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', mx: -0.5, '& > button': { minHeight: 56, px: 1.25 } }}>
        {onUndo && (
          <Button onClick={onUndo} disabled={inputs.length === 0}>
            Undo the last one
          </Button>
        )}
        {walk.state && <Button onClick={() => give({ kind: 'stop' })}>Stop here</Button>}
        {walk.state && protocol.kind !== 'timedSteps' && <Tags value={tags} onChange={setTags} />}
        {walk.state && routine.length > 0 && (
          <RoutineList
            key={walk.attempts}
            steps={routine}
            onDone={(done) => setTags((old) => ({ ...old, routine: done }))}
          />
        )}
      </Box>
    </Box>
  );
}
