import Ajv2020 from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const read = (path: string) =>
  JSON.parse(readFileSync(new URL(`../../../../${path}`, import.meta.url), 'utf8')) as unknown;

/** Ajv stands for any reader of the published schema that is not ours. */
const validator = (path: string) => new Ajv2020({ strict: false }).compile(read(path) as object);

interface DrillFile {
  format: string;
  drills: { id: string; drill: Record<string, unknown> }[];
}

describe('the published drill schema', () => {
  const isDrillFile = validator('docs/drill-file.schema.json');
  const shelf = () => read('src/MorningRound.Server/Drills/starting-shelf.json') as DrillFile;
  const first = (file: DrillFile) => file.drills[0] as DrillFile['drills'][number];

  it('takes the starting shelf', () => expect(isDrillFile(shelf()), JSON.stringify(isDrillFile.errors)).toBe(true));

  it.each([
    ['a drill without a name', (f: DrillFile) => delete first(f).drill['name']],
    ['minutes in words', (f: DrillFile) => (first(f).drill['usualMinutes'] = 'ten')],
    ['a place nobody knows', (f: DrillFile) => (first(f).drill['places'] = ['moon'])],
    ['a way to score nobody knows', (f: DrillFile) => (first(f).drill['protocol'] = { kind: 'dance' })],
    ['no version', (f: DrillFile) => delete (f as Partial<DrillFile> & { version?: number }).version],
  ])('refuses %s', (_, spoil) => {
    const file = shelf();
    spoil(file);
    expect(isDrillFile(file)).toBe(false);
  });
});

describe('the published place schema', () => {
  const isPlaceFile = validator('docs/place-file.schema.json');
  const place = { name: 'Meadow', kind: 'range', targets: [{ name: 'Oak', distance: { value: 135, unit: 'metres' } }] };
  const file = (of: object) => ({
    format: 'morning-round-places',
    version: 1,
    places: [{ id: '00000001-0000-7000-8000-000000000000', place: of }],
  });

  it('takes a place', () => expect(isPlaceFile(file(place)), JSON.stringify(isPlaceFile.errors)).toBe(true));
  it('refuses a distance without a unit', () =>
    expect(isPlaceFile(file({ ...place, targets: [{ name: 'Oak', distance: { value: 135 } }] }))).toBe(false));
});

describe('the published course schema', () => {
  const isCourseFile = validator('docs/course-file.schema.json');
  interface CourseFile {
    courses: { course: { holes: Record<string, unknown>[] } }[];
  }
  const courses = () => read('tests/fixtures/courses.json') as CourseFile;
  const hole = (file: CourseFile) => file.courses[0]?.course.holes[1] ?? {};

  it('takes courses as the core writes them', () =>
    expect(isCourseFile(courses()), JSON.stringify(isCourseFile.errors)).toBe(true));

  it.each([
    ['a hole without a par', (f: CourseFile) => delete hole(f)['par']],
    ['lengths in words', (f: CourseFile) => (hole(f)['lengths'] = ['long'])],
    ['trouble nobody knows', (f: CourseFile) => (hole(f)['left'] = 'dragons')],
    ['a pin nobody can reach', (f: CourseFile) => (hole(f)['pin'] = { side: 'above' })],
  ])('refuses %s', (_, spoil) => {
    const file = courses();
    spoil(file);
    expect(isCourseFile(file)).toBe(false);
  });
});

describe('the published round schema', () => {
  const isRoundFile = validator('docs/round-file.schema.json');
  interface RoundFile {
    rounds: { id: string; round: Record<string, unknown> & { holes: Record<string, unknown>[] } }[];
  }
  const rounds = () => read('tests/fixtures/rounds.json') as RoundFile;
  const first = (file: RoundFile) => file.rounds[0] as RoundFile['rounds'][number];

  it('takes rounds as the core writes them', () =>
    expect(isRoundFile(rounds()), JSON.stringify(isRoundFile.errors)).toBe(true));

  it.each([
    ['a round without a day', (f: RoundFile) => delete first(f).round['day']],
    ['a day that is none', (f: RoundFile) => (first(f).round['day'] = 7)],
    ['a score in words', (f: RoundFile) => ((first(f).round.holes[0] ?? {})['score'] = 'five')],
    ['a fairway hit by half', (f: RoundFile) => ((first(f).round.holes[1] ?? {})['fairwayHit'] = 'half')],
  ])('refuses %s', (_, spoil) => {
    const file = rounds();
    spoil(file);
    expect(isRoundFile(file)).toBe(false);
  });
});
