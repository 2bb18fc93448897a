import { describe, expect, it } from 'vitest';
import { copyAfter, freshHole, mirrored } from './holes';
import type { Hole } from './queries';

const turning: Hole = {
  ...freshHole(4, 2),
  bend: 'left',
  left: 'water',
  right: null,
  safeSide: 'right',
  green: { width: 22, left: 'sand', right: null },
  pin: { side: 'right', depth: 'back' },
};

describe('a hole', () => {
  it('has a length for every tee to begin with', () => expect(freshHole(5, 3).lengths).toHaveLength(3));

  it('has no fairway on a par 3', () => expect(freshHole(3, 1).fairwayWidth).toBeNull());

  it('turned round has everything on its other side', () =>
    expect(mirrored(turning)).toMatchObject({
      bend: 'right',
      left: null,
      right: 'water',
      safeSide: 'left',
      green: { width: 22, left: null, right: 'sand' },
      pin: { side: 'left', depth: 'back' },
    }));

  it('turned round twice is as it was', () => expect(mirrored(mirrored(turning))).toEqual(turning));

  it('is copied behind itself', () => {
    const [first, second] = [freshHole(3, 1), freshHole(5, 1)];
    expect(copyAfter([first, second], 0)).toEqual([first, first, second]);
  });
});
