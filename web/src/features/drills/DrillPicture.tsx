import type { Schemas } from '../../api/client';
import type { NewAnswer } from './FlowQuestion';
import type { DrillInput, Flow, Walk } from './flow';
import { HolePicture } from './HolePicture';
import { Differences, Scene, Sealed, Steps, Trace } from './MindPictures';
import { Around, Ladder, Run, Score, Sets, Zone } from './PuttingPictures';
import type { Protocol } from './queries';
import { Band, Bounds, Call, CallsDone, Circle, Closeness, Count, Grid, Row, StationCard } from './RangePictures';

interface Props {
  protocol: Protocol;
  flow: Flow;
  walk: Walk;
  inputs: readonly DrillInput[];
  /** The calls of called shots; empty for any other drill. */
  calls: readonly Schemas['ShotCall'][];
  isLeftHanded: boolean;
  /** What a press on the picture answers; none where it only shows. */
  onAnswer?: (answer: NewAnswer) => void;
}

/** Where the drill stands, as a picture of its own kind. Drawn from the flow's registers and the inputs; it judges nothing. */
export function DrillPicture({ protocol, flow, walk, inputs, calls, isLeftHanded, onAnswer }: Props) {
  switch (protocol.kind) {
    case 'repetitions':
      return <Count protocol={protocol} walk={walk} />;
    case 'timedSteps':
      return <Steps protocol={protocol} walk={walk} />;
    case 'makeRate':
      return <Row inputs={inputs} of={protocol.attempts} />;
    case 'streak':
      return <Run protocol={protocol} flow={flow} walk={walk} inputs={inputs} />;
    case 'compass':
      return <Around protocol={protocol} walk={walk} inputs={inputs} />;
    case 'stepLadder':
      return <Ladder protocol={protocol} walk={walk} />;
    case 'zoneSets':
      return walk.state ? (
        <Zone protocol={protocol} walk={walk} />
      ) : (
        <Sets protocol={protocol} flow={flow} inputs={inputs} />
      );
    case 'parGame':
      return <Score flow={flow} walk={walk} inputs={inputs} />;
    case 'carryGrid':
      return <Grid protocol={protocol} flow={flow} walk={walk} inputs={inputs} />;
    case 'ballRating':
      return <Trace inputs={inputs} of={protocol.balls} />;
    case 'guessAndCheck':
      return walk.state ? (
        <Sealed protocol={protocol} walk={walk} />
      ) : (
        <Differences protocol={protocol} inputs={inputs} />
      );
    case 'window':
      return <Bounds protocol={protocol} flow={flow} walk={walk} inputs={inputs} />;
    case 'calledShots':
      return walk.state ? (
        <Call calls={calls} walk={walk} isLeftHanded={isLeftHanded} />
      ) : (
        <CallsDone calls={calls} inputs={inputs} />
      );
    case 'proximityLevels':
      return <Circle protocol={protocol} flow={flow} walk={walk} inputs={inputs} />;
    case 'measuredShots':
      return <Band protocol={protocol} inputs={inputs} />;
    case 'upAndDown':
      return <StationCard protocol={protocol} inputs={inputs} />;
    case 'approachShots':
      return <Closeness protocol={protocol} inputs={inputs} />;
    case 'playedHoles':
      return protocol.laid ? <HolePicture laid={protocol.laid} {...{ flow, walk, inputs, onAnswer }} /> : null;
    case 'rehearsedScenario':
      return <Scene walk={walk} inputs={inputs} />;
  }
}
