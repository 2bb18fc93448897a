import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { count, dayName, daysBetween } from '../../ui/format';

/** The competitions of the weeks shown and of those to come, each with how far off it is. */
export function CompetitionLinks({
  progress: { competitions, today },
  linkTo,
}: {
  progress: Schemas['ProgressView'];
  linkTo: (id: string) => string;
}) {
  if (competitions.length === 0) return null;
  const away = ({ firstDay, lastDay }: Schemas['CompetitionDays']) =>
    lastDay < today
      ? dayName(lastDay).slice(4)
      : firstDay > today
        ? `${count(daysBetween(today, firstDay), 'day')} to go`
        : 'under way';
  return (
    <Box
      component="nav"
      aria-label="Competitions"
      sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, alignItems: 'baseline', mb: 2 }}
    >
      <Typography component="span" variant="h3">
        Competitions
      </Typography>
      {competitions.map((c) => (
        <Box component="span" key={c.id} sx={{ py: 0.5, '@media (pointer: coarse)': { py: 1.5 } }}>
          <Link to={linkTo(c.id)}>{c.name}</Link>
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {' '}
            {away(c)}
            {c.wantsDebrief && (
              <>
                {', '}
                <b>what held?</b>
              </>
            )}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
