import { useState, type FocusEvent, type KeyboardEvent } from 'react';

const steps: Record<string, (at: number, last: number) => number> = {
  ArrowRight: (at, last) => (at === last ? 0 : at + 1),
  ArrowLeft: (at, last) => (at === 0 ? last : at - 1),
  Home: () => 0,
  End: (_, last) => last,
};

/** Buttons in a row that are one stop for the Tab key: the arrow keys, Home and End go from one to the next. */
export function useRoving(first: number) {
  const [at, setAt] = useState(first);
  const buttonsOf = (row: HTMLElement) => [...row.querySelectorAll<HTMLElement>('button:not(:disabled)')];
  return {
    row: {
      onKeyDown: (e: KeyboardEvent<HTMLElement>) => {
        const buttons = buttonsOf(e.currentTarget);
        const now = buttons.indexOf(e.target as HTMLElement);
        const step = e.altKey || e.ctrlKey || e.metaKey ? undefined : steps[e.key];
        if (!step || now < 0) return;
        e.preventDefault();
        buttons[step(now, buttons.length - 1)]?.focus();
      },
      onFocus: (e: FocusEvent<HTMLElement>) => {
        const now = buttonsOf(e.currentTarget).indexOf(e.target);
        if (now >= 0) setAt(now);
      },
    },
    tabIndexOf: (i: number) => (i === at ? 0 : -1),
  };
}
