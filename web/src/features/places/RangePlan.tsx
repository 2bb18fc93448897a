import Box from '@mui/material/Box';
import { lengthUnits } from '../../ui/format';
import type { Place } from './queries';

const yardsPer = { yards: 1, metres: 1 / 0.9144, feet: 1 / 3, inches: 1 / 36 };

/** The range from above: its targets where they stand, arcs every fifty of the unit most of them are marked in. */
export function RangePlan({ place }: { place: Place }) {
  const targets = place.targets ?? [];
  if (targets.length === 0) return null;
  const unit = targets.filter((t) => t.distance.unit === 'metres').length * 2 > targets.length ? 'metres' : 'yards';
  const inUnit = (t: (typeof targets)[number]) => (t.distance.value * yardsPer[t.distance.unit]) / yardsPer[unit];
  const far = Math.max(...targets.map(inUnit), 100);
  const scale = 250 / far;
  const arcs = Array.from({ length: Math.floor(far / 50) }, (_, i) => (i + 1) * 50);
  const at = (distance: number, bearing: number) => {
    const angle = (bearing * Math.PI) / 180;
    return { x: 200 + Math.sin(angle) * distance * scale, y: 275 - Math.cos(angle) * distance * scale };
  };
  return (
    <Box
      component="svg"
      viewBox="0 0 400 300"
      role="img"
      aria-label={targets.map((t) => `${t.name}, ${t.distance.value} ${lengthUnits[t.distance.unit]}`).join('; ')}
      sx={{ width: '100%', maxWidth: 460, bgcolor: '#dfe6cf', borderRadius: 3, display: 'block' }}
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
      <path d="M150 278H250" stroke="#1e3b30" strokeWidth="3" />
      {targets.map((t) => {
        const { x, y } = at(inUnit(t), t.bearingDegrees ?? 0);
        const isLeft = (t.bearingDegrees ?? 0) < 0;
        return (
          <g key={t.name}>
            <path d={`M${x} ${y}v-20l13 5-13 5`} fill="#b24e0c" stroke="#1e3b30" />
            <text x={isLeft ? x - 4 : x + 4} y={y + 13} textAnchor={isLeft ? 'end' : 'start'}>
              {t.name}, {t.distance.value} {lengthUnits[t.distance.unit]}
            </text>
          </g>
        );
      })}
    </Box>
  );
}
