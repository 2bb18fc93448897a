import { describe, expect, it } from 'vitest';
import { clock, count, dayName, percent, plusDays, sideName } from './format';

describe('how things are written', () => {
  it('keeps a number with its unit', () => {
    expect(count(1, 'ball')).toBe('1\u00a0ball');
    expect(count(20, 'ball')).toBe('20\u00a0balls');
    expect(percent(0.555)).toBe('56\u00a0%');
    expect(percent(null)).toBe('–');
  });

  it('shows time as minutes and seconds', () => {
    expect(clock(245.9)).toBe('4:05');
    expect(clock(3660)).toBe('61:00');
    expect(clock(-3)).toBe('0:00');
  });

  it('names days without regard to the device’s time zone', () => {
    expect(dayName('2026-05-06')).toBe('Wed 6 May');
    expect(plusDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(plusDays('2026-03-01', -1)).toBe('2026-02-28');
  });

  it('says lead and trail for the student’s hand', () => {
    expect(sideName('lead', 'right')).toBe('Lead (left)');
    expect(sideName('lead', 'left')).toBe('Lead (right)');
    expect(sideName('trail', 'left')).toBe('Trail (left)');
  });
});
