import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../api/client';
import { Choice, Field } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';

type Goal = Schemas['ProgrammeGoal'];

interface Props {
  goal: Goal | null;
  drawing: Schemas['ProgrammeDrawing'] | undefined;
  errorAt: (path: string) => string | undefined;
  onChange: (goal: Goal | null) => void;
}

/** What the programme is to move: a measure of one of its drills, where it starts and where it is to come to. */
export function GoalFields({ goal, drawing, errorAt, onChange }: Props) {
  const drills = [
    ...new Map(
      (drawing?.slots ?? []).flatMap((s) => s.segments).flatMap((s) => (s.drillId ? [[s.drillId, s] as const] : [])),
    ).values(),
  ];
  const measures = drills.flatMap((d) =>
    d.measures.map((m) => ({
      value: `${d.drillId ?? ''} ${m.name}`,
      label: `${d.title}: ${m.label}`,
      drill: d,
      measure: m,
    })),
  );
  const set = (part: Partial<Goal>) => goal && onChange({ ...goal, ...part });
  return (
    <Box component="section" aria-label="What it is to move" sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="h2">What it is to move</Typography>
      <Choice
        label="Measured by"
        value={goal ? `${goal.drillId} ${goal.measure}` : ''}
        options={[{ value: '', label: 'nothing' }, ...measures.map(({ value, label }) => ({ value, label }))]}
        error={errorAt('goal.drillId') ?? errorAt('goal.measure')}
        onChange={(value) => {
          const found = measures.find((m) => m.value === value);
          onChange(
            found
              ? {
                  drillId: found.drill.drillId ?? '',
                  measure: found.measure.name,
                  what: `${found.drill.title}: ${found.measure.label}`,
                  unit: found.measure.unit,
                  ...(found.measure.better === 'lower' ? { most: 0 } : { least: found.drill.goal?.limit ?? 1 }),
                }
              : null,
          );
        }}
      />
      {goal && (
        <>
          <Field
            label="In words"
            value={goal.what}
            error={errorAt('goal.what')}
            onChange={(e) => set({ what: e.target.value })}
          />
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1.5 }}>
            <NumberField
              label="Starts at"
              optional
              hint="none: each one’s first result"
              value={goal.start}
              error={errorAt('goal.start')}
              onChange={(start) => set({ start })}
            />
            <NumberField
              label="At least"
              optional
              value={goal.least}
              error={errorAt('goal.least')}
              onChange={(least) => set({ least })}
            />
            <NumberField
              label="At most"
              optional
              value={goal.most}
              error={errorAt('goal.most')}
              onChange={(most) => set({ most })}
            />
          </Box>
        </>
      )}
    </Box>
  );
}
