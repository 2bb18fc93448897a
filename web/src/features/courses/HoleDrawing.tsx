import Box from '@mui/material/Box';
import { useId } from 'react';
import type { Schemas } from '../../api/client';

/** A hole as it is drawn, whether it stands in a course or is laid out for a player. */
export interface DrawnHole {
  par: number;
  length: number;
  bend?: Schemas['Bend'];
  left?: Schemas['TroubleKind'] | null;
  right?: Schemas['TroubleKind'] | null;
  across?: { kind: Schemas['TroubleKind']; from: number; to: number } | null;
  green?: Schemas['Green'];
  pin?: Schemas['Pin'];
  /** What stands at the edges of the fairway on a range. */
  edges?: { left: string; right: string };
}

/** A place on the drawing that can be pressed, and the same place in words. */
export interface DrawnPlace {
  value: string;
  label: string;
}

interface Props {
  hole: DrawnHole;
  /** What is left to the hole; no value draws no ball. */
  left?: number | undefined;
  /** Where the ball lies, as it was told; no value lies on the line. */
  lies?: string | undefined;
  /** How far from the tee the next shot is meant to end; places are drawn there. */
  landing?: number | undefined;
  places?: DrawnPlace[];
  onPlace?: (value: string) => void;
  /** The hole in words. */
  label: string;
}

const width = 320;
const height = 236;
const tee = { x: 160, y: 222 };
const greenY = 36;
const ink = '#1e3b30';

export const troubleFills: Record<Schemas['TroubleKind'], string> = {
  sand: '#e8d59a',
  trees: '#6f8f5e',
  water: '#9cc4d8',
  outOfBounds: '#d9d3c6',
};

/** Where a hole's line runs, from its tee (0) to its green (1). */
function lineOf(hole: DrawnHole) {
  const end = { x: 160 + (hole.bend === 'left' ? -46 : hole.bend === 'right' ? 46 : 0), y: greenY };
  const bow = { x: 160 - (end.x - 160) * 0.25, y: 108 };
  const at = (t: number) => ({
    x: (1 - t) ** 2 * tee.x + 2 * t * (1 - t) * bow.x + t ** 2 * end.x,
    y: (1 - t) ** 2 * tee.y + 2 * t * (1 - t) * bow.y + t ** 2 * end.y,
  });
  const path = (from: number, to: number, aside = 0) => {
    const steps = 12;
    return Array.from({ length: steps + 1 }, (_, i) => at(from + ((to - from) * i) / steps))
      .map(({ x, y }, i) => `${i ? 'L' : 'M'}${(x + aside).toFixed(1)} ${y.toFixed(1)}`)
      .join('');
  };
  return { at, path, end };
}

/** How far beside the line a place lies. */
const asides: Record<string, number> = {
  fairway: 0,
  roughLeft: -52,
  roughRight: 52,
  sandLeft: -106,
  treesLeft: -106,
  waterLeft: -106,
  outLeft: -106,
  sandRight: 104,
  treesRight: 104,
  waterRight: 104,
  outRight: 104,
};

/** Whether a ball comes to rest at a place of this name and is played from there; out of bounds none is. */
export const isPlace = (value: string) =>
  !value.startsWith('out') && (value in asides || /Green$|Across$|^(green|leftShort)$/.test(value));

/** How far beside the line a ball is drawn that lies there: in what is drawn there, short of the edge of the picture. */
const besideLine = (place: string | undefined) =>
  place === 'leftOfGreen' ? -52 : place === 'rightOfGreen' ? 52 : Math.min(92, Math.max(-92, asides[place ?? ''] ?? 0));

/** A hole from above, its tee at the bottom: fairway, trouble, green, where the ball lies. */
export function HoleDrawing({ hole, left, lies, landing, places = [], onPlace, label }: Props) {
  const id = useId();
  const { at, path, end } = lineOf(hole);
  const share = (fromTee: number) => Math.min(1, Math.max(0, fromTee / Math.max(1, hole.length)));
  const onLine = left === undefined ? undefined : at(share(hole.length - left));
  const ball = onLine && { x: onLine.x + besideLine(lies), y: onLine.y };
  const hasFairway = hole.par > 3;
  const placeAt = (value: string) => {
    if (value.endsWith('Across') && hole.across) return at(share((hole.across.from + hole.across.to) / 2));
    const { x, y } = at(Math.min(0.8, share(landing ?? hole.length / 2)));
    return { x: x + (asides[value] ?? 0), y };
  };
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      sx={{ display: 'block', width: '100%', maxWidth: 420, mx: 'auto', bgcolor: '#cfdcb4', borderRadius: 2 }}
      fontFamily="inherit"
      fontSize="12"
      fill={ink}
    >
      <TroubleTextures id={id} />
      {(['left', 'right'] as const).map((side) => {
        const kind = hole[side];
        if (!kind) return null;
        const aside = side === 'left' ? -1 : 1;
        return kind === 'outOfBounds' ? (
          <path
            key={side}
            d={path(0.05, 0.95, aside * 62)}
            fill="none"
            stroke={ink}
            strokeWidth="2.5"
            strokeDasharray="2 9"
            strokeLinecap="round"
          />
        ) : (
          <path
            key={side}
            d={path(0.12, 0.86, aside * 84)}
            fill="none"
            stroke={`url(#${id}-${kind})`}
            strokeWidth="56"
            strokeLinecap="round"
          />
        );
      })}
      {hasFairway && <path d={path(0.16, 0.9)} fill="none" stroke="#e3ebc6" strokeWidth="54" strokeLinecap="round" />}
      {hole.across && <Across hole={hole} fill={`url(#${id}-${hole.across.kind})`} at={at} share={share} />}
      <GreenShape green={hole.green} pin={hole.pin} x={end.x} y={end.y} size={hasFairway ? 25 : 34} id={id} />
      <path d={`M${tee.x - 12} ${tee.y}h24`} stroke={ink} strokeWidth="4" />
      {hole.edges && places.length === 0 && (
        <>
          <Edge text={hole.edges.left} {...at(0.46)} side={-1} />
          <Edge text={hole.edges.right} {...at(0.46)} side={1} />
        </>
      )}
      {ball && (
        <>
          <path
            d={`M${ball.x} ${ball.y}L${end.x} ${end.y}`}
            fill="none"
            stroke={ink}
            strokeWidth="1.5"
            strokeDasharray="3 5"
            opacity="0.7"
          />
          <circle cx={ball.x} cy={ball.y} r="6.5" fill="#fff" stroke={ink} strokeWidth="2" />
        </>
      )}
      {places.map((place) => (
        <Place key={place.value} {...place} {...placeAt(place.value)} onPlace={onPlace} />
      ))}
    </Box>
  );
}

function Across({
  hole,
  fill,
  at,
  share,
}: {
  hole: DrawnHole;
  fill: string;
  at: (t: number) => { x: number; y: number };
  share: (fromTee: number) => number;
}) {
  if (!hole.across) return null;
  const near = at(share(hole.across.from));
  const far = at(share(hole.across.to));
  return (
    <rect x="8" width={width - 16} y={far.y} height={Math.max(8, near.y - far.y)} rx="7" fill={fill} opacity="0.95" />
  );
}

/** What stands at an edge of the fairway, its words broken into short lines. */
function Edge({ text, x, y, side }: { text: string; x: number; y: number; side: -1 | 1 }) {
  const lines = text.split(' ').reduce<string[]>((all, word) => {
    const last = all.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= 14) all[all.length - 1] = `${last} ${word}`;
    else all.push(word);
    return all;
  }, []);
  const at = x + side * 31;
  return (
    <g textAnchor={side < 0 ? 'end' : 'start'} fontWeight="620" stroke="#cfdcb4" strokeWidth="4" paintOrder="stroke">
      <path d={`M${at} ${y + 8}v-24`} stroke={ink} strokeWidth="3" />
      {lines.map((line, i) => (
        <text key={line} x={at + side * 6} y={y - 6 + i * 13}>
          {line}
        </text>
      ))}
    </g>
  );
}

/** A spot to press on the drawing. The same places stand as buttons below, for keys and for whoever listens. */
function Place({
  value,
  label,
  x,
  y,
  onPlace,
}: DrawnPlace & { x: number; y: number; onPlace: ((value: string) => void) | undefined }) {
  return (
    <g aria-hidden cursor="pointer" onClick={() => onPlace?.(value)} data-place={value}>
      <rect x={x - 25} y={y - 22} width="50" height="44" rx="9" fill="#fffdf7" fillOpacity="0.82" stroke={ink} />
      <text x={x} y={y + 4} textAnchor="middle" fontSize="11" fontWeight="620">
        {label}
      </text>
    </g>
  );
}

const sideOf = { left: -1, middle: 0, right: 1 } as const;
const depthOf = { front: 1, middle: 0, back: -1 } as const;

/** A green with what lies around it and its flag. */
function GreenShape({
  green,
  pin,
  x,
  y,
  size,
  id,
}: {
  green: Schemas['Green'] | undefined;
  pin: Schemas['Pin'] | undefined;
  x: number;
  y: number;
  size: number;
  id: string;
}) {
  const [rx, ry] = [size * 1.15, size * 0.82];
  const around = [
    { kind: green?.left, cx: x - rx * 1.22, cy: y, rx: rx * 0.42, ry: ry * 0.8 },
    { kind: green?.right, cx: x + rx * 1.22, cy: y, rx: rx * 0.42, ry: ry * 0.8 },
    { kind: green?.front, cx: x, cy: y + ry * 1.3, rx: rx * 0.8, ry: ry * 0.36 },
    { kind: green?.back, cx: x, cy: y - ry * 1.3, rx: rx * 0.8, ry: ry * 0.36 },
  ];
  const flag = {
    x: x + sideOf[pin?.side ?? 'middle'] * rx * 0.5,
    y: y + depthOf[pin?.depth ?? 'middle'] * ry * 0.45,
  };
  return (
    <g>
      {around.map(({ kind, ...shape }) =>
        kind ? <ellipse key={`${shape.cx} ${shape.cy}`} {...shape} fill={`url(#${id}-${kind})`} stroke={ink} /> : null,
      )}
      <ellipse cx={x} cy={y} rx={rx} ry={ry} fill="#f3f6dc" stroke={ink} strokeWidth="1.5" />
      <path
        d={`M${flag.x} ${flag.y}v${-size * 0.95}l${size * 0.5} ${size * 0.18}-${size * 0.5} ${size * 0.18}`}
        fill={ink}
        stroke={ink}
        strokeWidth="1.5"
      />
      <circle cx={flag.x} cy={flag.y} r="2" />
    </g>
  );
}

/** Around the green, drawn close: where a shot at it can come to rest. */
export function GreenDrawing({
  hole,
  places,
  onPlace,
  label,
}: {
  hole: DrawnHole;
  places: DrawnPlace[];
  onPlace: (value: string) => void;
  label: string;
}) {
  const id = useId();
  const beside = hole.green ?? {};
  const sides = (kind: Schemas['TroubleKind']) =>
    beside.left === kind
      ? { x: 62, y: 54 }
      : beside.right === kind
        ? { x: 258, y: 54 }
        : beside.front === kind
          ? { x: 238, y: 172 }
          : { x: 82, y: 24 };
  const at: Record<string, { x: number; y: number }> = {
    green: { x: 128, y: 124 },
    leftShort: { x: 160, y: 194 },
    leftOfGreen: { x: 44, y: 112 },
    rightOfGreen: { x: 276, y: 112 },
    overGreen: { x: 160, y: 24 },
    greenSand: sides('sand'),
    greenWater: sides('water'),
    waterAcross: { x: 66, y: 194 },
    sandAcross: { x: 66, y: 194 },
    holed: { x: 196, y: 92 },
  };
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${width} 222`}
      role="img"
      aria-label={label}
      sx={{ display: 'block', width: '100%', maxWidth: 420, mx: 'auto', bgcolor: '#cfdcb4', borderRadius: 2 }}
      fontFamily="inherit"
      fontSize="12"
      fill={ink}
    >
      <TroubleTextures id={id} />
      <GreenShape green={hole.green} pin={hole.pin} x={160} y={108} size={66} id={id} />
      {places
        .filter((place) => at[place.value])
        .map((place) => (
          <Place key={place.value} {...place} {...(at[place.value] ?? { x: 0, y: 0 })} onPlace={onPlace} />
        ))}
    </Box>
  );
}

/** Trouble is told by its texture too, not by its colour alone. */
function TroubleTextures({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}-water`} width="16" height="9" patternUnits="userSpaceOnUse">
        <rect width="16" height="9" fill={troubleFills.water} />
        <path d="M0 5c2.7-3 5.3-3 8 0s5.3 3 8 0" fill="none" stroke="#3f7590" />
      </pattern>
      <pattern id={`${id}-sand`} width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill={troubleFills.sand} />
        <circle cx="2" cy="2" r="0.9" fill="#8a7431" />
        <circle cx="6" cy="6" r="0.9" fill="#8a7431" />
      </pattern>
      <pattern id={`${id}-trees`} width="15" height="13" patternUnits="userSpaceOnUse">
        <rect width="15" height="13" fill="#a9bf8e" />
        <circle cx="5" cy="5" r="4" fill={troubleFills.trees} />
        <circle cx="12" cy="10.5" r="3" fill={troubleFills.trees} />
      </pattern>
      <pattern id={`${id}-outOfBounds`} width="9" height="9" patternUnits="userSpaceOnUse">
        <rect width="9" height="9" fill={troubleFills.outOfBounds} />
        <path d="M0 9 9 0" stroke={ink} strokeWidth="0.8" />
      </pattern>
    </defs>
  );
}
