import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { mark } from './Figure';
import type { Protocol } from './queries';

/** A set-up as it is drawn, on a ground of 400 by 240, and the same in words. */
export interface Drawn {
  text: string;
  picture: ReactNode;
}

export const ink = '#1e3b30';
export const grass = '#dfe6cf';
const green = '#bcd4a0';
const paper = '#fffdf7';
const cloth = '#efe3a6';
const sandy = '#ecdcb4';

export const Ball = ({ x, y, r = 4 }: { x: number; y: number; r?: number }) => (
  <circle cx={x} cy={y} r={r} fill="#fff" stroke={ink} strokeWidth="1.4" />
);

export const Hole = ({ x, y }: { x: number; y: number }) => (
  <>
    <ellipse cx={x} cy={y} rx="7" ry="5" fill={ink} />
    <path d={`M${x} ${y}v-44l22 9-22 9`} fill={mark} stroke={ink} strokeWidth="1.4" />
  </>
);

/** A way the ball goes, or the club. */
const Way = ({ d }: { d: string }) => <path d={d} fill="none" stroke={ink} strokeWidth="1.6" strokeDasharray="6 5" />;

const Line = ({ d, width = 2 }: { d: string; width?: number }) => (
  <path d={d} fill="none" stroke={ink} strokeWidth={width} strokeLinecap="round" strokeLinejoin="round" />
);

const Stick = ({ d }: { d: string }) => <path d={d} fill="none" stroke={mark} strokeWidth="6" strokeLinecap="round" />;

export const sticks: Drawn = {
  text: 'A stick along the toes and one well outside the ball, both flat on the ground, where no club comes.',
  picture: (
    <>
      <Stick d="M70 182H320" />
      <Stick d="M150 66H360" />
      <Ball x={190} y={120} r={7} />
      <Way d="M206 120H372m-9-6 9 6-9 6" />
      <path
        d="M150 196q-9 20 0 30 10 4 12-10 0-14-12-20M226 196q-9 20 0 30 10 4 12-10 0-14-12-20"
        fill={ink}
        opacity="0.75"
      />
      <text x="318" y="108">
        target
      </text>
    </>
  ),
};

/** Two sticks flat on the green, and the ball running between them. */
export const lane: Drawn = {
  text: 'Two sticks flat on the green as a lane; the ball runs between them to the hole.',
  picture: (
    <>
      <ellipse cx="245" cy="124" rx="140" ry="88" fill={green} />
      <Ball x={48} y={146} r={6} />
      <Way d="M58 140q40-40 90-20L352 122" />
      <Stick d="M170 92H300" />
      <Stick d="M170 154H300" />
      <Hole x={356} y={124} />
    </>
  ),
};

export const towelBehind: Drawn = {
  text: 'A towel behind the ball: the ball is struck first, and the towel stays where it is.',
  picture: (
    <>
      <path d="M0 178H400V240H0Z" fill={green} />
      <rect x="92" y="168" width="96" height="14" rx="4" fill={cloth} stroke={ink} />
      <Ball x={236} y={168} r={10} />
      <Way d="M96 60Q150 190 246 182 330 150 372 70" />
      <Line d="M246 190q28 10 52 2" />
      <text x="98" y="202">
        towel
      </text>
      <text x="248" y="212">
        ground, after the ball
      </text>
    </>
  ),
};

export const headCovers: Drawn = {
  text: 'A head cover outside the toe and one inside the heel, soft, a little behind the ball: the club passes between.',
  picture: (
    <>
      <Ball x={214} y={122} r={9} />
      <rect x="168" y="106" width="15" height="34" rx="5" fill={paper} stroke={ink} strokeWidth="1.6" />
      <ellipse cx="166" cy="62" rx="30" ry="17" fill={cloth} stroke={ink} />
      <ellipse cx="166" cy="184" rx="30" ry="17" fill={cloth} stroke={ink} />
      <Way d="M40 146Q150 122 226 122H372m-9-6 9 6-9 6" />
    </>
  ),
};

/** Putts to one hole from either side of a slope. */
export const fromBothSides: Drawn = {
  text: 'Putts to one hole from either side.',
  picture: (
    <>
      <ellipse cx="200" cy="124" rx="168" ry="92" fill={green} />
      <Ball x={92} y={182} r={6} />
      <Ball x={318} y={182} r={6} />
      <Way d="M100 176Q142 96 194 122M310 176Q262 104 208 122" />
      <Hole x={200} y={126} />
    </>
  ),
};

/** Marks along a line, near and far. */
export const marks: Drawn = {
  text: 'Marks along the line of the putt, near and far.',
  picture: (
    <>
      <Ball x={44} y={128} r={7} />
      <Way d="M56 128H330" />
      {[150, 230, 310].map((x) => (
        <circle key={x} cx={x} cy="128" r="9" fill={cloth} stroke={ink} />
      ))}
      <Hole x={366} y={130} />
    </>
  ),
};

export const fringe: Drawn = {
  text: 'Putts across the green that stop just short of the fringe.',
  picture: (
    <>
      <path d="M0 24H262Q300 120 262 216H0Z" fill={green} />
      <path d="M214 24H262Q300 120 262 216H214Q252 120 214 24Z" fill={cloth} opacity="0.85" />
      <Ball x={52} y={66} r={6} />
      <Ball x={36} y={128} r={6} />
      <Ball x={64} y={190} r={6} />
      <Way d="M64 66H214M48 128H228M76 190H212" />
      <text x="300" y="124">
        fringe
      </text>
    </>
  ),
};

export const landing: Drawn = {
  text: 'A landing spot on the green to look at, and the run from there to the hole.',
  picture: (
    <>
      <ellipse cx="262" cy="136" rx="126" ry="80" fill={green} />
      <rect x="166" y="132" width="54" height="22" rx="4" fill={cloth} stroke={ink} />
      <Ball x={52} y={168} r={6} />
      <Way d="M60 160Q126 50 190 140" />
      <Way d="M204 142H326" />
      <Hole x={338} y={144} />
      <text x="168" y="176">
        lands here
      </text>
    </>
  ),
};

export const sand: Drawn = {
  text: 'A bunker from the side: the club enters the sand behind the ball, and the sand throws it over the lip.',
  picture: (
    <>
      <path d="M0 118H74Q150 214 250 170 278 152 286 92H400V240H0Z" fill={green} />
      <path d="M74 118Q150 214 250 170 278 152 286 92 262 128 214 140 140 150 74 118Z" fill={sandy} stroke={ink} />
      <Ball x={178} y={140} r={7} />
      <Line d="M152 132v18" />
      <Way d="M84 40Q120 140 158 150 196 152 214 120" />
      <Way d="M182 128Q236 20 338 84" />
      <Hole x={346} y={92} />
      <text x="108" y="194">
        enters here
      </text>
    </>
  ),
};

/** Balls in several lies round a green; of a drill with stations, each with its number. */
export function stations(protocol: Protocol | null | undefined): Drawn {
  const lies =
    protocol?.kind === 'upAndDown' || protocol?.kind === 'proximityLevels'
      ? protocol.stations.map((s) => ('par' in s ? `${s.lie}, par ${s.par ?? 2}` : s.lie))
      : ['', '', '', '', '', ''];
  const named = lies.filter((lie) => lie !== '');
  return {
    text:
      named.length > 0
        ? `${named.length} stations round the green: ${named.join('; ')}.`
        : 'Balls in different lies round the green.',
    picture: (
      <>
        <ellipse cx="200" cy="122" rx="98" ry="64" fill={green} />
        {lies.map((_, i) => {
          const angle = (2 * Math.PI * i) / lies.length + 0.5;
          const [x, y] = [200 + 152 * Math.cos(angle), 122 + 94 * Math.sin(angle)];
          return (
            <g key={i}>
              <Ball x={x} y={y} r={6} />
              <text x={x} y={y + (y > 122 ? 20 : -10)} textAnchor="middle" fontSize="12">
                {i + 1}
              </text>
            </g>
          );
        })}
        <Hole x={204} y={126} />
      </>
    ),
  };
}

/** A player from the front: with a club across the chest for the body, over the ball otherwise. */
export function figure(area: Schemas['Area']): Drawn {
  const isBody = area === 'body' || area === 'mind';
  return {
    text: isBody
      ? 'Stand with room all round.'
      : 'The set-up from the front: feet, hips, spine and shoulders in order.',
    picture: (
      <>
        <path d="M0 206H400V240H0Z" fill={green} />
        <circle cx="200" cy="52" r="17" fill={paper} stroke={ink} strokeWidth="2" />
        <Line width={4} d="M200 70 196 136M196 136 168 176 166 206M196 136 226 176 230 206" />
        {isBody ? (
          <>
            <Line width={4} d="M200 86 164 98 182 112M200 86 236 98 218 112" />
            <Stick d="M120 106H280" />
            <Way d="M132 128q68 34 136 0m-10-2 10 2-6 9M268 84q-68-34-136 0m10 2-10-2 6-9" />
          </>
        ) : (
          <>
            <Line width={4} d="M200 86 178 112 206 142M200 86 224 108 206 142" />
            <Line d="M206 142 240 200" />
            <Ball x={248} y={201} r={6} />
            <Way d="M196 20V206" />
          </>
        )}
      </>
    ),
  };
}

export const armClock: Drawn = {
  text: 'The lead arm on a clock: half past seven, nine, ten.',
  picture: (
    <>
      <path d="M0 214H400V240H0Z" fill={green} />
      <circle cx="200" cy="44" r="15" fill={paper} stroke={ink} strokeWidth="2" />
      <Line width={4} d="M200 60 198 136 176 214M198 136 222 214" />
      <Way d="M198 202A118 118 0 0 1 95 43" />
      {[
        { at: '7:30', x: 118, y: 170 },
        { at: '9', x: 80, y: 88 },
        { at: '10', x: 96, y: 30 },
      ].map(({ at, x, y }) => (
        <g key={at}>
          <path d={`M200 84 ${x} ${y}`} stroke={mark} strokeWidth="4" strokeLinecap="round" />
          <text x={x - 12} y={y + 4} textAnchor="end">
            {at}
          </text>
        </g>
      ))}
    </>
  ),
};

export const face: Drawn = {
  text: 'The face, and the middle in which the ball should be met.',
  picture: (
    <>
      <path
        d="M96 92Q110 52 214 48 314 46 322 108 326 168 226 178 118 184 96 92Z"
        fill={paper}
        stroke={ink}
        strokeWidth="2"
      />
      <path d="M132 82H300M126 104H312M130 126H310M146 148H296" stroke={ink} opacity="0.35" />
      <circle cx="214" cy="112" r="30" fill={cloth} stroke={mark} strokeWidth="3" opacity="0.9" />
      <Ball x={214} y={112} r={12} />
      <text x="70" y="206">
        heel
      </text>
      <text x="312" y="206">
        toe
      </text>
    </>
  ),
};

export const breath: Drawn = {
  text: 'A square of breath: in, hold, out, hold, each for the same count.',
  picture: (
    <>
      <rect x="130" y="46" width="140" height="140" rx="14" fill={paper} stroke={mark} strokeWidth="4" />
      <text x="200" y="36" textAnchor="middle">
        in
      </text>
      <text x="282" y="120">
        hold
      </text>
      <text x="200" y="210" textAnchor="middle">
        out
      </text>
      <text x="118" y="120" textAnchor="end">
        hold
      </text>
      <circle cx="130" cy="46" r="9" fill={ink} />
    </>
  ),
};

export const hole: Drawn = {
  text: 'A hole from above: the tee, where the first shot should end, and the green.',
  picture: (
    <>
      <path d="M40 190Q120 196 176 140T330 66q30 2 26 28-40 10-100 64T60 226q-30-6-20-36Z" fill={green} />
      <path d="M214 176q30-14 44 2 4 22-24 24-26-2-20-26Z" fill={sandy} stroke={ink} />
      <ellipse cx="334" cy="78" rx="34" ry="24" fill="#a9c98a" stroke={ink} />
      <Ball x={58} y={208} r={5} />
      <Way d="M64 204 204 130M210 126 322 80" />
      <Ball x={206} y={128} r={5} />
      <Hole x={338} y={82} />
    </>
  ),
};
