import type { Schemas } from './client';

// The keys under which answers are kept: one factory a feature. They stand together, because a change in one feature makes stale
// what others show, and features know only those below them.

/** Who is signed in. */
export const signInKeys = {
  all: ['session'] as const,
  invitation: (token: string) => ['invitation', token] as const,
  mine: ['account'] as const,
};

/** Who looks after the academy, and what happened. */
export const peopleKeys = {
  all: ['people'] as const,
  log: ['security-log'] as const,
  student: (id: string) => ['students', id, 'account'] as const,
};

export const studentKeys = {
  all: ['students'] as const,
  squads: ['squads'] as const,
  coaches: ['coaches'] as const,
  one: (id: string) => ['students', id] as const,
  file: (id: string) => ['students', id, 'file'] as const,
};

/** What guardians see, and who they are. */
export const guardianKeys = {
  children: ['children'] as const,
  weeksOf: (studentId: string) => ['children', studentId] as const,
  week: (studentId: string, week: string) => ['children', studentId, week] as const,
  of: (studentId: string) => ['students', studentId, 'guardians'] as const,
};

/** What is kept of a student. */
export const dataRightsKeys = {
  of: (studentId: string) => ['data-rights', studentId] as const,
  retention: ['data-rights', 'retention'] as const,
  deleted: ['data-rights', 'deleted'] as const,
};

export const placeKeys = { all: ['places'] as const };

export const courseKeys = { all: ['courses'] as const };

export const roundKeys = {
  all: ['rounds'] as const,
  of: (studentId: string) => ['rounds', studentId] as const,
  list: (studentId: string, rows: number) => ['rounds', studentId, rows] as const,
};

export const drillKeys = {
  all: ['drills'] as const,
  shelves: ['drills', 'shelf'] as const,
  shelf: (search: object) => ['drills', 'shelf', search] as const,
  one: (id: string | undefined) => ['drills', id] as const,
  protocols: ['drills', 'protocols'] as const,
  check: (trial: Schemas['DrillTrial']) => ['drills', 'check', trial] as const,
  score: (protocol: object, seed: number, inputs: object) => ['drills', 'score', protocol, seed, inputs] as const,
};

export const planKeys = {
  lists: ['plans', 'list'] as const,
  list: (search: object) => ['plans', 'list', search] as const,
  one: (id: string | undefined) => ['plans', id] as const,
  check: (plan: object, studentId: string | null, isSquad: boolean) =>
    ['plan-check', plan, studentId, isSquad] as const,
  context: (studentId: string | null) => ['plan-context', studentId] as const,
  templates: ['plan-templates'] as const,
  calls: (protocol: object, seed: number) => ['plan-calls', protocol, seed] as const,
  holes: (play: object, studentId: string | null) => ['plan-holes', play, studentId] as const,
};

export const sessionKeys = {
  all: ['sessions'] as const,
  one: (assignmentId: string) => ['sessions', assignmentId] as const,
  judged: (assignmentId: string) => ['sessions', assignmentId, 'judged'] as const,
  allEntries: ['entries'] as const,
  entries: (logId: string | undefined) => ['entries', logId] as const,
};

export const programmeKeys = {
  all: ['programmes'] as const,
  one: (id: string | undefined) => ['programmes', id] as const,
  drawn: (programme: object) => ['programme-drawing', programme] as const,
};

export const wordKeys = {
  one: (studentId: string, week: string) => ['words', studentId, week] as const,
};

export const weekKeys = {
  all: ['weeks'] as const,
  one: (studentId: string, week: string) => ['weeks', studentId, week] as const,
  sheet: (week: string, whose: object) => ['weeks', 'sheet', week, whose] as const,
  checks: (week: string, students: readonly string[]) => ['weeks', 'checks', week, students] as const,
  text: (assignmentId: string) => ['session-text', assignmentId] as const,
  paper: (week: string, students: readonly string[]) => ['weeks', 'paper', week, students] as const,
  findings: (studentId: string, week: string, planId: string, day: string | null) =>
    ['week-findings', studentId, week, planId, day] as const,
  warmUps: (studentId: string) => ['warm-ups', studentId] as const,
};

export const reminderKeys = {
  choices: ['reminders'] as const,
  outbox: ['reminders', 'outbox'] as const,
  calendar: ['calendar'] as const,
};

export const progressKeys = {
  all: ['progress'] as const,
  one: (studentId: string) => ['progress', studentId] as const,
  span: (studentId: string, weeks: number) => ['progress', studentId, 'span', weeks] as const,
  drill: (studentId: string, drillId: string, group: string) => ['progress', studentId, drillId, group] as const,
};

export const reviewKeys = {
  teeLine: ['tee-line'] as const,
  teeLineOf: (walk: object) => ['tee-line', walk] as const,
  walk: ['walk'] as const,
  goals: (query: object) => ['tee-line', 'goals', query] as const,
  student: (studentId: string) => ['tee-line', 'student', studentId] as const,
  stop: (studentId: string) => ['tee-line', 'stop', studentId] as const,
};

export const competitionKeys = {
  one: (studentId: string, id: string) => ['progress', studentId, 'competition', id] as const,
};

export const testDayKeys = {
  all: ['test-days'] as const,
  one: (id: string) => ['test-days', id] as const,
};

/** Everything that shows what was set or practised. */
export const practiceKeys = [
  weekKeys.all,
  progressKeys.all,
  sessionKeys.all,
  sessionKeys.allEntries,
  reviewKeys.teeLine,
  testDayKeys.all,
];

/** Everything that shows what stands in somebody's week. */
export const weekViews = [weekKeys.all, reviewKeys.teeLine, progressKeys.all];
