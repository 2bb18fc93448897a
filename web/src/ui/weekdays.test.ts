import { describe, expect, it } from 'vitest';
import { isoWeek, mondayOf, weekdayOf } from './weekdays';

// Source of the weeks: ISO 8601.
describe('weeks', () => {
  it('are numbered by the year that holds their Thursday, a 53rd included', () => {
    expect(isoWeek('2026-12-28')).toBe('2026-W53');
    expect(isoWeek('2027-01-04')).toBe('2027-W01');
    expect(isoWeek('2025-12-29')).toBe('2026-W01');
    expect(isoWeek('2026-05-04')).toBe('2026-W19');
  });

  it('begin on Monday', () => {
    expect(mondayOf('2027-01-03')).toBe('2026-12-28');
    expect(mondayOf('2026-05-04')).toBe('2026-05-04');
    expect(weekdayOf('2026-05-10')).toBe('sunday');
  });
});
