import { ThemeProvider } from '@mui/material/styles';
import { cleanup, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { makeTheme } from '../app/theme';

/** For tests: draws a part of a screen in the application's look, and lends hands for it. */
export function renderInTheme(part: ReactNode) {
  cleanup();
  const framed = (what: ReactNode) => (
    <MemoryRouter>
      <ThemeProvider theme={makeTheme(false)}>{what}</ThemeProvider>
    </MemoryRouter>
  );
  const { rerender } = render(framed(part));
  /** Draws the same part anew, with what has changed since. */
  const again = (changed: ReactNode) => rerender(framed(changed));
  return { hands: userEvent.setup(), again };
}
