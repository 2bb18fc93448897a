import Box from '@mui/material/Box';
import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput';
import { useId, type ReactNode, type Ref } from 'react';

interface Labelled {
  label: string;
  hint?: string | undefined;
  error?: string | undefined;
  /** Where a table or its neighbours show what it is: the label is only spoken. */
  isLabelSpoken?: boolean;
}

/** A label above, what is wrong below, and the two tied to the control for those who hear the page. */
export function Labelled({
  label,
  hint,
  error,
  isLabelSpoken = false,
  id,
  children,
}: Labelled & { id: string; children: ReactNode }) {
  return (
    <Box sx={{ minWidth: 0 }}>
      {!isLabelSpoken && (
        <Box component="label" htmlFor={id} sx={{ display: 'block', fontSize: 14, fontWeight: 620, mb: 0.5 }}>
          {label}
        </Box>
      )}
      {children}
      {(error ?? hint) && (
        <Box
          id={`${id}-text`}
          role={error ? 'alert' : undefined}
          sx={{ fontSize: 13.5, mt: 0.5, color: error ? 'error.main' : 'text.secondary' }}
        >
          {error ?? hint}
        </Box>
      )}
    </Box>
  );
}

type FieldProps = Labelled & Omit<OutlinedInputProps, 'label' | 'error' | 'ref'> & { ref?: Ref<HTMLInputElement> };

/** A text field. */
export function Field({ label, hint, error, isLabelSpoken, inputProps, ref, id: given, ...input }: FieldProps) {
  const made = useId();
  const id = given ?? made;
  return (
    <Labelled label={label} hint={hint} error={error} id={id} {...(isLabelSpoken && { isLabelSpoken })}>
      <OutlinedInput
        fullWidth
        id={id}
        inputRef={ref}
        error={error !== undefined}
        inputProps={{
          ...(isLabelSpoken && { 'aria-label': label }),
          ...inputProps,
          'aria-describedby': (error ?? hint) ? `${id}-text` : undefined,
        }}
        {...input}
      />
    </Labelled>
  );
}

interface ChoiceProps<T extends string> extends Labelled {
  value: T;
  options: readonly { value: T; label: string }[];
  onChange: (value: T) => void;
  disabled?: boolean;
}

/** One of a list. The browser's own control: it is the one that works with every thumb and every reader. */
export function Choice<T extends string>({ label, hint, error, value, options, onChange, disabled }: ChoiceProps<T>) {
  const id = useId();
  return (
    <Labelled label={label} hint={hint} error={error} id={id}>
      <Box
        component="select"
        id={id}
        value={value}
        disabled={disabled}
        onChange={(e: React.ChangeEvent<HTMLSelectElement>) => onChange(e.target.value as T)}
        sx={{
          width: '100%',
          minHeight: 42,
          px: 1.25,
          font: 'inherit',
          color: 'text.primary',
          bgcolor: 'background.paper',
          border: '1px solid #8d9488',
          borderRadius: '8px',
        }}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </Box>
    </Labelled>
  );
}

export const optionsOf = <K extends string>(names: Record<K, string>) =>
  (Object.entries(names) as [K, string][]).map(([value, label]) => ({ value, label }));
