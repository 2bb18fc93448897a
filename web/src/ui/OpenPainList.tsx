import Box from '@mui/material/Box';
import type { Schemas } from '../api/client';
import { count, dayName, minutes } from './format';

/** Pain that still counts, as a coach reads it: part, level, day, what was practised since, and what would end it. */
export function OpenPainList({ pains }: { pains: readonly Schemas['OpenPainView'][] }) {
  if (pains.length === 0) return null;
  return (
    <Box
      component="ul"
      aria-label="Pain that still counts"
      sx={{ listStyle: 'none', m: 0, mt: 1, p: 0, display: 'grid', gap: 1 }}
    >
      {pains.map((pain) => (
        <Box
          component="li"
          key={`${pain.part} ${pain.side} ${pain.where}`}
          sx={{ pl: 1.5, borderLeft: '4px solid', borderColor: 'error.main', fontSize: 15 }}
        >
          <b>{pain.text}</b>, told on {dayName(pain.lastOn)}
          {pain.since !== pain.lastOn && `, since ${dayName(pain.since)}`}
          <Box sx={{ color: 'text.secondary' }}>
            {pain.sessionsSince > 0
              ? `Practised since: ${count(pain.sessionsSince, 'session')}, ${minutes(Math.round(pain.minutesSince))}.`
              : 'Nothing practised since.'}{' '}
            {pain.needsClearing
              ? 'What loads it stays out until the file says who cleared it.'
              : 'What loads it stays out until the student says it is gone.'}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
