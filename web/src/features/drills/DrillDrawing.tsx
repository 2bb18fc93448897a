import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { clubs, lengthUnits, swingLengths } from '../../ui/format';
import { mark } from './Figure';
import type { Drill, Protocol } from './queries';
import {
  armClock,
  Ball,
  breath,
  face,
  figure,
  fringe,
  fromBothSides,
  grass,
  headCovers,
  hole,
  Hole,
  ink,
  landing,
  lane,
  marks,
  sand,
  stations,
  sticks,
  towelBehind,
  type Drawn,
} from './setUpPictures';

type Of<K extends Protocol['kind']> = Extract<Protocol, { kind: K }>;

/** As much of a drill as its picture is drawn from. */
export interface Pictured {
  drawing?: Schemas['SetUpDrawing'];
  gateMillimetres?: number | null;
  gateCentimetresAhead?: number | null;
  area: Schemas['Area'];
  items: readonly Schemas['Equipment'][];
  protocol?: Protocol | null;
}

/** What a whole drill's picture is drawn from. */
export const pictured = ({ equipment, ...drill }: Drill): Pictured => ({
  ...drill,
  items: (equipment ?? []).map((e) => e.item),
});

/** The set-up, drawn from the drill's own parameters, with what it shows in words. Nothing where it has no drawing. */
export function DrillDrawing({ drill }: { drill: Pictured }) {
  const drawn = pictureOf(drill);
  if (!drawn) return null;
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <Drawing drawn={drawn} />
      <Box component="figcaption" sx={{ fontSize: 14, color: 'text.secondary', mt: 0.5 }}>
        {drawn.text}
      </Box>
    </Box>
  );
}

/** Whether there is a picture of a drill. */
export const isDrawn = (drill: Pictured) => pictureOf(drill) !== undefined;

/** The picture alone, for a list in which the words stand beside it. */
export function SmallDrawing({ drill }: { drill: Pictured }) {
  const drawn = pictureOf(drill);
  return drawn ? <Drawing drawn={drawn} /> : <Box sx={{ aspectRatio: '5 / 3', borderRadius: 1.5, bgcolor: grass }} />;
}

const Drawing = ({ drawn }: { drawn: Drawn }) => (
  <svg
    viewBox="0 0 400 240"
    width="100%"
    style={{ display: 'block', borderRadius: 12, background: grass, maxWidth: 520 }}
    role="img"
    aria-label={drawn.text}
    fontFamily="inherit"
    fontSize="13"
    fill={ink}
  >
    {drawn.picture}
  </svg>
);

function pictureOf(drill: Pictured): Drawn | undefined {
  const { protocol } = drill;
  const needs = (item: Schemas['Equipment']) => drill.items.includes(item);
  switch (drill.drawing) {
    case 'aroundTheHole':
      return aroundTheHole(protocol);
    case 'ladder':
      return protocol?.kind === 'stepLadder' ? ladder(protocol) : marks;
    case 'zones':
      return protocol?.kind === 'zoneSets' ? zones(protocol) : fringe;
    case 'gate':
      return needs('headcover') ? headCovers : gate(drill.gateMillimetres ?? null, drill.gateCentimetresAhead ?? null);
    case 'sticks':
      return drill.area === 'chip' ? lane : needs('towel') ? towelBehind : sticks;
    case 'corridor':
      return corridor(protocol);
    case 'carries':
      return carries(protocol);
    case 'landing':
      return landing;
    case 'sand':
      return sand;
    case 'stations':
      return stations(protocol);
    case 'figure':
      return figure(drill.area);
    case 'armClock':
      return armClock;
    case 'face':
      return face;
    case 'breath':
      return breath;
    case 'hole':
      return hole;
    default:
      return undefined;
  }
}

/** Rings and points around a hole: a compass's distances, a par game's stations, shrinking circles, or one length. */
function aroundTheHole(protocol: Protocol | null | undefined): Drawn {
  const rings =
    protocol?.kind === 'compass'
      ? protocol.distances
      : protocol?.kind === 'proximityLevels'
        ? protocol.radiiFeet
        : protocol?.kind === 'parGame'
          ? [protocol.length]
          : [];
  const points =
    protocol?.kind === 'compass'
      ? protocol.points
      : protocol?.kind === 'parGame'
        ? protocol.stations
        : protocol?.kind === 'proximityLevels'
          ? 0
          : 1;
  const unit = protocol && 'unit' in protocol && protocol.unit === 'metres' ? 'm' : 'ft';
  const largest = Math.max(...rings, 1);
  if (rings.length === 0) return fromBothSides;
  const radius = (d: number) => (d / largest) * 96;
  const text =
    protocol?.kind === 'proximityLevels'
      ? `Circles of ${rings.join(', ')} ${unit} around the hole, the widest first.`
      : `${points === 1 ? 'One point' : `${points} points`} around the hole, at ${rings.join(', ')} ${unit}.`;
  return {
    text,
    picture: (
      <>
        {rings.map((d) => (
          <g key={d}>
            <circle cx="200" cy="120" r={radius(d)} fill="none" stroke={ink} strokeDasharray="3 4" opacity="0.7" />
            <text x={200 + radius(d)} y="140" textAnchor="middle" fontSize="12">
              {d === largest ? `${d} ${unit}` : d}
            </text>
          </g>
        ))}
        {rings.flatMap((d) =>
          Array.from({ length: points }, (_, i) => {
            const angle = Math.PI / 2 + (2 * Math.PI * i) / points;
            return (
              <Ball key={`${d}-${i}`} x={200 + radius(d) * Math.cos(angle)} y={120 + radius(d) * Math.sin(angle)} />
            );
          }),
        )}
        <Hole x={200} y={120} />
      </>
    ),
  };
}

function ladder(protocol: Of<'stepLadder'>): Drawn {
  const { start, step, top } = protocol;
  const unit = lengthUnits[protocol.unit];
  const steps = Array.from({ length: Math.floor((top - start) / step) + 1 }, (_, i) => start + i * step);
  const x = (d: number) => 24 + (d / top) * 330;
  return {
    text: `Steps of ${step} ${unit} from ${start} ${unit} to ${steps.at(-1) ?? start} ${unit}, a new hole each time.`,
    picture: (
      <>
        <path d={`M${x(0)} 150H${x(top) + 12}`} stroke={ink} strokeWidth="1.4" />
        {steps.map((d, i) => (
          <g key={d}>
            <path d={`M${x(d)} 150V${140 - i * 7}`} stroke={ink} strokeWidth="1.2" opacity="0.5" />
            <Ball x={x(d)} y={134 - i * 7} />
            {(i % 2 === 0 || steps.length < 7) && (
              <text x={x(d)} y="170" textAnchor="middle">
                {d}
              </text>
            )}
          </g>
        ))}
        <Hole x={x(0)} y={150} />
      </>
    ),
  };
}

function zones(protocol: Of<'zoneSets'>): Drawn {
  const list = protocol.zones;
  const scale = 1.6;
  return {
    text: list
      .map(
        (z) =>
          `${z.feet} ft: ${z.shortInches === 0 ? 'at the hole' : `${z.shortInches} in short`} to ${z.pastInches} in past`,
      )
      .join('; ')
      .concat('. The putt comes from the left; drawn to scale.'),
    picture: (
      <>
        {list.map((z, i) => {
          const y = 45 + (i * 190) / Math.max(1, list.length);
          const hole = 190;
          return (
            <g key={z.feet}>
              <text x="16" y={y + 4}>
                from {z.feet} ft
              </text>
              <rect
                x={hole - z.shortInches * scale}
                y={y - z.sideInches * scale}
                width={(z.shortInches + z.pastInches) * scale}
                height={z.sideInches * 2 * scale}
                rx="4"
                fill="#efe3a6"
                stroke={ink}
                opacity="0.9"
              />
              <circle cx={hole} cy={y} r={(4.25 / 2) * scale} fill={ink} />
              <path d={`M96 ${y}H${hole - 8}`} stroke={ink} strokeDasharray="4 4" />
            </g>
          );
        })}
      </>
    ),
  };
}

function gate(millimetres: number | null, ahead: number | null): Drawn {
  const width = millimetres ?? 60;
  const scale = 1.5;
  const half = (width / 2) * scale;
  return {
    text: millimetres
      ? `A gate ${millimetres} mm wide inside${ahead ? `, ${ahead} cm in front of the ball` : ''}; ball and gate to scale.`
      : 'The ball lies under the line and rolls along it.',
    picture: (
      <>
        <path d="M40 120H372" stroke={ink} strokeDasharray="6 5" opacity="0.6" />
        <Ball x={90} y={120} r={(42.67 / 2) * scale} />
        {millimetres && (
          <>
            <circle cx="210" cy={120 - half - 6} r="6" fill={mark} stroke={ink} />
            <circle cx="210" cy={120 + half + 6} r="6" fill={mark} stroke={ink} />
            <path d={`M232 ${120 - half}V${120 + half}`} stroke={ink} markerEnd="none" />
            <text x="240" y="116">
              {millimetres} mm
            </text>
          </>
        )}
        <Hole x={356} y={120} />
      </>
    ),
  };
}

function corridor(protocol: Protocol | null | undefined): Drawn {
  const targets = protocol?.kind === 'calledShots' ? protocol.targets : [];
  return {
    text:
      targets.length > 0
        ? `Down the range to ${targets.join(', ')}.`
        : 'Two edges down the range; what finishes between them counts, on the edge is a miss.',
    picture: (
      <>
        <path d="M150 226 120 30M250 226 280 30" stroke={ink} strokeWidth="2" />
        <path d="M150 226 120 30H280L250 226Z" fill="#bcd4a0" opacity="0.7" />
        {targets.map((target, i) => (
          <g key={target}>
            <path d={`M${150 + i * 50} ${66 + i * 26}v-22l14 6-14 6`} fill={mark} stroke={ink} />
          </g>
        ))}
        <Ball x={200} y={222} r={6} />
      </>
    ),
  };
}

function carries(protocol: Protocol | null | undefined): Drawn {
  const cells = protocol?.kind === 'carryGrid' ? protocol.cells : [];
  if (cells.length === 0)
    return {
      text: 'A landing spot to look at; where the ball runs to does not count.',
      picture: (
        <>
          <rect x="225" y="100" width="64" height="40" rx="4" fill="#efe3a6" stroke={ink} />
          <path d="M60 150q90-110 196-32" fill="none" stroke={ink} strokeDasharray="6 5" />
          <Ball x={60} y={154} r={6} />
          <Hole x={350} y={124} />
        </>
      ),
    };
  const names = [...new Set(cells.map((c) => c.club))];
  const numbers = cells.map(
    (c) => `${clubs[c.club].toLowerCase()} ${swingLengths[c.swing].toLowerCase()}${c.carry ? ` ${c.carry}` : ''}`,
  );
  return {
    text: `${names.length} clubs, ${cells.length} numbers: ${numbers.join(', ')}.`,
    picture: (
      <>
        {names.map((club, row) => (
          <g key={club}>
            <text x="12" y={52 + (row * 180) / names.length}>
              {clubs[club]}
            </text>
            {cells
              .filter((c) => c.club === club)
              .map((c, i) => (
                <g key={c.swing} transform={`translate(${124 + i * 88} ${28 + (row * 180) / names.length})`}>
                  <rect width="78" height="38" rx="6" fill="#fffdf7" stroke={ink} />
                  <text x="39" y="16" textAnchor="middle" fontSize="12">
                    {swingLengths[c.swing]}
                  </text>
                  <text x="39" y="32" textAnchor="middle" fontWeight="650">
                    {c.carry ?? 'own'}
                  </text>
                </g>
              ))}
          </g>
        ))}
      </>
    ),
  };
}
