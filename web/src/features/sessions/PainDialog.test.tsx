// @vitest-environment happy-dom
import { screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { renderInTheme } from '../../testing/renderInTheme';
import { PainDialog } from './PainDialog';

const form: Schemas['PainForm'] = {
  parts: [
    { part: 'wristOrHand', isPaired: true },
    { part: 'lowerBack', isPaired: false },
    { part: 'anotherPart', isPaired: false },
  ],
  scale: [],
  sharpEndsSession: true,
  advice: 'See a doctor.',
};

function dialog(hand: Schemas['Hand'] = 'right') {
  const onReport = vi.fn();
  const shown = renderInTheme(<PainDialog open hand={hand} form={form} onClose={vi.fn()} onReport={onReport} />);
  const pick = (group: string | RegExp, name: string | RegExp) =>
    shown.hands.click(within(screen.getByRole('group', { name: group })).getByRole('button', { name }));
  const tell = () => screen.getByRole('button', { name: 'Tell my coach' });
  return { ...shown, onReport, pick, tell };
}

describe('telling where it hurts', () => {
  it('wants a part, its side and how bad before it is told', async () => {
    const { pick, tell, hands, onReport } = dialog();
    await pick('It hurts here', /wrist/i);
    await pick(/How bad/, /: 3$/);
    expect(tell()).toHaveProperty('disabled', true);
    await pick('Which side', /^Trail/i);
    expect(tell()).toHaveProperty('disabled', true);
    await pick('What kind', 'Dull');
    await hands.click(tell());
    expect(onReport).toHaveBeenCalledWith({ kind: 'pain', part: 'wristOrHand', side: 'trail', level: 3, sharp: false });
  });

  it('asks no side of a part there is one of, even after a paired one was picked', async () => {
    const { pick, tell, hands, onReport } = dialog();
    await pick('It hurts here', /wrist/i);
    await pick('Which side', /^Lead/i);
    await hands.click(screen.getByRole('button', { name: 'Somewhere else' }));
    await pick('It hurts here', /lower back/i);
    await pick(/How bad/, /: 7$/);
    await pick('What kind', 'Sharp');
    await hands.click(tell());
    expect(onReport).toHaveBeenCalledWith({ kind: 'pain', part: 'lowerBack', side: null, level: 7, sharp: true });
  });

  it.each([
    ['right', /lead.*left/i],
    ['left', /lead.*right/i],
  ] as const)('shows a %s-handed student which hand leads', async (hand, name) => {
    const { pick } = dialog(hand);
    await pick('It hurts here', /wrist/i);
    expect(within(screen.getByRole('group', { name: 'Which side' })).queryByRole('button', { name })).not.toBeNull();
  });

  it('chooses nothing beforehand, and asks for the kind before how bad it is', async () => {
    const { pick } = dialog();
    await pick('It hurts here', /lower back/i);
    expect(screen.queryByRole('button', { pressed: true })).toBeNull();
    const groups = screen.getAllByRole('group').map((g) => g.getAttribute('aria-label'));
    expect(groups.indexOf('What kind')).toBeLessThan(groups.indexOf('How bad'));
  });

  it('takes another part in the student’s own words, and feeling unwell in one tap', async () => {
    const { pick, tell, hands, onReport } = dialog();
    await pick('Or I feel', 'Dizzy');
    expect(onReport).toHaveBeenCalledWith({ kind: 'unwell', feeling: 'dizzy' });
    await pick('It hurts here', /another part/i);
    await pick('What kind', 'Sharp');
    await pick('How bad', /: 6$/);
    expect(tell()).toHaveProperty('disabled', true);
    await hands.type(screen.getByLabelText('Where'), 'Rib');
    await hands.click(tell());
    expect(onReport).toHaveBeenLastCalledWith({
      kind: 'pain',
      part: 'anotherPart',
      side: null,
      level: 6,
      sharp: true,
      where: 'Rib',
    });
  });
});
