import { useState } from 'react';
import { Field } from './Field';

interface Props {
  label: string;
  hint?: string | undefined;
  value: number | null | undefined;
  onChange: (value: number | null) => void;
  /** Whether it may be left empty. */
  optional?: boolean | undefined;
  error?: string | undefined;
  disabled?: boolean;
}

/** A number, with decimals and a sign if need be. An empty field is nothing where that is allowed, and zero elsewhere. */
export function NumberField({ label, hint, value, onChange, optional = false, error, disabled }: Props) {
  const [typed, setTyped] = useState<string>();
  return (
    <Field
      label={label}
      hint={hint}
      error={error}
      disabled={disabled ?? false}
      inputProps={{ inputMode: 'decimal' }}
      placeholder={optional ? 'none' : ''}
      value={typed ?? (value === null || value === undefined ? '' : String(value))}
      onChange={(e) => {
        const text = e.target.value
          .replace(',', '.')
          .replace(/[−–—]/g, '-')
          .replace(/[^\d.-]/g, '');
        setTyped(text);
        const number = Number(text);
        if (text === '') onChange(optional ? null : 0);
        else if (Number.isFinite(number)) onChange(number);
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}
