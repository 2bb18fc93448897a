import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../api/client';
import { badWeather, count } from '../../ui/format';
import { Pick, Picks } from '../../ui/Picks';
import { StepHeading } from '../../ui/StepHeading';
import { useSteady } from './useSteady';

/** Ending is a screen of its own: nobody ends a session by one tap too many. */
export function EndSession({
  openSegments,
  onEnd,
  onWeather,
  onBack,
}: {
  /** Segments that nobody closed; what was done of them counts. */
  openSegments: number;
  onEnd: () => void;
  /** The weather ends it; no value where nothing is left to do. */
  onWeather: ((weather: Schemas['BadWeather']) => void) | undefined;
  onBack: (() => void) | undefined;
}) {
  const isSteady = useSteady();
  return (
    <Box sx={{ mt: 2.5, display: 'grid', gap: 2 }}>
      <StepHeading>End session?</StepHeading>
      <Typography sx={{ fontSize: 18 }}>
        {openSegments > 0
          ? `${count(openSegments, 'segment')} not finished. What you did of ${openSegments === 1 ? 'it' : 'them'} counts.`
          : 'You finished the last segment.'}
      </Typography>
      <Button
        variant="contained"
        disabled={!isSteady}
        onClick={onEnd}
        sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}
      >
        End session
      </Button>
      {onWeather && (
        <Picks label="Stopped by weather" columns={3}>
          {(['thunder', 'rain', 'wind'] as const).map((weather) => (
            <Pick key={weather} isOn={false} disabled={!isSteady} onPick={() => onWeather(weather)}>
              {badWeather[weather]}
            </Pick>
          ))}
        </Picks>
      )}
      {onBack && (
        <Button variant="outlined" onClick={onBack} sx={{ minHeight: 60, borderRadius: 30 }}>
          Back to practice
        </Button>
      )}
    </Box>
  );
}
