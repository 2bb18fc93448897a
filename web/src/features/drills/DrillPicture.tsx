import { useTheme } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { clubs, lengthUnits, swingLengths } from '../../ui/format';
import type { DrillInput, Walk } from './flow';
import type { Protocol } from './queries';

interface Props {
  protocol: Protocol;
  walk: Walk;
  inputs: readonly DrillInput[];
}

type Of<K extends Protocol['kind']> = Extract<Protocol, { kind: K }>;

/** Where the drill stands, as a picture of its own kind. Drawn from the flow's registers and the inputs; it judges nothing. */
export function DrillPicture({ protocol, walk, inputs }: Props) {
  switch (protocol.kind) {
    case 'streak':
      return <Run protocol={protocol} walk={walk} />;
    case 'compass':
      return <Around protocol={protocol} walk={walk} inputs={inputs} />;
    case 'stepLadder':
      return <Ladder protocol={protocol} walk={walk} />;
    case 'zoneSets':
      return <Zone protocol={protocol} walk={walk} />;
    case 'parGame':
      return <Score walk={walk} />;
    case 'carryGrid':
      return <Grid protocol={protocol} walk={walk} />;
    case 'makeRate':
      return <Row inputs={inputs} of={protocol.attempts} />;
    case 'ballRating':
      return <Trace inputs={inputs} of={protocol.balls ?? 10} />;
    case 'measuredShots':
      return <Band protocol={protocol} inputs={inputs} />;
    default:
      return null;
  }
}

const register = (walk: Walk, name: string) => walk.registers[name] ?? 0;

/** The number at the end of a state's name: which putt, which cell. */
const indexOf = (walk: Walk) => Number(/(\d+)\D*$/.exec(walk.state?.name ?? '')?.[1] ?? -1);

function Figure({ label, children, height = 150 }: { label: string; children: ReactNode; height?: number }) {
  const { palette } = useTheme();
  return (
    <svg
      viewBox={`0 0 320 ${height}`}
      width="100%"
      role="img"
      aria-label={label}
      fontFamily="inherit"
      fontSize="14"
      fill={palette.text.primary}
      stroke="none"
      style={{ display: 'block', color: palette.text.primary, margin: '8px 0' }}
    >
      {children}
    </svg>
  );
}

const dawn = '#b24e0c';

/** The run as the big number it is, beside the best. */
function Run({ protocol, walk }: { protocol: Of<'streak'>; walk: Walk }) {
  const run = register(walk, 'run');
  const dots = Math.min(protocol.length, 30);
  return (
    <Figure label={`Run of ${run}, best ${register(walk, 'best')}, ${protocol.length} asked`} height={96}>
      <text x="6" y="58" fontSize="56" fontWeight="650">
        {run}
      </text>
      <text x="314" y="30" textAnchor="end">
        best {register(walk, 'best')}
      </text>
      <text x="314" y="52" textAnchor="end">
        {protocol.length} asked
      </text>
      {Array.from({ length: dots }, (_, i) => (
        <circle
          key={i}
          cx={12 + i * (300 / Math.max(dots, 12))}
          cy="80"
          r="5"
          fill={i < run ? dawn : 'none'}
          stroke="currentColor"
          strokeWidth="1.5"
        />
      ))}
    </Figure>
  );
}

/** The hole from above: what was holed, what was missed, and where the next putt is. */
function Around({ protocol, walk, inputs }: { protocol: Of<'compass'>; walk: Walk; inputs: readonly DrillInput[] }) {
  const distances = protocol.distances ?? [];
  const points = protocol.points ?? 4;
  const far = Math.max(...distances, 1);
  const putts = distances.flatMap((d) => Array.from({ length: points }, (_, point) => ({ d, point })));
  const answers = inputs.flatMap((i) => (i.kind === 'choice' ? [i.value] : []));
  const next = walk.state ? indexOf(walk) : -1;
  return (
    <Figure label={`The next putt is marked; ${register(walk, 'made')} of ${answers.length} holed`} height={210}>
      <circle cx="160" cy="105" r="9" fill="none" stroke="currentColor" strokeWidth="2" />
      <circle cx="160" cy="105" r="5" />
      {putts.map(({ d, point }, i) => {
        const angle = Math.PI / 2 + (2 * Math.PI * point) / points;
        const r = 14 + (d / far) * 84;
        const [x, y] = [160 + r * Math.cos(angle), 105 + r * Math.sin(angle)];
        if (i === next)
          return (
            <g key={i}>
              <path d={`M${x} ${y}L160 105`} stroke={dawn} strokeWidth="2" strokeDasharray="5 4" />
              <circle cx={x} cy={y} r="10" fill={dawn} stroke="currentColor" strokeWidth="2" />
            </g>
          );
        const made = answers[i] === 'made';
        return (
          <g key={i} stroke="currentColor" strokeWidth="1.5">
            <circle cx={x} cy={y} r="6" fill={made ? 'currentColor' : 'none'} opacity={answers[i] ? 1 : 0.35} />
            {answers[i] === 'missed' && <path d={`M${x - 3} ${y - 3}l6 6m0-6-6 6`} />}
          </g>
        );
      })}
    </Figure>
  );
}

/** The ladder as a ladder: the furthest step passed is filled, the present one marked. */
function Ladder({ protocol, walk }: { protocol: Of<'stepLadder'>; walk: Walk }) {
  const { start = 10, step = 3, top = 40 } = protocol;
  const unit = lengthUnits[protocol.unit ?? 'feet'];
  const steps = Array.from({ length: Math.floor((top - start) / step) + 1 }, (_, i) => start + i * step);
  const now = walk.state ? indexOf(walk) : -1;
  const height = steps.length * 17 + 14;
  return (
    <Figure
      label={`On the step of ${steps[now] ?? '–'} ${unit}, furthest passed ${register(walk, 'furthest')} ${unit}`}
      height={height}
    >
      <path d={`M110 4V${height - 4}M210 4V${height - 4}`} stroke="currentColor" strokeWidth="4" />
      {steps.map((d, i) => {
        const y = height - 12 - i * 17;
        const isNow = i === now;
        return (
          <g key={d}>
            <path
              d={`M110 ${y}H210`}
              stroke={isNow ? dawn : 'currentColor'}
              strokeWidth={isNow ? 7 : d <= register(walk, 'furthest') ? 5 : 1.5}
            />
            <text x="222" y={y + 5} fontWeight={isNow ? 700 : 400}>
              {d} {unit}
            </text>
          </g>
        );
      })}
    </Figure>
  );
}

/** The zone of this putt, to scale around the hole; the putt comes from below. */
function Zone({ protocol, walk }: { protocol: Of<'zoneSets'>; walk: Walk }) {
  const feet = Number(/^(\d+) ft/.exec(walk.state?.prompt.text ?? '')?.[1] ?? 0);
  const zone = (protocol.zones ?? []).find((z) => z.feet === feet);
  if (!zone) return null;
  const scale = 2;
  const hole = 14 + zone.pastInches * scale;
  return (
    <Figure
      label={`From ${zone.feet} ft: up to ${zone.shortInches} in short, ${zone.pastInches} in past, ${zone.sideInches} in to a side`}
      height={hole + zone.shortInches * scale + 46}
    >
      <rect
        x={160 - zone.sideInches * scale}
        y={hole - zone.pastInches * scale}
        width={zone.sideInches * 2 * scale}
        height={(zone.pastInches + zone.shortInches) * scale}
        rx="5"
        fill="#f5cd8d"
        stroke="currentColor"
        strokeWidth="1.5"
      />
      <circle cx="160" cy={hole} r={(4.25 / 2) * scale} fill="#1c1c1c" />
      <path
        d={`M160 ${hole + zone.shortInches * scale + 42}V${hole + 12}m-5 8 5-8 5 8`}
        stroke="currentColor"
        fill="none"
      />
      <text x={168 + zone.sideInches * scale} y={hole - zone.pastInches * scale + 12}>
        {zone.pastInches} in past
      </text>
      <text x={168 + zone.sideInches * scale} y={hole + zone.shortInches * scale + 14}>
        {zone.shortInches === 0 ? 'not short' : `${zone.shortInches} in short`}
      </text>
    </Figure>
  );
}

function Score({ walk }: { walk: Walk }) {
  const score = register(walk, 'score');
  const shown = score === 0 ? 'level' : score < 0 ? `−${-score}` : `+${score}`;
  return (
    <Figure label={`Score ${shown}`} height={70}>
      <text x="160" y="56" fontSize="60" fontWeight="650" textAnchor="middle">
        {shown}
      </text>
    </Figure>
  );
}

/** The grid, a row a club: cells gone by, the one in hand, the ones to come. */
function Grid({ protocol, walk }: { protocol: Of<'carryGrid'>; walk: Walk }) {
  const now = walk.state ? indexOf(walk) : protocol.cells.length;
  const rows = [...new Set(protocol.cells.map((c) => c.club))];
  const unit = lengthUnits[protocol.unit ?? 'yards'];
  const current = protocol.cells[now];
  return (
    <Figure
      label={current ? `Cell ${now + 1} of ${protocol.cells.length}: ${current.carry ?? ''} ${unit}` : 'All cells done'}
      height={rows.length * 58 + 4}
    >
      {rows.map((club, row) => (
        <g key={club}>
          <text x="2" y={row * 58 + 34} fontSize="13">
            {clubs[club].replace(' wedge', '')}
          </text>
          {protocol.cells.map((cell, i) => {
            if (cell.club !== club) return null;
            const column = protocol.cells.filter((c, j) => c.club === club && j < i).length;
            const isNow = i === now;
            return (
              <g key={i} transform={`translate(${66 + column * 84} ${row * 58 + 4})`} opacity={i < now ? 0.5 : 1}>
                <rect
                  width="76"
                  height="50"
                  rx="8"
                  fill={isNow ? '#f0b37a' : 'none'}
                  stroke="currentColor"
                  strokeWidth={isNow ? 3 : 1.5}
                />
                <text x="38" y="18" textAnchor="middle" fontSize="12" fill={isNow ? '#2b1a06' : 'currentColor'}>
                  {swingLengths[cell.swing].toLowerCase()}
                </text>
                <text
                  x="38"
                  y="40"
                  textAnchor="middle"
                  fontSize="20"
                  fontWeight="650"
                  fill={isNow ? '#2b1a06' : 'currentColor'}
                >
                  {cell.carry ?? ''}
                </text>
              </g>
            );
          })}
        </g>
      ))}
    </Figure>
  );
}

/** Every attempt as a dot in a row: filled is made. */
function Row({ inputs, of }: { inputs: readonly DrillInput[]; of: number }) {
  const answers = inputs.flatMap((i) => (i.kind === 'choice' ? [i.value === 'made'] : []));
  const perRow = 15;
  return (
    <Figure
      label={`${answers.filter(Boolean).length} made of ${answers.length}, ${of} in all`}
      height={Math.ceil(of / perRow) * 22 + 4}
    >
      {Array.from({ length: of }, (_, i) => (
        <circle
          key={i}
          cx={12 + (i % perRow) * 21}
          cy={13 + Math.floor(i / perRow) * 22}
          r="7"
          fill={answers[i] ? 'currentColor' : 'none'}
          stroke="currentColor"
          strokeWidth="1.5"
          opacity={i < answers.length ? 1 : 0.35}
        />
      ))}
    </Figure>
  );
}

const numbersOf = (inputs: readonly DrillInput[]) =>
  inputs.flatMap((i) => (i.kind === 'number' ? [i.tenths / 10] : []));

/** The ratings so far as a line from ball to ball. */
function Trace({ inputs, of }: { inputs: readonly DrillInput[]; of: number }) {
  const ratings = numbersOf(inputs);
  const at = (rating: number, i: number) => `${20 + (i * 280) / Math.max(1, of - 1)} ${100 - rating * 9}`;
  return (
    <Figure label={`Ratings so far: ${ratings.join(', ') || 'none'}`} height={110}>
      <path d="M16 91H310M16 10H310" stroke="currentColor" opacity="0.3" />
      {ratings.length > 0 && (
        <path d={`M${ratings.map(at).join('L')}`} fill="none" stroke="currentColor" strokeWidth="2" />
      )}
      {ratings.map((rating, i) => (
        <circle key={i} cx={at(rating, i).split(' ')[0]} cy={at(rating, i).split(' ')[1]} r="4" />
      ))}
    </Figure>
  );
}

/** The numbers so far on a line, with the band they should lie in. */
function Band({ protocol, inputs }: { protocol: Of<'measuredShots'>; inputs: readonly DrillInput[] }) {
  const numbers = numbersOf(inputs);
  const [least, most] = [protocol.least ?? null, protocol.most ?? null];
  const ends = [...numbers, ...(least === null ? [] : [least]), ...(most === null ? [] : [most])];
  const reach = Math.max(...ends.map(Math.abs), 1) * 1.25;
  const x = (n: number) => 160 + (n / reach) * 150;
  return (
    <Figure
      label={`${numbers.length} numbers so far; the band is ${least ?? '…'} to ${most ?? '…'} ${protocol.unit ?? ''}`}
      height={74}
    >
      <rect
        x={least === null ? 10 : x(least)}
        y="14"
        width={(most === null ? 310 : x(most)) - (least === null ? 10 : x(least))}
        height="30"
        fill="#bcd4a0"
        stroke="currentColor"
      />
      <path d="M10 29H310" stroke="currentColor" />
      {numbers.map((n, i) => (
        <circle key={i} cx={x(n)} cy="29" r="6" fill={dawn} fillOpacity="0.75" stroke="currentColor" />
      ))}
      {[least, most].map((n) =>
        n === null ? null : (
          <text key={n} x={x(n)} y="64" textAnchor="middle">
            {String(n).replace('-', '−')}
          </text>
        ),
      )}
    </Figure>
  );
}
