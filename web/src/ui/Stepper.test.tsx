// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, expect, it } from 'vitest';
import { Stepper } from './Stepper';

afterEach(cleanup);

function Balls() {
  const [balls, setBalls] = useState(10);
  return <Stepper label="Balls" value={balls} onChange={setBalls} most={400} />;
}

it('shows the number that an arrow steps to after one was typed', async () => {
  render(<Balls />);
  const field = screen.getByRole('spinbutton', { name: 'Balls' });
  await userEvent.clear(field);
  await userEvent.type(field, '7');
  await userEvent.keyboard('{ArrowUp}');
  expect(field).toHaveProperty('value', '8');
});
