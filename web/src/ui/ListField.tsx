import { useState } from 'react';
import { Field } from './Field';

interface Props {
  label: string;
  hint?: string | undefined;
  value: readonly string[];
  onChange: (value: string[]) => void;
  /** What stands between two entries; a new line unless said otherwise. */
  separator?: string;
  error?: string | undefined;
  disabled?: boolean;
}

/** A short list that is typed as text, an entry a line. What is typed stays as it is until the field is left. */
export function ListField({ label, hint, value, onChange, separator = '\n', error, disabled }: Props) {
  const [typed, setTyped] = useState<string>();
  const isLines = separator === '\n';
  return (
    <Field
      label={label}
      hint={hint}
      error={error}
      disabled={disabled ?? false}
      multiline={isLines}
      {...(isLines && { minRows: 2 })}
      value={typed ?? value.join(separator)}
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(
          e.target.value
            .split(isLines ? '\n' : /[,;\s]+/)
            .map((entry) => entry.trim())
            .filter(Boolean),
        );
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}
