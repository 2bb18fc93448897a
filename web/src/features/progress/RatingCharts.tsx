import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { LineChart } from '@mui/x-charts/LineChart';
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
  const theme = useTheme();
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
        <LineChart
          skipAnimation
          height={44}
          hideLegend
          margin={{ left: 8, right: 8, top: 6, bottom: 6 }}
          xAxis={[{ data: values.map((_, i) => i), position: 'none', scaleType: 'point' }]}
          yAxis={[{ min: 0, max: 10, position: 'none' }]}
          series={[
            {
              data: values,
              curve: 'linear',
              color: theme.palette.primary.main,
              showMark: true,
              connectNulls: false,
              shape: 'circle',
            },
          ]}
          slotProps={{ tooltip: { trigger: 'none' } }}
        />
      </Box>
      <Box sx={{ fontWeight: 620, textAlign: 'right' }}>{last?.toFixed(1) ?? '–'}</Box>
    </Box>
  );
}
