import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { dayName } from '../../ui/format';

type WeekFigure = Schemas['WeekFigureView'];
type Rating = keyof Schemas['MeanRatings'];

const ratings: [Rating, string][] = [
  ['focus', 'Focus'],
  ['quality', 'Quality'],
  ['confidence', 'Confidence'],
  ['enjoyment', 'Enjoyment'],
  ['effort', 'Effort'],
];

/** One small chart for each rating, all on the same 0 to 10, so that none needs a colour to be told from another. */
export function RatingCharts({ weeks }: { weeks: WeekFigure[] }) {
  return (
    <Box sx={{ display: 'grid', gap: 0.5, mt: 1 }}>
      {ratings.map(([rating, name]) => (
        <RatingChart key={rating} name={name} weeks={weeks} values={weeks.map((w) => w.ratings[rating])} />
      ))}
      <Box
        sx={{
          display: 'flex',
          justifyContent: 'space-between',
          pl: '96px',
          pr: '52px',
          fontSize: 13,
          color: 'text.secondary',
        }}
      >
        <span>{weeks[0] && dayName(weeks[0].monday).slice(4)}</span>
        <span>this week</span>
      </Box>
    </Box>
  );
}

function RatingChart({ name, weeks, values }: { name: string; weeks: WeekFigure[]; values: (number | null)[] }) {
  const last = values.findLast((v) => v !== null);
  const text = values
    .map((v, i) => `${dayName(weeks[i]?.monday ?? '').slice(4)}: ${v === null ? 'none' : v.toFixed(1)}`)
    .join('; ');
  return (
    <Box
      role="img"
      aria-label={`${name} by week. ${text}`}
      sx={{ display: 'grid', gridTemplateColumns: '88px 1fr 44px', gap: 1, alignItems: 'center' }}
    >
      <Box sx={{ fontSize: 15 }}>{name}</Box>
      <Box sx={{ borderBottom: '1px solid', borderColor: 'line' }}>
        <Line values={values} />
      </Box>
      <Box sx={{ fontWeight: 620, textAlign: 'right' }}>{last?.toFixed(1) ?? '–'}</Box>
    </Box>
  );
}

/** A line from 0 to 10 with a dot a week. Where a week has no rating it is broken: nothing is drawn across what was not said. */
function Line({ values }: { values: (number | null)[] }) {
  const across = (i: number) => (values.length < 2 ? 50 : (100 * i) / (values.length - 1));
  const up = (value: number) => 100 - value * 10;
  const runs = values
    .map((value, i) => (value === null ? ' ' : `${across(i)},${up(value)};`))
    .join('')
    .split(' ')
    .filter(Boolean);
  return (
    <Box sx={{ height: 44, px: 1, py: 0.75 }}>
      <Box sx={{ position: 'relative', height: '100%', color: 'primary.main' }}>
        <svg
          width="100%"
          height="100%"
          viewBox="0 0 100 100"
          preserveAspectRatio="none"
          style={{ position: 'absolute' }}
        >
          {runs.map((run) => (
            <polyline
              key={run}
              points={run.replaceAll(';', ' ')}
              fill="none"
              stroke="currentColor"
              strokeWidth="2"
              vectorEffect="non-scaling-stroke"
            />
          ))}
        </svg>
        {values.map(
          (value, i) =>
            value !== null && (
              <Box
                key={i}
                sx={{
                  position: 'absolute',
                  left: `${across(i)}%`,
                  top: `${up(value)}%`,
                  width: 9,
                  height: 9,
                  m: '-4.5px',
                  borderRadius: '50%',
                  border: '2px solid',
                  bgcolor: 'background.default',
                }}
              />
            ),
        )}
      </Box>
    </Box>
  );
}
