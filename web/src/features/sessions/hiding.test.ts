import { describe, expect, it } from 'vitest';
import { hiddenAt, hidingInWords } from './hiding';

describe('what is hidden on purpose', () => {
  const stages = [
    { from: 0, hide: ['result' as const, 'video' as const] },
    { from: 1 / 3, hide: ['numbers' as const] },
    { from: 2 / 3, hide: [] },
  ];

  it.each([
    [0, ['result', 'video']],
    [0.33, ['result', 'video']],
    [0.34, ['numbers']],
    [0.67, []],
    [1.2, []],
  ])('goes on by stages: at %d', (share, hidden) => expect(hiddenAt(stages, share)).toEqual(hidden));

  it('is nothing where there are no stages', () => expect(hiddenAt([], 0.5)).toEqual([]));

  it('is said before it begins', () =>
    expect(hidingInWords(stages)).toBe('the result and the video, then the numbers, then nothing'));
});
