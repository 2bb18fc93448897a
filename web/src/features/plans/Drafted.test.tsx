// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { renderInTheme } from '../../testing/renderInTheme';
import { emptyPlan, newSegment } from './benchState';
import { Drafted } from './Drafted';

const block = { ...newSegment('block', 'range'), title: 'Gate' };
const whole: Schemas['Drafted'] = {
  plan: { ...emptyPlan, title: 'Irons', segments: [block] },
  reasons: [
    { segmentId: block.id, why: 'The focus is the start line.' },
    { segmentId: 'taken-out', why: 'It was here.' },
  ],
  compromises: ['No random part.'],
  offers: [],
  hasMoreVariants: true,
};

function drafted(of: Partial<Schemas['Drafted']> = {}, variant = 0) {
  const ways = { onVariant: vi.fn(), onPlace: vi.fn(), onClose: vi.fn() };
  const plan = { ...emptyPlan, segments: [block] };
  return {
    ...ways,
    ...renderInTheme(
      <Drafted drafted={{ ...whole, ...of }} variant={variant} plan={plan} isDrafting={false} {...ways} />,
    ),
  };
}

describe('what is said of a draft', () => {
  it('is a reason for every segment that is still there, and what is missing', async () => {
    const { hands, onVariant } = drafted();
    expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual(['Gate: The focus is the start line.']);
    screen.getByText('No random part.');
    await hands.click(screen.getByRole('button', { name: 'Another' }));
    expect(onVariant).toHaveBeenCalledWith(1);
  });

  it('is that there is no other one, and the way back', async () => {
    const { hands, onVariant } = drafted({ hasMoreVariants: false }, 2);
    expect(screen.queryByRole('button', { name: 'Another' })).toBeNull();
    screen.getByText('There is no other one for these answers.');
    await hands.click(screen.getByRole('button', { name: 'The one before' }));
    expect(onVariant).toHaveBeenCalledWith(1);
  });

  it('is why there is none, and a button for what would work', async () => {
    const { hands, onPlace, onClose } = drafted({
      plan: null,
      reasons: [],
      compromises: ['Everything that fits loads the trail wrist.'],
      offers: [{ place: 'puttingGreen', text: 'What would work on the putting green: Putting, 60 min.' }],
    });
    screen.getByText('Everything that fits loads the trail wrist.');
    screen.getByText('What would work on the putting green: Putting, 60 min.');
    await hands.click(screen.getByRole('button', { name: 'Draft one: putting green' }));
    expect(onPlace).toHaveBeenCalledWith('puttingGreen');
    await hands.click(screen.getByRole('button', { name: 'Close' }));
    expect(onClose).toHaveBeenCalled();
  });
});
