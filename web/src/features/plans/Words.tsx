import Box from '@mui/material/Box';
import { Field } from '../../ui/Field';
import type { Plan } from './benchState';

/** What a plan is called, what it is for, and how one knows. */
export function Words({
  plan,
  onWrite,
  errorAt,
}: {
  plan: Plan;
  onWrite: (text: Partial<Plan>) => void;
  errorAt: (path: string) => string | undefined;
}) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1fr 1.35fr 1.35fr' }, gap: 2 }}>
      <Field
        label="Title"
        value={plan.title}
        onChange={(e) => onWrite({ title: e.target.value })}
        error={errorAt('title')}
      />
      <Field
        label="Purpose"
        placeholder="What is better afterwards?"
        value={plan.purpose}
        onChange={(e) => onWrite({ purpose: e.target.value })}
        error={errorAt('purpose')}
      />
      <Field
        label="Success test"
        placeholder="How will you both know?"
        value={plan.successTest}
        onChange={(e) => onWrite({ successTest: e.target.value })}
        error={errorAt('successTest')}
      />
    </Box>
  );
}
