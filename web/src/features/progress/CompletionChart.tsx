import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { BarChart } from '@mui/x-charts/BarChart';
import type { Schemas } from '../../api/client';
import { dayName } from '../../ui/format';

type WeekFigure = Schemas['WeekFigureView'];

/** Completion by week. A week without a figure has no bar, which is not the same as an empty one. */
export function CompletionChart({ weeks }: { weeks: WeekFigure[] }) {
  const theme = useTheme();
  const text = weeks.map((w) => `${dayName(w.monday).slice(4)}: ${inWords(w)}`).join('; ');
  return (
    <Box role="img" aria-label={`Completion by week. ${text}`}>
      <BarChart
        skipAnimation
        height={230}
        hideLegend
        margin={{ left: 0, right: 20, top: 16, bottom: 4 }}
        xAxis={[
          {
            data: weeks.map((w) => dayName(w.monday).slice(4)),
            disableTicks: true,
            tickLabelInterval: (_, i) => i % 3 === (weeks.length - 1) % 3,
            categoryGapRatio: 0.35,
          },
        ]}
        yAxis={[
          {
            min: 0,
            max: 100,
            width: 44,
            disableLine: true,
            disableTicks: true,
            valueFormatter: (v: number) => `${v} %`,
            tickInterval: [0, 50, 100],
          },
        ]}
        grid={{ horizontal: true }}
        series={[
          {
            data: weeks.map((w) => (w.completion.fraction === null ? null : Math.round(w.completion.fraction * 100))),
            label: 'Done',
            color: theme.palette.primary.main,
            valueFormatter: (_, { dataIndex }) => inWords(weeks[dataIndex]),
          },
        ]}
        sx={{
          '& .MuiChartsGrid-line': { stroke: theme.palette.line },
          '& text': { fontFamily: theme.typography.fontFamily },
        }}
      />
    </Box>
  );
}

function inWords(week: WeekFigure | undefined): string {
  if (week?.completion.fraction == null) return 'nothing counted';
  return `${Math.round(week.completion.fraction * 100)} %, ${week.sessionsDone} of ${week.sessions} sessions whole`;
}
