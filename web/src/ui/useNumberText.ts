import { useState, type ChangeEvent } from 'react';
import { numberProblem, numberText, readNumber, type NumberKind } from './numbers';

interface Given extends NumberKind {
  value: number | null | undefined;
  onChange: (value: number | null) => void;
}

/**
 * What is typed into a number field. Every number that can be read goes on at once, out of range too, so that nothing typed
 * is lost; what cannot be read stays in the field and changes nothing.
 */
export function useNumberText({ value, onChange, ...kind }: Given) {
  const [typed, setTyped] = useState<string>();
  const text = typed ?? (value === null || value === undefined ? '' : String(value));
  const problem = typed === undefined && text === '' ? undefined : numberProblem(text, kind);
  return {
    text,
    problem,
    onChange: (e: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      const now = numberText(e.target.value);
      setTyped(now);
      const number = readNumber(now);
      if (now === '') {
        if (kind.optional) onChange(null);
      } else if (number !== undefined && !(kind.whole && !Number.isInteger(number))) onChange(number);
    },
    /** The value was changed by other means than typing: it is shown again. */
    reset: () => setTyped(undefined),
    onBlur: () => {
      if (text === '' || (readNumber(text) !== undefined && !(kind.whole && problem))) setTyped(undefined);
    },
  };
}
