import Box from '@mui/material/Box';
import type { KeyboardEvent, MouseEvent } from 'react';
import type { Schemas } from '../../api/client';
import { lengthUnits } from '../../ui/format';
import { bearingInWords } from './direction';
import type { Place } from './queries';

type Target = Schemas['RangeTarget'];

/** Where on the ground: the distance in the unit of the picture, and the degrees to the right of straight ahead. */
export interface Spot {
  distance: number;
  unit: 'yards' | 'metres';
  bearing: number;
}

/** A fairway laid between two bearings, with what lies beyond its edges. */
export interface FairwayOnRange {
  left: number;
  right: number;
  beyondLeft?: string | undefined;
  beyondRight?: string | undefined;
}

interface Props {
  place: Place;
  /** The fairway of a hole that is laid on this range. */
  fairway?: FairwayOnRange | undefined;
  /** Given where the picture is written in: what is in hand, and what a press on the ground or on a target does. */
  hand?: {
    at: number | undefined;
    onGround: (spot: Spot) => void;
    onTarget: (index: number) => void;
  };
}

const yardsPer = { yards: 1, metres: 1 / 0.9144, feet: 1 / 3, inches: 1 / 36 };

/** The bays in the picture, and how long the farthest distance is drawn. */
const bays = { x: 200, y: 275 };
const depth = 250;
/** So far the ground reaches to either side, and so far a range is drawn at least while it is written. */
const widest = 60;
const leastWritten = 200;

const round = (n: number, to: number) => Math.round(n / to) * to;

/** The range from above: its targets where they stand, arcs every fifty of the unit most of them are marked in. */
export function RangePlan({ place, fairway, hand }: Props) {
  const targets = place.targets ?? [];
  if (targets.length === 0 && !hand) return null;
  const unit = targets.filter((t) => t.distance.unit === 'metres').length * 2 > targets.length ? 'metres' : 'yards';
  const inUnit = (t: Target) => (t.distance.value * yardsPer[t.distance.unit]) / yardsPer[unit];
  const far = Math.max(...targets.map(inUnit), hand ? leastWritten : 100);
  const scale = depth / far;
  const arcs = Array.from({ length: Math.floor(far / 50) }, (_, i) => (i + 1) * 50);
  const at = (distance: number, bearing: number) => {
    const angle = (bearing * Math.PI) / 180;
    return { x: bays.x + Math.sin(angle) * distance * scale, y: bays.y - Math.cos(angle) * distance * scale };
  };
  /** A line to the end of the ground, in a direction. */
  const lineTo = (bearing: number) => {
    const { x, y } = at(far * 1.05, bearing);
    return `L${x} ${y}`;
  };
  const spotOf = (x: number, y: number): Spot => {
    const [right, ahead] = [x - bays.x, Math.max(1, bays.y - y)];
    const bearing = Math.round((Math.atan2(right, ahead) * 180) / Math.PI);
    return {
      distance: Math.max(5, round(Math.hypot(right, ahead) / scale, 5)),
      unit,
      bearing: Math.max(-widest, Math.min(widest, bearing)),
    };
  };
  const press = (e: MouseEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    hand?.onGround(spotOf(((e.clientX - box.left) / box.width) * 400, ((e.clientY - box.top) / box.height) * 300));
  };
  const words = (t: Target) =>
    `${t.name || 'no name yet'}, ${t.distance.value} ${lengthUnits[t.distance.unit]}, ${bearingInWords(t.bearingDegrees ?? 0)}`;
  return (
    <Box
      component="svg"
      viewBox="0 0 400 300"
      {...(hand
        ? { role: 'group', 'aria-label': 'The range from above', onClick: press }
        : { role: 'img', 'aria-label': targets.map(words).join('; ') })}
      sx={{
        width: '100%',
        maxWidth: hand ? 560 : 460,
        bgcolor: '#dfe6cf',
        borderRadius: 3,
        display: 'block',
        cursor: hand && 'crosshair',
      }}
      fontSize="12"
      fontFamily="inherit"
      fill="#1e3b30"
    >
      {arcs.map((d) => (
        <g key={d}>
          <path
            d={`M${at(d, -38).x} ${at(d, -38).y}A${d * scale} ${d * scale} 0 0 1 ${at(d, 38).x} ${at(d, 38).y}`}
            fill="none"
            stroke="#1e3b30"
            strokeDasharray="3 5"
            opacity="0.5"
          />
          <text x={at(d, -38).x - 4} y={at(d, -38).y + 4} textAnchor="end" opacity="0.8">
            {d}
          </text>
        </g>
      ))}
      {fairway && (
        <g>
          <path
            d={`M${bays.x} ${bays.y}${[fairway.left, fairway.right].map(lineTo).join('')}Z`}
            fill="#1e3b30"
            fillOpacity="0.14"
            stroke="#1e3b30"
            strokeWidth="1.5"
          />
          {[
            { bearing: fairway.left - 4, words: fairway.beyondLeft, anchor: 'end' as const },
            { bearing: fairway.right + 4, words: fairway.beyondRight, anchor: 'start' as const },
          ].map(
            ({ bearing, words, anchor }) =>
              words && (
                <text key={anchor} {...at(far * 0.62, bearing)} textAnchor={anchor} fontWeight="650">
                  {words}
                </text>
              ),
          )}
        </g>
      )}
      <path d="M150 278H250" stroke="#1e3b30" strokeWidth="3" />
      {targets.map((t, i) => {
        const { x, y } = at(inUnit(t), t.bearingDegrees ?? 0);
        const isLeft = (t.bearingDegrees ?? 0) < 0;
        const isInHand = hand?.at === i;
        return (
          <g
            key={i}
            {...(hand && {
              role: 'button',
              tabIndex: 0,
              'aria-pressed': isInHand,
              'aria-label': words(t),
              cursor: 'pointer',
              onClick: (e: MouseEvent) => {
                e.stopPropagation();
                hand.onTarget(i);
              },
              onKeyDown: (e: KeyboardEvent) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                hand.onTarget(i);
              },
            })}
          >
            {hand && <circle cx={x + 4} cy={y - 8} r="18" fill={isInHand ? '#fffdf7' : 'transparent'} stroke="none" />}
            {isInHand && <circle cx={x + 4} cy={y - 8} r="18" fill="none" stroke="#1e3b30" strokeWidth="2.5" />}
            <path d={`M${x} ${y}v-20l13 5-13 5`} fill="#1e3b30" stroke="#1e3b30" />
            <text
              x={isLeft ? x - 4 : x + 4}
              y={y + 13}
              textAnchor={isLeft ? 'end' : 'start'}
              stroke="#dfe6cf"
              strokeWidth="4"
              paintOrder="stroke"
            >
              {t.name}, {t.distance.value} {lengthUnits[t.distance.unit]}
            </text>
          </g>
        );
      })}
    </Box>
  );
}
