import { describe, expect, it } from 'vitest';
import { bearingInWords, bearingOptions, facingInWords, facingOptions } from './direction';

describe('a direction', () => {
  it('is said from the bays', () => {
    expect([-60, -14, -1, 0, 8, 9, 30].map(bearingInWords)).toEqual([
      'far left',
      'half left',
      'straight ahead',
      'straight ahead',
      'slightly right',
      'half right',
      'right',
    ]);
  });

  it('can be chosen, and one that was pointed at stands among the others in its place', () => {
    expect(bearingOptions(12).map((o) => o.value)).toEqual(['-45', '-25', '-12', '-5', '0', '5', '12', '25', '45']);
    expect(bearingOptions(17)[7]).toEqual({ value: '17', label: 'half right, 17°' });
    expect(bearingOptions(52).at(-1)).toEqual({ value: '52', label: 'far right, 52°' });
  });

  it('of the compass is a word, and about one where it lies between', () => {
    expect([0, 100, 350].map(facingInWords)).toEqual(['north', 'about east', 'about north']);
    expect(facingOptions(null)).toHaveLength(8);
    expect(facingOptions(100).at(-1)).toEqual({ value: '100', label: 'about east, 100°' });
  });
});
