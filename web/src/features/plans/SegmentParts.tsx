import Box from '@mui/material/Box';
import { Field } from '../../ui/Field';
import type { PracticeSegment, Segment } from './benchState';

/** What each part of a segment is given. */
export interface PartProps<S = PracticeSegment> {
  segment: S;
  errorAt: (field: string) => string | undefined;
  onChange: (to: Partial<PracticeSegment>) => void;
}

export function Instruction({ segment, errorAt, onChange }: PartProps<Segment>) {
  return (
    <Field
      label="What to do"
      multiline
      minRows={2}
      value={segment.instruction}
      onChange={(e) => onChange({ instruction: e.target.value })}
      error={errorAt('instruction')}
    />
  );
}

/** Fields beside one another, as many as there is room for. */
export const twoOrMore = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))',
  gap: 1.5,
} as const;

export function Task({ segment, errorAt, onChange }: PartProps) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Instruction {...{ segment, errorAt, onChange }} />
      <Box sx={twoOrMore}>
        <Field
          label="Cue"
          hint="One thought, in lead and trail words."
          value={segment.cue}
          onChange={(e) => onChange({ cue: e.target.value })}
          error={errorAt('cue')}
        />
        {segment.intent === 'technique' && (
          <Field
            label="Focus"
            placeholder="Keep it going"
            value={segment.focus}
            onChange={(e) => onChange({ focus: e.target.value })}
            error={errorAt('focus')}
          />
        )}
      </Box>
    </Box>
  );
}
