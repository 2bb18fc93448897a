import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { count } from '../../ui/format';
import { StepHeading } from '../../ui/StepHeading';
import { useSteady } from './useSteady';

/** Ending is a screen of its own: nobody ends a session by one tap too many. */
export function EndSession({
  openSegments,
  onEnd,
  onBack,
}: {
  /** Segments that nobody closed; what was done of them counts. */
  openSegments: number;
  onEnd: () => void;
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
      {onBack && (
        <Button variant="outlined" onClick={onBack} sx={{ minHeight: 60, borderRadius: 30 }}>
          Back to practice
        </Button>
      )}
    </Box>
  );
}
