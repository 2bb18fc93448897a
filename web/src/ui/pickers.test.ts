import { describe, expect, it } from 'vitest';
import { countsToTwelve, dayOrderOf } from './pickers';

// Orders as in the Unicode Common Locale Data Repository, pattern "yMd"; from memory.
describe('days and times', () => {
  it.each([
    ['en-US', 'MM/DD/YYYY'],
    ['en-GB', 'DD/MM/YYYY'],
    ['de-DE', 'DD.MM.YYYY'],
    ['sv-SE', 'YYYY-MM-DD'],
  ])('stand in the order of %s', (language, order) => expect(dayOrderOf(language)).toBe(order));

  it.each([
    ['en-US', true],
    ['de-DE', false],
  ])('count the hours as %s does', (language, twelve) => expect(countsToTwelve(language)).toBe(twelve));
});
