import Box from '@mui/material/Box';
import type { KeyboardEvent } from 'react';
import { Field } from './Field';
import type { NumberKind } from './numbers';
import { useNumberText } from './useNumberText';

interface Props extends NumberKind {
  label: string;
  hint?: string | undefined;
  value: number | null | undefined;
  onChange: (value: number | null) => void;
  error?: string | undefined;
  disabled?: boolean;
  /** In a table or beside other controls: the label is only spoken. */
  isCell?: boolean;
  /** What else the input needs, such as its place in a table that is typed through. */
  inputProps?: Record<string, unknown>;
  onKeyDown?: (e: KeyboardEvent<HTMLElement>) => void;
}

const cellLook = {
  fontSize: 15,
  '& input': { px: 0.75, py: '6px' },
  '@media (pointer: coarse)': { minHeight: 48, fontSize: 17 },
} as const;

/**
 * A number with its unit, the only field for numbers there is. It takes a point or a comma, and says while it is typed what it
 * cannot be. It is made of what MUI's TextField is made of, without the list of choices that would come with that.
 */
export function NumberField({
  label,
  hint,
  value,
  onChange,
  error,
  disabled,
  isCell = false,
  inputProps,
  onKeyDown,
  ...kind
}: Props) {
  const typed = useNumberText({ value, onChange, ...kind });
  const problem = error ?? typed.problem;
  return (
    <Field
      label={label}
      isLabelSpoken={isCell}
      hint={hint}
      error={problem}
      disabled={disabled ?? false}
      inputProps={{ inputMode: kind.whole ? 'numeric' : 'decimal', ...inputProps }}
      {...(kind.optional && !isCell && { placeholder: 'none' })}
      {...(kind.unit && {
        endAdornment: (
          <Box component="span" sx={{ pr: isCell ? 0.75 : 1.5, fontSize: isCell ? 13 : 14, color: 'text.secondary' }}>
            {kind.unit}
          </Box>
        ),
      })}
      value={typed.text}
      onChange={typed.onChange}
      onBlur={typed.onBlur}
      {...(onKeyDown && {
        onKeyDown: (e: KeyboardEvent<HTMLElement>) => {
          onKeyDown(e);
          if (e.defaultPrevented) typed.reset();
        },
      })}
      {...(isCell && { sx: cellLook, onFocus: (e: React.FocusEvent<HTMLInputElement>) => e.target.select() })}
    />
  );
}
