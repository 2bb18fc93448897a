import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { dayName } from '../../ui/format';

type WeekFigure = Schemas['WeekFigureView'];

const marks = [0, 50, 100];

/** Completion by week. A week without a figure has no bar, which is not the same as an empty one. */
export function CompletionChart({ weeks }: { weeks: WeekFigure[] }) {
  const names = weeks.map((w) => dayName(w.monday).slice(4));
  const text = weeks.map((w, i) => `${names[i] ?? ''}: ${inWords(w)}`).join('; ');
  return (
    <Box role="img" aria-label={`Completion by week. ${text}`} sx={{ pl: '44px', pr: '20px', pt: '16px', pb: '32px' }}>
      <Box sx={{ position: 'relative', height: 182, fontSize: 12 }}>
        {marks.map((mark) => (
          <Box
            key={mark}
            sx={{
              position: 'absolute',
              inset: 'auto 0',
              bottom: `${mark}%`,
              borderTop: '1px solid',
              borderColor: 'line',
            }}
          >
            <Box
              sx={{ position: 'absolute', right: '100%', pr: 1, transform: 'translateY(-50%)', whiteSpace: 'nowrap' }}
            >
              {mark} %
            </Box>
          </Box>
        ))}
        <Box sx={{ position: 'absolute', inset: 0, display: 'flex' }}>
          {weeks.map((week, i) => (
            <Box key={week.monday} title={`${names[i] ?? ''}: ${inWords(week)}`} sx={{ flex: 1, position: 'relative' }}>
              <Box
                sx={{
                  position: 'absolute',
                  inset: 'auto 17.5% 0',
                  height: `${(week.completion.fraction ?? 0) * 100}%`,
                  bgcolor: 'primary.main',
                }}
              />
              {i % 3 === (weeks.length - 1) % 3 && (
                <Box
                  sx={{
                    position: 'absolute',
                    top: '100%',
                    left: '50%',
                    transform: 'translateX(-50%)',
                    pt: 1,
                    whiteSpace: 'nowrap',
                  }}
                >
                  {names[i]}
                </Box>
              )}
            </Box>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

function inWords(week: WeekFigure): string {
  if (week.completion.fraction == null) return 'nothing counted';
  return `${Math.round(week.completion.fraction * 100)} %, ${week.sessionsDone} of ${week.sessions} sessions whole`;
}
