import type { Schemas } from '../api/client';

/** "1 ball", "20 balls". */
export const count = (n: number, one: string, many = `${one}s`) => `${n}\u00a0${n === 1 ? one : many}`;

/** Numbers and their unit stay on one line. */
export const minutes = (n: number) => `${Math.round(n)}\u00a0min`;

/** A share from 0 to 1 as a whole percentage; a dash where there is no figure. */
export const percent = (fraction: number | null) => (fraction === null ? '–' : `${Math.round(fraction * 100)}\u00a0%`);

export const pace = (ballsPerMinute: number) => `${ballsPerMinute.toFixed(ballsPerMinute < 1 ? 2 : 1)} balls/min`;

const days = { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' } as const;

/** "Tue 5 May", for a day written as 2026-05-05. */
export const dayName = (day: string) =>
  new Intl.DateTimeFormat('en-GB', days).format(new Date(`${day}T00:00:00Z`)).replace(',', '');

export const weekday = (day: string) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));

/** A day moved by some days, as 2026-05-05. */
export function plusDays(day: string, by: number): string {
  const date = new Date(`${day}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() + by);
  return date.toISOString().slice(0, 10);
}

/** "4:05", "61:00". */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

export const intents: Record<Schemas['Intent'], string> = {
  body: 'Body',
  mind: 'Mind',
  technique: 'Technique',
  skill: 'Skill',
  performance: 'Performance',
};

export const areas: Record<Schemas['Area'], string> = {
  putting: 'Putting',
  chip: 'Chip',
  pitch: 'Pitch',
  bunker: 'Bunker',
  wedge: 'Wedge',
  iron: 'Iron',
  wood: 'Wood',
  driver: 'Driver',
  body: 'Body',
  mind: 'Mind',
};

export const places: Record<Schemas['PlaceKind'], string> = {
  range: 'Range',
  puttingGreen: 'Putting green',
  chippingGreen: 'Chipping green',
  bunker: 'Bunker',
  course: 'Course',
  home: 'Home',
};

export const feedbackSources: Record<Schemas['FeedbackSource'], string> = {
  mirror: 'Mirror',
  gate: 'Gate',
  sticks: 'Sticks',
  video: 'Video',
  launchNumbers: 'Launch numbers',
  coachEye: "Coach's eye",
  contact: 'Contact',
  ownFeel: 'Own feel',
};

export const clubs: Record<Schemas['Club'], string> = {
  driver: 'Driver',
  wood3: '3 wood',
  wood5: '5 wood',
  wood7: '7 wood',
  hybrid: 'Hybrid',
  iron3: '3 iron',
  iron4: '4 iron',
  iron5: '5 iron',
  iron6: '6 iron',
  iron7: '7 iron',
  iron8: '8 iron',
  iron9: '9 iron',
  pitchingWedge: 'Pitching wedge',
  gapWedge: 'Gap wedge',
  sandWedge: 'Sand wedge',
  lobWedge: 'Lob wedge',
  putter: 'Putter',
};

export const levels: Record<Schemas['Level'], string> = {
  new: 'New',
  improving: 'Improving',
  singleFigure: 'Single figure',
  elite: 'Elite',
};

export const hands: Record<Schemas['Hand'], string> = { right: 'Right-handed', left: 'Left-handed' };

export const standings: Record<Schemas['Standing'], string> = {
  open: 'to come',
  underWay: 'under way',
  done: 'done',
  partDone: 'part done',
  missed: 'missed',
  excused: 'excused',
};

export const outcomes: Record<Schemas['SegmentOutcome'], string> = {
  done: 'done',
  partDone: 'part done',
  skipped: 'skipped',
};

export const excuses: Record<Schemas['Excuse'], string> = {
  ill: 'Ill',
  hurt: 'Hurt',
  away: 'Away',
  weather: 'Weather',
};

export const bodyParts: Record<Schemas['BodyPart'], string> = {
  neck: 'Neck',
  shoulder: 'Shoulder',
  elbow: 'Elbow',
  wristOrHand: 'Wrist or hand',
  upperBack: 'Upper back',
  lowerBack: 'Lower back',
  hip: 'Hip',
  knee: 'Knee',
  ankleOrFoot: 'Ankle or foot',
};

/** "Lead (left)" for a right-handed player. */
export function sideName(side: Schemas['BodySide'], hand: Schemas['Hand']): string {
  const isLeft = (side === 'lead') === (hand === 'right');
  return `${side === 'lead' ? 'Lead' : 'Trail'} (${isLeft ? 'left' : 'right'})`;
}

export const keysOf = <K extends string>(names: Record<K, string>) => Object.keys(names) as K[];
