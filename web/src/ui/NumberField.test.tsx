// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { NumberField } from './NumberField';
import { numberProblem, readNumber, type NumberKind } from './numbers';

afterEach(cleanup);

function Carry(kind: NumberKind & { from?: number | null }) {
  const [value, setValue] = useState<number | null>(kind.from ?? null);
  return (
    <>
      <NumberField label="Carry" {...kind} value={value} onChange={setValue} />
      <output>{value === null ? 'none' : String(value)}</output>
    </>
  );
}

const kept = () => screen.getByRole('status').textContent;
const type = (text: string) => userEvent.type(screen.getByLabelText('Carry'), text);

describe('a typed number', () => {
  it.each([
    ['34.5', 34.5],
    ['62,5', 62.5],
    ['−4,8', -4.8],
    ['+3', 3],
    ['.5', 0.5],
    ['12.', 12],
    ['1.2.3', undefined],
    ['1,234.5', undefined],
    ['-', undefined],
    ['', undefined],
  ])('%s is read as %s', (text, number) => expect(readNumber(text)).toBe(number));

  it('keeps the decimals that are typed key by key, with a point or a comma', async () => {
    render(<Carry optional range={{ least: 1, most: 400 }} unit="yd" />);
    await type('34.5');
    expect(kept()).toBe('34.5');
    await userEvent.clear(screen.getByLabelText('Carry'));
    await type('62,5');
    expect(kept()).toBe('62.5');
    expect(screen.getByText('yd')).toBeTruthy();
  });

  it('says while it is typed what it cannot be', async () => {
    render(<Carry optional range={{ least: 1, most: 400 }} unit="yd" />);
    await type('401');
    expect(screen.getByRole('alert').textContent).toBe('Enter 1 to 400 yd.');
  });

  it('leaves what cannot be read in the field, and changes nothing', async () => {
    render(<Carry from={90} />);
    await userEvent.clear(screen.getByLabelText('Carry'));
    await type('1.2.3');
    await userEvent.tab();
    expect(kept()).toBe('1.2');
    expect(screen.getByLabelText('Carry')).toHaveProperty('value', '1.2.3');
    expect(screen.getByRole('alert').textContent).toContain('one number');
  });

  it('takes no decimals where things are counted', () => {
    expect(numberProblem('7,5', { whole: true })).toBe('Enter a whole number.');
    expect(numberProblem('7', { whole: true })).toBeUndefined();
  });
});
