import { lengthUnits } from '../../ui/format';
import { asked, Figure, mark, positionOf, register, stationOf, traceOf, type Of } from './Figure';
import type { DrillInput, Flow, Walk } from './flow';

/** The run as the big number it is, beside the best. */
export function Run({
  protocol,
  flow,
  walk,
  inputs,
}: {
  protocol: Of<'streak'>;
  flow: Flow;
  walk: Walk;
  inputs: readonly DrillInput[];
}) {
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
      {!walk.state &&
        traceOf(flow, inputs, 'run').map((r, i, all) => (
          <rect
            key={i}
            x={6 + (i * 308) / all.length}
            y={94 - (r * 26) / protocol.length}
            width={Math.max(1, 308 / all.length - 1)}
            height={Math.max(1, (r * 26) / protocol.length)}
          />
        ))}
      {(walk.state ? Array.from({ length: dots }) : []).map((_, i) => (
        <circle
          key={i}
          cx={12 + i * (300 / Math.max(dots, 12))}
          cy="80"
          r="5"
          fill={i < run ? mark : 'none'}
          stroke="currentColor"
          strokeWidth="1.5"
        />
      ))}
    </Figure>
  );
}

/** The hole from above: what was holed, what was missed, and where the next putt is. */
export function Around({
  protocol,
  walk,
  inputs,
}: {
  protocol: Of<'compass'>;
  walk: Walk;
  inputs: readonly DrillInput[];
}) {
  const distances = protocol.distances;
  const points = protocol.points;
  const far = Math.max(...distances, 1);
  const putts = distances.flatMap((d) => Array.from({ length: points }, (_, point) => ({ d, point })));
  const answers = inputs.flatMap((i) => (i.kind === 'choice' ? [i.value] : []));
  const next = stationOf(walk);
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
              <path d={`M${x} ${y}L160 105`} stroke={mark} strokeWidth="2" strokeDasharray="5 4" />
              <circle cx={x} cy={y} r="10" fill={mark} stroke="currentColor" strokeWidth="2" />
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
export function Ladder({ protocol, walk }: { protocol: Of<'stepLadder'>; walk: Walk }) {
  const { start, step, top } = protocol;
  const unit = lengthUnits[protocol.unit];
  const steps = Array.from({ length: Math.floor((top - start) / step) + 1 }, (_, i) => start + i * step);
  const now = stationOf(walk);
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
              stroke={isNow ? mark : 'currentColor'}
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
export function Zone({ protocol, walk }: { protocol: Of<'zoneSets'>; walk: Walk }) {
  const zone = walk.state?.at ? protocol.zones[positionOf(walk.state).station] : undefined;
  if (!zone) return null;
  const scale = 2;
  const hole = 14 + zone.pastInches * scale;
  const bounds = `${zone.shortInches} in short, ${zone.pastInches} in past, ${zone.sideInches} in to a side`;
  return (
    <Figure label={`From ${zone.feet} ft: up to ${bounds}`} height={hole + zone.shortInches * scale + 46}>
      <rect
        x={160 - zone.sideInches * scale}
        y={hole - zone.pastInches * scale}
        width={zone.sideInches * 2 * scale}
        height={(zone.pastInches + zone.shortInches) * scale}
        rx="5"
        fill="#efe3a6"
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

/** The score to par, and how it ran. */
export function Score({ flow, walk, inputs }: { flow: Flow; walk: Walk; inputs: readonly DrillInput[] }) {
  const score = register(walk, 'score');
  const shown = score === 0 ? 'level' : score < 0 ? `−${-score}` : `+${score}`;
  const run = [0, ...traceOf(flow, inputs, 'score')];
  const reach = Math.max(3, ...run.map(Math.abs));
  const at = (n: number, i: number) => `${120 + (i * 190) / Math.max(8, run.length - 1)} ${40 + (n * 32) / reach}`;
  return (
    <Figure label={`Score ${shown}`} height={80}>
      <text x="2" y="58" fontSize={score === 0 ? 34 : 54} fontWeight="650">
        {shown}
      </text>
      <path d="M120 40H314" stroke="currentColor" opacity="0.35" />
      <path d={`M${run.map(at).join('L')}`} fill="none" stroke={mark} strokeWidth="3" />
    </Figure>
  );
}

/** Every set as a row: which balls finished inside. */
export function Sets({
  protocol,
  flow,
  inputs,
}: {
  protocol: Of<'zoneSets'>;
  flow: Flow;
  inputs: readonly DrillInput[];
}) {
  const perSet = protocol.zones.length;
  const balls = asked(flow, inputs).flatMap(({ at, input }) =>
    at.isPlaced && input.kind === 'choice' ? [input.value === 'inside'] : [],
  );
  const sets = Array.from({ length: Math.ceil(balls.length / perSet) }, (_, i) =>
    balls.slice(i * perSet, (i + 1) * perSet),
  );
  return (
    <Figure
      label={`${sets.length} sets, ${balls.filter(Boolean).length} of ${balls.length} balls inside`}
      height={sets.length * 24 + 6}
    >
      {sets.map((set, i) => (
        <g key={i}>
          <text x="2" y={i * 24 + 20}>
            set {i + 1}
          </text>
          {set.map((isInside, j) => (
            <circle
              key={j}
              cx={80 + j * 30}
              cy={i * 24 + 15}
              r="8"
              fill={isInside ? 'currentColor' : 'none'}
              stroke="currentColor"
              strokeWidth="1.5"
            />
          ))}
        </g>
      ))}
    </Figure>
  );
}
