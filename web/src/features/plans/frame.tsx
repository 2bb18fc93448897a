import Box from '@mui/material/Box';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { count, equipment, hands, levels, minutes, seasons } from '../../ui/format';
import { usePlanContext } from './queries';

/** What stands in the address when a plan is for everybody. */
export const squad = 'squad';

const left = (n: number | null | undefined, inWords: (n: number) => string) =>
  n === null || n === undefined ? '' : n < 0 ? `${inWords(-n)} too many` : `${inWords(n)} left`;

/** What is left of the minutes and balls there are; empty where neither is known. */
export const leftOver = (check: Schemas['PlanCheckView'] | undefined) =>
  [left(check?.minutesLeft, minutes), left(check?.ballsLeft, (n) => count(n, 'ball'))].filter(Boolean).join(' · ');

/**
 * Who it is for, in a line or two: season, competition, focus, what is carried, what hurts. In brief without what is
 * carried and when.
 */
export function ContextLine({ studentId, isBrief = false }: { studentId: string; isBrief?: boolean }) {
  const context = usePlanContext(studentId);
  if (!context.data) return null;
  const c = context.data;
  const competition =
    c.nextCompetition === null || c.daysToCompetition === null
      ? ''
      : c.daysToCompetition <= 0
        ? `${c.nextCompetition} is on`
        : `${c.nextCompetition} in ${count(c.daysToCompetition, 'day')}`;
  const carried = c.equipment.map((e) => equipment[e].toLowerCase()).join(', ');
  const windows = c.windows
    .map((w) => `${w.weekday.charAt(0).toUpperCase()}${w.weekday.slice(1, 3)} ${minutes(w.minutes)}`)
    .join(', ');
  return (
    <Box data-testid="plan-context" sx={{ mt: isBrief ? 0 : 1, fontSize: 15, color: 'text.secondary' }}>
      {[
        levels[c.level],
        hands[c.hand],
        seasons[c.season],
        competition,
        c.focus.goal && `focus: ${c.focus.goal}`,
        c.load && loads[c.load],
      ]
        .filter(Boolean)
        .join(' · ')}
      {!isBrief && (carried || windows) && (
        <Box component="span" sx={{ display: 'block' }}>
          {[carried && `carries ${carried}`, windows && `has ${windows}`].filter(Boolean).join(' · ')}
        </Box>
      )}
      {c.hurt.length > 0 && (
        <Box component="span" sx={{ display: 'block', color: 'error.main', fontWeight: 620 }}>
          Hurts, and nobody has cleared it: {c.hurt.join(', ')}.{' '}
          <Link to={`/students/${studentId}/file`}>Care notes</Link>
        </Box>
      )}
    </Box>
  );
}

const loads: Record<Schemas['LoadBand'], string> = {
  light: 'a light week so far',
  usual: 'load as usual',
  busy: 'a busy week',
  caution: 'load high against the four weeks before',
};
