import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';

/** The parts of a result, in the order in which they decide. */
export function Measures({ measures }: { measures: Schemas['Measure'][] }) {
  const known = measures.filter((m) => m.value !== null);
  if (known.length === 0) return null;
  return (
    <Box component="dl" sx={{ display: 'flex', flexWrap: 'wrap', gap: 2.5, m: 0, mt: 0.75 }}>
      {known.map((m) => (
        <Box key={m.name}>
          <Box component="dt" sx={{ fontSize: 13.5, color: 'text.secondary' }}>
            {m.label}
          </Box>
          <Box component="dd" sx={{ m: 0, fontSize: 22, fontWeight: 620 }}>
            {(m.value ?? 0).toFixed(m.decimals).replace('-', '−')}
            {m.unit && ` ${m.unit}`}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
