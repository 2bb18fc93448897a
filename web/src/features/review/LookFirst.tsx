import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../api/client';

/** What to look at first, the most pressing on top, each with its evidence and what it counts. */
export function LookFirst({ looked }: { looked: Schemas['LookedAtStudent'] }) {
  const reasons = looked.attention.reasons.filter((r) => r.points > 0);
  if (reasons.length === 0)
    return (
      <Typography sx={{ mb: 3, color: 'text.secondary' }}>Nothing asks for a look: {looked.attention.text}.</Typography>
    );
  return (
    <Box component="section" aria-label="What to look at" sx={{ mb: 3 }}>
      <Typography variant="h2">What to look at</Typography>
      <Box component="ol" sx={{ m: 0, mt: 0.5, pl: 2.5, display: 'grid', gap: 0.5, maxWidth: 760 }}>
        {reasons.map((r, i) => (
          <li key={r.reason}>
            <Box component="span" sx={i === 0 ? { fontWeight: 620, color: 'secondary.main' } : {}}>
              {r.evidenceText}
            </Box>{' '}
            <Box component="span" sx={{ color: 'text.secondary', fontSize: 14, whiteSpace: 'nowrap' }}>
              counts {r.points}
            </Box>
          </li>
        ))}
      </Box>
    </Box>
  );
}
