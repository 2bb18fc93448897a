import { clubs, lengthUnits, shapes, swingLengths } from '../../ui/format';
import type { Schemas } from '../../api/client';
import { asked, Figure, mark, numbersOf, positionOf, register, stationOf, type Of } from './Figure';
import type { DrillInput, Flow, Walk } from './flow';

/** The grid, a row a club: cells gone by, the one in hand, the ones to come. */
export function Grid({
  protocol,
  flow,
  walk,
  inputs,
}: {
  protocol: Of<'carryGrid'>;
  flow: Flow;
  walk: Walk;
  inputs: readonly DrillInput[];
}) {
  const hits = new Set(asked(flow, inputs).flatMap(({ at }) => (at.step === 'hit' ? [at.station] : [])));
  const now = walk.state ? stationOf(walk) : protocol.cells.length;
  const rows = [...new Set(protocol.cells.map((c) => c.club))];
  const unit = lengthUnits[protocol.unit];
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
              <g
                key={i}
                transform={`translate(${66 + column * 84} ${row * 58 + 4})`}
                opacity={i < now && !hits.has(i) ? 0.5 : 1}
              >
                <rect
                  width="76"
                  height="50"
                  rx="8"
                  fill={isNow ? '#b9dedb' : hits.has(i) ? '#bcd4a0' : 'none'}
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
export function Row({ inputs, of }: { inputs: readonly DrillInput[]; of: number }) {
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

/** The numbers so far on a line, with the band they should lie in. */
export function Band({ protocol, inputs }: { protocol: Of<'measuredShots'>; inputs: readonly DrillInput[] }) {
  const numbers = numbersOf(inputs);
  const [least, most] = [protocol.least, protocol.most];
  const ends = [...numbers, ...(least === null ? [] : [least]), ...(most === null ? [] : [most])];
  const reach = Math.max(...ends.map(Math.abs), 1) * 1.25;
  const x = (n: number) => 160 + (n / reach) * 150;
  const mean = numbers.length > 1 ? numbers.reduce((sum, n) => sum + n, 0) / numbers.length : null;
  return (
    <Figure
      label={`${numbers.length} numbers so far; the band is ${least ?? '…'} to ${most ?? '…'} ${protocol.unit}`}
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
        <circle key={i} cx={x(n)} cy="29" r="6" fill={mark} fillOpacity="0.75" stroke="currentColor" />
      ))}
      {mean !== null && <path d={`M${x(mean)} 4V54`} stroke={mark} strokeWidth="3" />}
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

/** The shot that is called: where to, and how it gets there, for this player's hand. */
export function Call({
  calls,
  walk,
  isLeftHanded,
}: {
  calls: readonly Schemas['ShotCall'][];
  walk: Walk;
  isLeftHanded: boolean;
}) {
  const now = stationOf(walk);
  const call = calls[now];
  if (!call) return null;
  // A draw bends towards the lead side: for a right-handed player to the left.
  const bend = call.shape === 'straight' ? 0 : (call.shape === 'draw' ? 1 : -1) * (isLeftHanded ? -1 : 1);
  const peak = { low: 12, normal: 26, high: 44 }[call.height];
  const said = `${clubs[call.club]}, ${shapes[call.shape]}, ${call.height}`;
  return (
    <Figure label={`Call ${now + 1} of ${calls.length}: ${said}${call.target && `, at ${call.target}`}`} height={190}>
      <text x="4" y="22" fontSize="14">
        {now + 1} of {calls.length}
      </text>
      <text x="4" y="58" fontSize="27" fontWeight="650">
        {clubs[call.club]}
      </text>
      <text x="4" y="92" fontSize="23" fontWeight="600" fill={mark}>
        {shapes[call.shape].toLowerCase()}
      </text>
      <path d={`M4 168Q54 ${168 - 2 * peak} 104 168`} fill="none" stroke="currentColor" strokeWidth="2.5" />
      <path d="M0 168H120" stroke="currentColor" opacity="0.35" />
      <text x="4" y="187" fontSize="14">
        {call.height === 'normal' ? 'usual height' : call.height}
      </text>
      <path d="M178 176H300L270 36H208Z" fill="currentColor" opacity="0.07" />
      <path d="M239 176V40" stroke="currentColor" strokeDasharray="3 6" opacity="0.45" />
      <path
        d={`M239 172C${239 + bend * 60} 120 ${239 + bend * 44} 70 239 44`}
        fill="none"
        stroke={mark}
        strokeWidth="4"
      />
      <circle cx="239" cy="172" r="6" stroke="currentColor" fill="#fff" strokeWidth="2" />
      <path d="M239 42V14l18 7-18 7" fill={mark} stroke="currentColor" strokeWidth="1.5" />
      <text x="314" y="12" textAnchor="end" fontSize="14">
        {call.target}
      </text>
    </Figure>
  );
}

/** The calls afterwards: of each, whether the target was hit and the shape came. */
export function CallsDone({ calls, inputs }: { calls: readonly Schemas['ShotCall'][]; inputs: readonly DrillInput[] }) {
  const answers = inputs.flatMap((i) => (i.kind === 'choice' ? [i.value === 'yes'] : []));
  const done = calls.slice(0, Math.ceil(answers.length / 2));
  return (
    <Figure label={`${done.length} calls: the target hit, the shape achieved`} height={done.length * 20 + 24}>
      <text x="236" y="14" textAnchor="middle" fontSize="12">
        target
      </text>
      <text x="292" y="14" textAnchor="middle" fontSize="12">
        shape
      </text>
      {done.map((call, i) => (
        <g key={i}>
          <text x="2" y={i * 20 + 34} fontSize="13">
            {clubs[call.club]}, {shapes[call.shape].toLowerCase()}
            {call.height !== 'normal' && `, ${call.height}`}
          </text>
          {[0, 1].map((which) => {
            const isYes = answers[i * 2 + which];
            return isYes === undefined ? null : (
              <circle
                key={which}
                cx={which === 0 ? 236 : 292}
                cy={i * 20 + 29}
                r="6.5"
                fill={isYes ? 'currentColor' : 'none'}
                stroke="currentColor"
                strokeWidth="1.5"
              />
            );
          })}
        </g>
      ))}
    </Figure>
  );
}

/** The window of the club in hand: each number on its own scale, the bounds filled, what was measured before as dots. */
export function Bounds({
  protocol,
  flow,
  walk,
  inputs,
}: {
  protocol: Of<'window'>;
  flow: Flow;
  walk: Walk;
  inputs: readonly DrillInput[];
}) {
  const { station: c, ball } = positionOf(walk.state);
  const b = walk.state ? ball : -1;
  const club = protocol.clubs[c];
  if (!club) return null;
  const given = asked(flow, inputs);
  const bounds = club.bounds.map(
    (bound) => `${bound.what} from ${bound.least ?? '…'} to ${bound.most ?? '…'} ${bound.unit ?? ''}`,
  );
  return (
    <Figure label={`${clubs[club.club]}: ${bounds.join('; ')}`} height={club.bounds.length * 52 + 6}>
      {club.bounds.map((bound, i) => {
        const numbers = given.flatMap(({ at, input }) =>
          at.station === c && at.ball === i && input.kind === 'number' ? [input.tenths / 10] : [],
        );
        const [least, most] = [bound.least ?? null, bound.most ?? null];
        const reach = Math.max(...[...numbers, least ?? 0, most ?? 0].map(Math.abs), 1) * 1.3;
        const x = (n: number) => 160 + (n / reach) * 150;
        const y = i * 52;
        const isNow = i === b;
        return (
          <g key={bound.what} opacity={isNow || b < 0 ? 1 : 0.6}>
            <text x="2" y={y + 14} fontWeight={isNow ? 700 : 400}>
              {bound.what}
            </text>
            <rect
              x={least === null ? 4 : x(least)}
              y={y + 20}
              width={(most === null ? 316 : x(most)) - (least === null ? 4 : x(least))}
              height="20"
              fill="#bcd4a0"
              stroke="currentColor"
              strokeWidth={isNow ? 2.5 : 1}
            />
            <path d={`M4 ${y + 30}H316`} stroke="currentColor" opacity="0.5" />
            {numbers.map((n, j) => (
              <circle key={j} cx={x(n)} cy={y + 30} r="5.5" fill={mark} fillOpacity="0.75" stroke="currentColor" />
            ))}
            <text x="316" y={y + 14} textAnchor="end">
              {least === null ? 'at most ' : most === null ? 'at least ' : `${String(least).replace('-', '−')} to `}
              {String(most ?? least).replace('-', '−')} {bound.unit}
            </text>
          </g>
        );
      })}
    </Figure>
  );
}

/** The hole with this level's circle to scale, the stations around it, and where the balls of this level came to rest. */
export function Circle({
  protocol,
  flow,
  walk,
  inputs,
}: {
  protocol: Of<'proximityLevels'>;
  flow: Flow;
  walk: Walk;
  inputs: readonly DrillInput[];
}) {
  const radii = protocol.radiiFeet;
  const { station: level, ball } = positionOf(walk.state);
  const station = walk.state ? ball : -1;
  const radius = radii[walk.state ? level : radii.length - 1] ?? 1;
  const scale = 58 / Math.max(...radii, 1);
  const at = (i: number, feet: number) => {
    const angle = Math.PI / 2 + (2 * Math.PI * i) / Math.max(3, protocol.stations.length);
    const r = Math.min(74, feet * scale);
    return [160 + r * Math.cos(angle), 78 + r * Math.sin(angle)] as const;
  };
  const balls = asked(flow, inputs).flatMap(({ at: position, input }) =>
    input.kind === 'number' && position.station === level ? [{ s: position.ball, feet: input.tenths / 10 }] : [],
  );
  const next = protocol.stations[station];
  return (
    <Figure label={`Level ${level + 1} of ${radii.length}: a circle of ${radius} ft around the hole`} height={158}>
      <circle cx="160" cy="78" r={radius * scale} fill="#bcd4a0" stroke="currentColor" strokeWidth="2" />
      <circle cx="160" cy="78" r="4" />
      {balls.map(({ s, feet }, i) => {
        const [x, y] = at(s, feet);
        return <circle key={i} cx={x} cy={y} r="4.5" fill={mark} fillOpacity="0.7" stroke="currentColor" />;
      })}
      {next && (
        <path
          d={`M${at(station, 1000)[0]} ${at(station, 1000)[1]}L160 78`}
          stroke={mark}
          strokeWidth="2"
          strokeDasharray="5 4"
        />
      )}
      <text x="4" y="18" fontSize="18" fontWeight="650">
        {radius} ft
      </text>
      {radii.map((r, i) => (
        <rect
          key={r}
          x="300"
          y={8 + i * 20}
          width="14"
          height="14"
          rx="3"
          fill={i < register(walk, 'passed') ? 'currentColor' : 'none'}
          stroke={i === level ? mark : 'currentColor'}
          strokeWidth={i === level ? 3 : 1}
        />
      ))}
    </Figure>
  );
}

/** Repetitions are only counted. */
export function Count({ protocol, walk }: { protocol: Of<'repetitions'>; walk: Walk }) {
  const done = register(walk, 'count');
  return (
    <Figure label={`${done} done${protocol.count ? ` of ${protocol.count}` : ''}`} height={70}>
      <text x="160" y="54" fontSize="56" fontWeight="650" textAnchor="middle">
        {done}
      </text>
      {protocol.count && (
        <text x="314" y="54" textAnchor="end" fontSize="18">
          of {protocol.count}
        </text>
      )}
    </Figure>
  );
}

/** The card of up and down, a box a station: the strokes it took, and its par beneath. */
export function StationCard({ protocol, inputs }: { protocol: Of<'upAndDown'>; inputs: readonly DrillInput[] }) {
  const strokes = inputs.flatMap((i) => (i.kind === 'choice' ? [Number(i.value)] : []));
  const { stations } = protocol;
  const shown = Math.max(stations.length, strokes.length);
  return (
    <Figure label={`${strokes.length} stations holed out: ${strokes.join(', ')}`} height={Math.ceil(shown / 9) * 62}>
      {Array.from({ length: shown }, (_, i) => {
        const par = stations[i % stations.length]?.par ?? 2;
        const took = strokes[i];
        return (
          <g key={i} transform={`translate(${2 + (i % 9) * 35} ${Math.floor(i / 9) * 62 + 2})`}>
            <rect
              width="31"
              height="36"
              rx="6"
              fill={took !== undefined && took <= par ? '#bcd4a0' : 'none'}
              stroke="currentColor"
              strokeWidth={i === strokes.length ? 3 : 1.5}
            />
            <text
              x="15.5"
              y="25"
              textAnchor="middle"
              fontSize="18"
              fontWeight="650"
              fill={took !== undefined && took <= par ? '#2b1a06' : 'currentColor'}
            >
              {took ?? ''}
            </text>
            <text x="15.5" y="53" textAnchor="middle" fontSize="13">
              par {par}
            </text>
          </g>
        );
      })}
    </Figure>
  );
}

/** How far from each target the balls finished, a row a target; shaded as far as the target's green goes. */
export function Closeness({ protocol, inputs }: { protocol: Of<'approachShots'>; inputs: readonly DrillInput[] }) {
  const { targets, unit, greenRadius } = protocol;
  const from = inputs.flatMap((i) => (i.kind === 'number' ? [i.tenths / 10] : []));
  const most = Math.max(30, ...from);
  const x = (n: number) => 92 + (n / most) * 218;
  const height = targets.length * 34 + 22;
  const sign = lengthUnits[unit];
  return (
    <Figure
      label={`From the target: ${from.map((n, i) => `${n} ${sign} at ${targets[i % targets.length]?.distance ?? 0}`).join(', ')}`}
      height={height}
    >
      {targets.map((target, row) => {
        const y = row * 34 + 18;
        const isNext = from.length % targets.length === row;
        return (
          <g key={row}>
            <text x="86" y={y + 5} textAnchor="end" fontSize="15" fontWeight={isNext ? 650 : 400}>
              {Math.round(target.distance)} {sign}
            </text>
            <rect x={x(0)} y={y - 10} width={x(greenRadius) - x(0)} height="20" fill="#bcd4a0" opacity="0.6" />
            <path d={`M${x(0)} ${y}H${x(most)}`} stroke="currentColor" opacity="0.35" />
            <path d={`M${x(0)} ${y - 10}v20`} stroke="currentColor" strokeWidth="2" />
            {from.map((n, i) =>
              i % targets.length === row ? (
                <circle
                  key={i}
                  cx={x(n)}
                  cy={y}
                  r="5"
                  fill={i === from.length - 1 ? 'currentColor' : 'none'}
                  stroke="currentColor"
                  strokeWidth="1.8"
                />
              ) : null,
            )}
          </g>
        );
      })}
      <text x={x(0)} y={height - 3} fontSize="13">
        at it
      </text>
      <text x={x(most)} y={height - 3} fontSize="13" textAnchor="end">
        {Math.round(most)} {sign} off
      </text>
    </Figure>
  );
}
