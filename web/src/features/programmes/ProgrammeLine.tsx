import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { dayName } from '../../ui/format';

type Standing = Schemas['ProgrammeStanding'];

/** Where somebody stands in a programme: the weeks as steps of a walk, and the measure it is to move. */
export function ProgrammeLine({ standing, children }: { standing: Standing; children?: React.ReactNode }) {
  const { name, week, weeks } = standing;
  return (
    <Box data-testid="programme" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'center' }}>
      <b>{name}</b>
      <span>{week === null ? `waits this week, ${weeks} weeks in all` : `week ${week} of ${weeks}`}</span>
      <svg aria-hidden width={11 * weeks} height="14" style={{ flex: 'none' }}>
        {Array.from({ length: weeks }, (_, i) => (
          <rect
            key={i}
            x={11 * i + 0.75}
            y={i + 1 === week ? 1 : 5}
            width="8"
            height={i + 1 === week ? 12 : 8}
            rx="2"
            fill={week !== null && i < week ? 'currentColor' : 'none'}
            stroke="currentColor"
            strokeWidth="1.5"
          />
        ))}
      </svg>
      {standing.goal && (
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {measureInWords(standing)}
        </Box>
      )}
      {children}
    </Box>
  );
}

/** "Holed in a row: 2 at the start, 4 on Tue 5 May, to come to 6 or more". */
export function measureInWords({ goal, start, latest, latestOn }: Standing): string {
  if (!goal) return '';
  const said = (n: number) => `${String(Math.round(10 * n) / 10).replace('-', '−')}${goal.unit ? ` ${goal.unit}` : ''}`;
  const facts = [
    typeof start === 'number' && `${said(start)} at the start`,
    typeof latest === 'number' && latestOn && `${said(latest)} on ${dayName(latestOn)}`,
  ].filter((f) => typeof f === 'string');
  return `${goal.what}: ${facts.length > 0 ? facts.join(', ') : 'nothing measured yet'}, to come ${bandInWords(goal, said)}`;
}

function bandInWords({ least, most }: NonNullable<Standing['goal']>, said: (n: number) => string): string {
  if (typeof least === 'number' && typeof most === 'number') return `between ${said(least)} and ${said(most)}`;
  return typeof least === 'number' ? `to ${said(least)} or more` : `to ${said(most ?? 0)} or less`;
}
