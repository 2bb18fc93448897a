// @vitest-environment happy-dom
import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { renderInTheme } from '../testing/renderInTheme';
import { SessionStrip, type StripSegment } from './SessionStrip';

const segment = (id: string, part: Partial<StripSegment> = {}) =>
  ({
    id,
    title: id,
    phase: 'block',
    minutes: 10,
    balls: 20,
    holes: null,
    ballsPerMinute: 2,
    fraction: 0,
    ...part,
  }) as StripSegment;

const three = [
  segment('Stretch', { phase: 'warmUp', balls: 0, ballsPerMinute: null, fraction: 1 }),
  segment('Start line', { fraction: 0.5 }),
  segment('Called shots', { phase: 'random', fraction: null }),
];

describe('the session strip', () => {
  it('says in words what it draws: phase, minutes, and how far each was done', () => {
    renderInTheme(<SessionStrip segments={three} label="Tuesday" />);
    const words = screen.getByRole('img').getAttribute('aria-label')?.replaceAll('\u00a0', ' ');
    expect(words).toBe(
      'Tuesday: Stretch, warm-up, 10 min, 100 % done; Start line, block, 10 min, 50 % done; ' +
        'Called shots, random, 10 min, dropped because of pain',
    );
  });

  it('says nothing of what was done while a plan is written', () => {
    renderInTheme(<SessionStrip segments={three} shows="plan" label="Plan" />);
    expect(screen.getByRole('img').getAttribute('aria-label')).not.toContain('done');
  });

  it('is a row of buttons where a segment can be chosen', async () => {
    const onSelect = vi.fn();
    const { hands } = renderInTheme(
      <SessionStrip segments={three} shows="plan" label="Plan" selected="Stretch" onSelect={onSelect} />,
    );
    expect(screen.getByRole('button', { name: /^Stretch/ }).getAttribute('aria-pressed')).toBe('true');
    await hands.click(screen.getByRole('button', { name: /^Called shots/ }));
    expect(onSelect).toHaveBeenCalledWith('Called shots');
  });

  it('makes a segment longer minute by minute while its edge is dragged', () => {
    const onResize = vi.fn();
    renderInTheme(<SessionStrip segments={three} shows="plan" label="Plan" onSelect={vi.fn()} onResize={onResize} />);
    const strip = screen.getByRole('group', { name: 'Plan' });
    Object.defineProperty(strip, 'clientWidth', { value: 300 });
    const [edge] = screen.getAllByTestId('resize');
    fireEvent.pointerDown(edge as Element, { clientX: 100 });
    fireEvent.pointerMove(window, { clientX: 104 });
    fireEvent.pointerMove(window, { clientX: 121 });
    fireEvent.pointerMove(window, { clientX: 90 });
    fireEvent.pointerUp(window, { clientX: 90 });
    fireEvent.pointerMove(window, { clientX: 300 });
    expect(onResize.mock.calls).toEqual([
      ['Stretch', 2],
      ['Stretch', -3],
    ]);
  });

  it('moves nothing for a press that stays where it is', () => {
    const onReorder = vi.fn();
    renderInTheme(<SessionStrip segments={three} shows="plan" label="Plan" onSelect={vi.fn()} onReorder={onReorder} />);
    fireEvent.pointerDown(screen.getByRole('button', { name: /^Stretch/ }), { clientX: 10, button: 0 });
    fireEvent.pointerUp(window, { clientX: 13 });
    expect(onReorder).not.toHaveBeenCalled();
  });
});
