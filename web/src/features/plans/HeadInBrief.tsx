import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Schemas } from '../../api/client';
import { count, minutes } from '../../ui/format';
import type { Plan } from './benchState';
import { ContextLine, leftOver } from './frame';
import type { For } from './queries';

interface Props {
  plan: Plan;
  writtenFor: For;
  check: Schemas['PlanCheckView'] | undefined;
  onChange: () => void;
}

/** What a plan is for and what it has to fit, in a line or two, with the way to change it. */
export function HeadInBrief({ plan, writtenFor, check, onChange }: Props) {
  const { constraints } = plan;
  const facts = [
    constraints.minutes && minutes(constraints.minutes),
    typeof constraints.balls === 'number' && count(constraints.balls, 'ball'),
    leftOver(check),
  ].filter(Boolean);
  return (
    <Box component="section" aria-label="What it is for" sx={{ display: 'flex', gap: 2, alignItems: 'flex-start' }}>
      <Box sx={{ minWidth: 0, flex: 1 }}>
        {plan.purpose || (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            No purpose yet
          </Box>
        )}
        {plan.successTest && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {' '}
            · {plan.successTest}
          </Box>
        )}
        {facts.length > 0 && (
          <Box data-testid="left-over" sx={{ fontWeight: 620 }}>
            {facts.join(' · ')}
          </Box>
        )}
        {writtenFor.studentId && <ContextLine studentId={writtenFor.studentId} isBrief />}
        {writtenFor.isSquad && check?.squad && (
          <Box data-testid="plan-context" sx={{ fontSize: 15, color: 'text.secondary' }}>
            {check.squad}
          </Box>
        )}
      </Box>
      <Button className="no-print" onClick={onChange} sx={{ flex: 'none', mr: -1.25, my: -0.75 }}>
        Words and frame
      </Button>
    </Box>
  );
}
