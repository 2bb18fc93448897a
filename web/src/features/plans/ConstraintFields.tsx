import Box from '@mui/material/Box';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { useStudents } from '../students/queries';
import { Choice, optionsOf } from '../../ui/Field';
import { approaches, compass } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { Checkbox } from '../../ui/Checkbox';
import { ContextLine, leftOver, squad } from './frame';
import type { For } from './queries';

export interface ConstraintProps {
  constraints: Schemas['PlanConstraints'];
  onChange: (constraints: Schemas['PlanConstraints']) => void;
  writtenFor: For;
  /** Chooses for whom; none where that is settled. */
  onFor: ((studentId: string | null) => void) | undefined;
  check: Schemas['PlanCheckView'] | undefined;
  errorAt: (path: string) => string | undefined;
}

const forNobody = [
  { value: '', label: 'nobody in particular' },
  { value: squad, label: 'the whole squad' },
];
const own = { value: '', label: 'the student’s' } as const;
const winds = [{ value: '', label: 'none to speak of' }, ...optionsOf(compass)];

/** Whom the plan is for and what it has to fit into, with what is left of it always in sight. */
export function ConstraintFields({ constraints, onChange, writtenFor, onFor, check, errorAt }: ConstraintProps) {
  const students = useStudents();
  const { studentId, isSquad } = writtenFor;
  const set = (part: Schemas['PlanConstraints']) => onChange({ ...constraints, ...part });
  return (
    <Box component="section" aria-label="What it has to fit" sx={{ mt: 1.5 }}>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr 1fr', md: '1.4fr 84px 84px 1.2fr 1.1fr auto' },
          gap: 1.5,
          alignItems: 'end',
          // On a phone only minutes and balls share a line.
          '& > :nth-of-type(1), & > :nth-of-type(4), & > :nth-of-type(5)': {
            gridColumn: { xs: '1 / -1', md: 'auto' },
          },
        }}
      >
        <Choice
          label="For"
          value={isSquad ? squad : (studentId ?? '')}
          options={[
            ...(onFor ? forNobody : []),
            ...(students.data ?? [])
              .filter((s) => onFor || s.id === studentId)
              .map((s) => ({ value: s.id, label: s.name })),
          ]}
          onChange={(id) => onFor?.(id || null)}
        />
        <NumberField
          label="Duration"
          unit="min"
          optional
          whole
          range={ranges.sessionMinutes}
          value={constraints.minutes}
          onChange={(minutes) => set({ minutes })}
          error={errorAt('constraints.minutes')}
        />
        <NumberField
          label="Balls"
          optional
          whole
          range={ranges.sessionBalls}
          value={constraints.balls}
          onChange={(balls) => set({ balls })}
          error={errorAt('constraints.balls')}
        />
        <Choice
          label="Approach"
          value={constraints.approach ?? ''}
          options={[own, ...optionsOf(approaches)]}
          onChange={(approach) => set({ approach: approach || null })}
        />
        <Choice
          label="Wind from"
          value={String(constraints.windFromDegrees ?? '')}
          options={winds}
          onChange={(from) => set({ windFromDegrees: from === '' ? null : Number(from) })}
        />
        <Box sx={{ display: 'flex', gap: 1.5, minHeight: 42, alignItems: 'center', flexWrap: 'wrap' }}>
          <Checkbox label="Hot day" checked={constraints.hot ?? false} onChange={(hot) => set({ hot })} />
          <Checkbox
            label="Comes warm"
            checked={constraints.warmedUpBefore ?? false}
            onChange={(warmedUpBefore) => set({ warmedUpBefore })}
          />
        </Box>
      </Box>
      {leftOver(check) && (
        <Box data-testid="left-over" sx={{ mt: 1, fontWeight: 620 }}>
          {leftOver(check)}
        </Box>
      )}
      {studentId && <ContextLine studentId={studentId} />}
      {isSquad && check?.squad && (
        <Box data-testid="plan-context" sx={{ mt: 1, fontSize: 15, color: 'text.secondary' }}>
          {check.squad}
        </Box>
      )}
    </Box>
  );
}
