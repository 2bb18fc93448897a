import { ThemeProvider } from '@mui/material/styles';
import { cleanup, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { makeTheme } from '../app/theme';

/** For tests: draws a part of a screen in the application's look, and lends hands for it. */
export function drawn(part: ReactNode) {
  cleanup();
  render(
    <MemoryRouter>
      <ThemeProvider theme={makeTheme(false)}>{part}</ThemeProvider>
    </MemoryRouter>,
  );
  return { hands: userEvent.setup() };
}
