import Box from '@mui/material/Box';
import { Figure, mark, numbersOf, positionOf, register, stationOf, type Of } from './Figure';
import type { DrillInput, Walk } from './flow';

/** The ratings so far as a line from ball to ball. */
export function Trace({ inputs, of }: { inputs: readonly DrillInput[]; of: number }) {
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

/** Steps as a path: what is behind, what is now, what comes. Four steps of equal length are a box to walk around. */
export function Steps({ protocol, walk }: { protocol: Of<'timedSteps'>; walk: Walk }) {
  const now = stationOf(walk);
  const { steps } = protocol;
  const isBox = steps.length === 4 && steps.every((s) => s.seconds && s.seconds === steps[0]?.seconds);
  if (isBox) {
    const sides = ['M110 130V30', 'M110 30H210', 'M210 30V130', 'M210 130H110'];
    const places = [
      [104, 84, 'end'],
      [160, 22, 'middle'],
      [216, 84, 'start'],
      [160, 148, 'middle'],
    ] as const;
    return (
      <Figure label={now < 0 ? 'The box is walked' : `Now: ${steps[now]?.label ?? ''}`} height={156}>
        {sides.map((side, i) => (
          <g key={side}>
            <path
              d={side}
              stroke={i === now ? mark : 'currentColor'}
              strokeWidth={i === now ? 8 : 2}
              strokeLinecap="round"
            />
            <text x={places[i]?.[0]} y={places[i]?.[1]} textAnchor={places[i]?.[2]} fontWeight={i === now ? 700 : 400}>
              {steps[i]?.label}
            </text>
          </g>
        ))}
      </Figure>
    );
  }
  const done = register(walk, 'steps') % steps.length;
  const first = Math.max(0, Math.min(done - 1, steps.length - 4));
  const shown = steps.slice(first, first + 4);
  return (
    <Figure label={now < 0 ? 'All steps done' : `Step ${now + 1} of ${steps.length}`} height={shown.length * 34 + 6}>
      {shown.map((step, i) => {
        const isNow = first + i === now;
        return (
          <g key={first + i} opacity={first + i < now ? 0.5 : 1}>
            <circle
              cx="14"
              cy={i * 34 + 18}
              r={isNow ? 9 : 6}
              fill={isNow ? mark : first + i < now || now < 0 ? 'currentColor' : 'none'}
              stroke="currentColor"
              strokeWidth="1.5"
            />
            <text x="34" y={i * 34 + 24} fontSize={isNow ? 18 : 15} fontWeight={isNow ? 650 : 400}>
              {step.label}
            </text>
            <text x="316" y={i * 34 + 24} textAnchor="end" fontSize="14">
              {step.seconds ? `${step.seconds} s` : `${step.times ?? 1} ×`}
            </text>
          </g>
        );
      })}
    </Figure>
  );
}

/** What was guessed is put away before anything is measured: the picture says how far one is, and no number. */
export function Sealed({ protocol, walk }: { protocol: Of<'guessAndCheck'>; walk: Walk }) {
  const { station: i, step } = positionOf(walk.state);
  const n = protocol.quantities.length;
  const isMeasuring = step === 'measure';
  const sealed = isMeasuring ? n : i;
  const width = Math.min(70, 250 / n);
  return (
    <Figure
      label={isMeasuring ? 'The guesses are put away; now measure' : `Guess ${i + 1} of ${n}; nothing is measured yet`}
      height={104}
    >
      <text x="2" y="30">
        guessed
      </text>
      <text x="2" y="82">
        measured
      </text>
      {protocol.quantities.map((quantity, q) => {
        const x = 72 + q * width;
        const isNow = q === i;
        const isMeasured = isMeasuring && q < i;
        return (
          <g key={quantity} stroke="currentColor" strokeWidth="1.5">
            <rect x={x} y="10" width={width - 10} height="32" rx="4" fill={q < sealed ? '#efe3a6' : 'none'} />
            {q < sealed && <path d={`M${x} 10L${x + (width - 10) / 2} 28L${x + width - 10} 10`} fill="none" />}
            {!isMeasuring && isNow && (
              <rect x={x - 3} y="7" width={width - 4} height="38" rx="6" fill="none" stroke={mark} strokeWidth="3" />
            )}
            <rect x={x} y="62" width={width - 10} height="32" rx="4" fill={isMeasured ? '#bcd4a0' : 'none'} />
            {isMeasuring && isNow && (
              <rect x={x - 3} y="59" width={width - 4} height="38" rx="6" fill="none" stroke={mark} strokeWidth="3" />
            )}
          </g>
        );
      })}
    </Figure>
  );
}

/** Afterwards: guess minus measured of every attempt, a row for each quantity; the line in the middle is "as measured". */
export function Differences({ protocol, inputs }: { protocol: Of<'guessAndCheck'>; inputs: readonly DrillInput[] }) {
  const n = protocol.quantities.length;
  const numbers = numbersOf(inputs);
  const perQuantity = protocol.quantities.map((_, q) =>
    Array.from({ length: Math.floor(numbers.length / (2 * n)) }, (_, attempt) => {
      const at = attempt * 2 * n + q;
      return (numbers[at] ?? 0) - (numbers[at + n] ?? 0);
    }),
  );
  return (
    <Figure label="Guess minus measured, attempt by attempt" height={n * 44 + 18}>
      {protocol.quantities.map((quantity, q) => {
        const differences = perQuantity[q] ?? [];
        const reach = Math.max(...differences.map(Math.abs), 0.5) * 1.1;
        return (
          <g key={quantity}>
            <path d={`M20 ${q * 44 + 24}H300`} stroke="currentColor" opacity="0.4" />
            <path d={`M160 ${q * 44 + 10}V${q * 44 + 38}`} stroke="currentColor" strokeWidth="2" />
            {differences.map((d, i) => (
              <circle
                key={i}
                cx={160 + (d / reach) * 136}
                cy={q * 44 + 24}
                r="6"
                fill={mark}
                fillOpacity="0.7"
                stroke="currentColor"
              />
            ))}
          </g>
        );
      })}
      <text x="20" y={n * 44 + 14} fontSize="12">
        guessed less
      </text>
      <text x="300" y={n * 44 + 14} fontSize="12" textAnchor="end">
        guessed more
      </text>
    </Figure>
  );
}

const scenes = [
  ['write', 'see it'],
  ['breathe', 'breathe'],
  ['walkIn', 'walk in'],
  ['putt', 'putt'],
  ['judge', 'judge'],
] as const;

/** The scene in the student's own words, which stay in sight from breathing to judging. */
export function Scene({ walk, inputs }: { walk: Walk; inputs: readonly DrillInput[] }) {
  const step = walk.state ? positionOf(walk.state).step : undefined;
  const now = scenes.findIndex(([state]) => state === step);
  const words = inputs.findLast((i) => i.kind === 'text');
  return (
    <>
      <Figure label={now < 0 ? 'The scenes are played' : `Now: ${scenes[now]?.[1] ?? ''}`} height={46}>
        <path d="M26 14H294" stroke="currentColor" opacity="0.4" />
        {scenes.map(([state, title], i) => (
          <g key={state}>
            <circle
              cx={26 + i * 67}
              cy="14"
              r={i === now ? 9 : 6}
              fill={i === now ? mark : i < now ? 'currentColor' : '#fff'}
              stroke="currentColor"
              strokeWidth="1.5"
            />
            <text x={26 + i * 67} y="40" textAnchor="middle" fontSize="13" fontWeight={i === now ? 700 : 400}>
              {title}
            </text>
          </g>
        ))}
      </Figure>
      {words && step !== 'write' && (
        <Box
          component="blockquote"
          sx={{
            m: 0,
            my: 1,
            pl: 2,
            borderLeft: '4px solid',
            borderColor: 'line',
            fontSize: 18,
            overflowWrap: 'anywhere',
          }}
        >
          {words.text}
        </Box>
      )}
    </>
  );
}
