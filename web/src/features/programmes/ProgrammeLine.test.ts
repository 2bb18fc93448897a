import { describe, expect, it } from 'vitest';
import { measureInWords } from './ProgrammeLine';

const standing = {
  runId: 'r',
  programmeId: 'p',
  name: 'Gates',
  week: 3,
  weeks: 8,
  goal: { drillId: 'd', measure: 'best', what: 'In a row', unit: '', least: 6 },
  start: 2,
  latest: 4,
  latestOn: '2026-05-05',
};

describe('where the measure of a programme stands', () => {
  it('names start, latest result and band', () => {
    expect(measureInWords(standing)).toBe('In a row: 2 at the start, 4 on Tue 5 May, to come to 6 or more');
  });

  it('says that nothing was measured yet', () => {
    expect(measureInWords({ ...standing, start: null, latest: null, latestOn: null })).toBe(
      'In a row: nothing measured yet, to come to 6 or more',
    );
  });

  it('has bands with two ends, units and signs', () => {
    const goal = { ...standing.goal, unit: '°', least: -2, most: 1 };
    expect(measureInWords({ ...standing, goal, start: -4.25 })).toBe(
      'In a row: −4.2 ° at the start, 4 ° on Tue 5 May, to come between −2 ° and 1 °',
    );
    expect(measureInWords({ ...standing, goal: { ...goal, least: null } })).toContain('to come to 1 ° or less');
  });
});
