import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../api/client';
import { dayName, plusDays } from '../../ui/format';
import { unitBehind } from './Curves';
import { DayAxis, placing, scaleOf, TimePlot, type PlotDot } from '../../ui/TimePlot';

type Progress = Schemas['ProgressView'];
type Goal = Schemas['GoalProgress'];

/** The goal as one drawing: from where it started, by every result, to the band; with its doubt, and when it would be there. */
export function GoalPath({ progress }: { progress: Progress }) {
  const { goal, repetitions, focus } = progress;
  if (!goal && !repetitions && !focus) return null;
  return (
    <Box component="section" aria-label="Goal" sx={{ mb: 4 }}>
      <Typography variant="h2">
        {goal ? goal.goal.what.charAt(0).toUpperCase() + goal.goal.what.slice(1) : 'Goal'}
      </Typography>
      {focus && <Typography sx={{ color: 'text.secondary' }}>{focus}</Typography>}
      {goal && <Path goal={goal} progress={progress} />}
      {repetitions && <Repetitions of={repetitions} />}
      {!goal && !repetitions && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          No number stands for this goal, so that results cannot be set beside it.
        </Typography>
      )}
    </Box>
  );
}

function Path({ goal, progress: { today, competitions } }: { goal: Goal; progress: Progress }) {
  const { goal: aim, start, now, dots, figure } = goal;
  const unit = unitBehind(aim.unit ?? '');
  const first = aim.startedOn ?? dots[0]?.day ?? plusDays(today, -28);
  const from = dots[0] && dots[0].day < first ? dots[0].day : first;
  const weeks = (n: number) => plusDays(today, Math.round(7 * Math.min(n, 52)));
  const latest = goal.forecast ? weeks(Math.min(goal.forecast.latest ?? goal.forecast.weeks * 2, 26)) : today;
  const to = [plusDays(today, 7), aim.by ?? today, latest].reduce((a, b) => (a > b ? a : b));
  const least = aim.least ?? null;
  const most = aim.most ?? null;
  const numbers = [
    ...dots.flatMap((d) => [d.value, d.doubt?.low, d.doubt?.high]),
    start?.value,
    start?.doubt?.low,
    start?.doubt?.high,
    now?.doubt?.low,
    now?.doubt?.high,
    least,
    most,
  ];
  const scale = scaleOf(numbers, figure.unit === '%' ? [0, 100] : undefined);
  // A band with one end reaches to the end of the picture.
  const frame = { from, to, ...scale };
  const { across, up } = placing(frame);
  const shown: PlotDot[] = dots.map((d) => ({ ...d, stretch: 0 }));
  const nearEnd = now && least !== null && now.value < least ? least : (most ?? least ?? 0);
  const fan =
    goal.forecast && now
      ? { day: today, value: now.value, soonest: weeks(goal.forecast.soonest), latest, to: nearEnd }
      : undefined;
  const n = (value: number) => value.toFixed(figure.decimals).replace('-', '−') + unit;
  const middleOfBand = least !== null && most !== null ? (least + most) / 2 : (least ?? most ?? 0);
  const bandText = [least, most].filter((end): end is number => end !== null).map(n);
  return (
    <>
      <Box sx={{ pl: '52px', pr: { xs: '8px', sm: '120px' }, mt: 1.5, position: 'relative' }}>
        <Box sx={{ position: 'relative' }}>
          <TimePlot
            label={[
              start ? `Began at ${n(start.value)}.` : '',
              `Results: ${dots.map((d) => `${dayName(d.day)} ${n(d.value)}`).join(', ') || 'none'}.`,
              goal.text ?? '',
              goal.forecastText ?? '',
            ].join(' ')}
            {...frame}
            dots={start ? [startDot(start, from), ...shown] : shown}
            band={{ least, most }}
            {...(fan && { fan })}
            competitions={competitions.filter((c) => c.firstDay >= from && c.firstDay <= to)}
            height={190}
          />
          {start && (
            <Label left={0} top={up(start.value)} above>
              began {n(start.value)}
              {start.count != null && `, ${start.count} balls`}
            </Label>
          )}
          {now && (
            <>
              <Box
                aria-hidden
                sx={{
                  position: 'absolute',
                  left: `${across(today)}%`,
                  top: `${up(now.doubt?.high ?? now.value)}%`,
                  height: `${up(now.doubt?.low ?? now.value) - up(now.doubt?.high ?? now.value)}%`,
                  width: 12,
                  ml: '-6px',
                  borderRadius: 6,
                  bgcolor: 'glow',
                  border: '1.5px solid',
                  borderColor: 'primary.main',
                }}
              />
              <Box
                aria-hidden
                sx={{
                  position: 'absolute',
                  left: `${across(today)}%`,
                  top: `${up(now.value)}%`,
                  width: 18,
                  height: 3,
                  m: '-1.5px 0 0 -9px',
                  bgcolor: 'primary.main',
                }}
              />
              <Label left={across(today)} top={up(now.value)} isNow>
                now {n(now.value)}
              </Label>
            </>
          )}
          <Box
            aria-hidden
            sx={{
              position: 'absolute',
              display: { xs: 'none', sm: 'block' },
              left: '100%',
              top: `${up(middleOfBand)}%`,
              transform: 'translateY(-50%)',
              pl: 1,
              fontSize: 14,
              whiteSpace: 'nowrap',
            }}
          >
            {bandText.length === 2
              ? `${bandText[0]} to ${bandText[1]}`
              : `${least !== null ? 'from' : 'to'} ${bandText[0] ?? ''}`}
            {aim.by && (
              <Box component="span" sx={{ display: 'block', color: 'text.secondary' }}>
                by {dayName(aim.by).slice(4)}
              </Box>
            )}
          </Box>
        </Box>
        <DayAxis
          from={from}
          to={to}
          competitions={competitions.filter((c) => c.firstDay >= from && c.firstDay <= to)}
        />
      </Box>
      {start && (
        <Typography sx={{ mt: 0.5, display: { sm: 'none' } }}>
          Began at {n(start.value)}
          {start.count != null && `, by ${start.count} balls`}.
        </Typography>
      )}
      <Typography sx={{ mt: 0.5, fontWeight: 620 }}>{goal.text}</Typography>
      {goal.changeText && <Typography>{goal.changeText}</Typography>}
      {goal.forecastText && <Typography>{goal.forecastText}</Typography>}
      {goal.trendText && (goal.forecast !== null || !goal.forecastText) && (
        <Typography sx={{ color: 'text.secondary', fontSize: 15 }}>{goal.trendText}</Typography>
      )}
    </>
  );
}

const startDot = (start: Schemas['GoalPoint'], day: string): PlotDot => ({
  day,
  value: start.value,
  doubt: start.doubt,
  stretch: -1,
  isHollow: true,
});

function Label({
  left,
  top,
  above = false,
  isNow = false,
  children,
}: {
  left: number;
  top: number;
  above?: boolean;
  isNow?: boolean;
  children: React.ReactNode;
}) {
  return (
    <Box
      aria-hidden
      sx={{
        position: 'absolute',
        left: `${left}%`,
        top: `${top}%`,
        transform: isNow
          ? 'translate(14px, -50%)'
          : above && top > 20
            ? 'translateY(calc(-100% - 8px))'
            : 'translateY(10px)',
        fontSize: 14,
        // On a phone both are said below: there they would lie on the results, or beyond the edge.
        display: { xs: isNow && left < 70 ? 'block' : 'none', sm: 'block' },
        fontWeight: isNow ? 650 : 400,
        whiteSpace: 'nowrap',
        bgcolor: 'background.default',
        px: 0.5,
        borderRadius: 1,
      }}
    >
      {children}
    </Box>
  );
}

/** Repetitions asked and counted, as a lane that fills. */
function Repetitions({ of }: { of: Schemas['RepetitionForecast'] }) {
  const share = (n: number) => `${Math.min(100, (100 * n) / of.asked)}%`;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Box
        role="img"
        aria-label={`${of.slow} slow and ${of.ordinary} ordinary repetitions of ${of.asked}`}
        sx={{
          display: 'flex',
          height: 16,
          border: '1.5px solid',
          borderColor: 'primary.main',
          borderRadius: 8,
          overflow: 'hidden',
          maxWidth: 640,
        }}
      >
        <Box sx={{ width: share(of.slow), bgcolor: 'primary.main' }} />
        <Box
          sx={{
            width: share(of.ordinary),
            background: (theme) =>
              `repeating-linear-gradient(115deg, ${theme.palette.primary.main} 0 2px, transparent 2px 6px)`,
          }}
        />
      </Box>
      <Typography sx={{ mt: 0.5 }}>{of.text}</Typography>
    </Box>
  );
}
