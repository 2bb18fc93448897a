import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { dayName } from '../../ui/format';
import { scaleOf, TimePlot } from '../../ui/TimePlot';

type Curve = Schemas['ResultCurve'];

const shownFirst = 6;

export const groups: Record<Schemas['PhaseGroup'], string> = {
  warmUp: 'in the warm-up',
  block: 'in block',
  randomOrOnCourse: 'in random and on holes',
};

/** A unit as it stands behind its number. */
export const unitBehind = (unit: string) =>
  unit === '%' ? '\u00a0%' : unit === '' || unit === '°' ? unit : `\u00a0${unit}`;

const valueOf = ({ figure }: Curve, value: number) =>
  value.toFixed(figure.decimals).replace('-', '−') + unitBehind(figure.unit);

/** What a curve shows, for those who cannot see it. */
export const curveInWords = (curve: Curve) =>
  `${curve.drill}, ${groups[curve.group]}, ${curve.figure.label}: ` +
  curve.dots
    .map((d, i) => {
      const isBroken = i > 0 && curve.dots[i - 1]?.stretch !== d.stretch;
      return `${isBroken ? 'then changed; ' : ''}${dayName(d.day)} ${valueOf(curve, d.value)}${d.isHollow ? ' in a lesson' : ''}`;
    })
    .join(', ');

export const scaleOfCurve = (curve: Curve) =>
  scaleOf(
    [...curve.dots.flatMap((d) => [d.value, d.doubt?.low, d.doubt?.high]), curve.goal?.limit],
    curve.figure.unit === '%' ? [0, 100] : undefined,
  );

/** What was asked, as a band without an end on its better side. */
export function bandOf(curve: Curve) {
  if (!curve.goal || curve.goal.measure !== curve.figure.name) return undefined;
  return curve.figure.better === 'lower'
    ? { least: null, most: curve.goal.limit }
    : { least: curve.goal.limit, most: null };
}

/** Results by drill, small: each opens large. */
export function Curves({ progress, linkTo }: { progress: Schemas['ProgressView']; linkTo: (curve: Curve) => string }) {
  const [all, setAll] = useState(false);
  const { curves, weeks, today, competitions } = progress;
  const from = weeks[Math.max(0, weeks.length - 12)]?.monday ?? today;
  if (curves.length === 0) return null;
  return (
    <Box component="section" aria-label="Results by drill" sx={{ mt: 4 }}>
      <Typography variant="h2">Results by drill</Typography>
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          m: 0,
          mt: 1.5,
          p: 0,
          display: 'grid',
          gridTemplateColumns: { sm: '1fr 1fr', lg: '1fr 1fr 1fr' },
          columnGap: 4,
          rowGap: 3,
        }}
      >
        {(all ? curves : curves.slice(0, shownFirst)).map((curve) => (
          <Box component="li" key={`${curve.drillId} ${curve.group}`} sx={{ minWidth: 0 }}>
            <Typography variant="h3" sx={{ display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
              <Link to={linkTo(curve)}>{curve.drill}</Link>
              <Box component="span" sx={{ fontSize: 14, fontWeight: 400, color: 'text.secondary' }}>
                {curve.figure.label}, {groups[curve.group]}
              </Box>
            </Typography>
            <Box sx={{ pl: '34px', mt: 1 }}>
              <TimePlot
                label={curveInWords(curve)}
                from={from}
                to={today}
                {...scaleOfCurve(curve)}
                dots={curve.dots}
                {...(bandOf(curve) && { band: bandOf(curve) ?? { least: null, most: null } })}
                competitions={competitions.filter((c) => c.firstDay >= from && c.firstDay <= today)}
                marks={curve.goal && curve.goal.measure === curve.figure.name ? [curve.goal.limit] : []}
                unit={curve.figure.unit}
                height={76}
              />
            </Box>
            <Typography variant="body2" sx={{ mt: 0.5 }}>
              {curve.trend.text}
            </Typography>
          </Box>
        ))}
      </Box>
      {curves.length > shownFirst && (
        <Button onClick={() => setAll((a) => !a)} sx={{ mt: 1, ml: -1 }}>
          {all ? 'Show fewer' : `Show the other ${curves.length - shownFirst}`}
        </Button>
      )}
    </Box>
  );
}
