import type { ComponentProps } from 'react';
import { Field } from '../../ui/Field';

/** Where somebody chooses a password: what makes a good one stands below. */
export function NewPassword({ label = 'Password', ...field }: Partial<ComponentProps<typeof Field>>) {
  return (
    <Field
      label={label}
      type="password"
      autoComplete="new-password"
      hint="Ten characters or more. A few words are easier to remember than signs."
      {...field}
    />
  );
}
