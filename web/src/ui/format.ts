import type { Schemas } from '../api/client';

/** "1 ball", "20 balls". */
export const count = (n: number, one: string, many = `${one}s`) =>
  `${n.toLocaleString('en-GB')}\u00a0${n === 1 ? one : many}`;

/** Numbers and their unit stay on one line. */
export const minutes = (n: number) => `${Math.round(n)}\u00a0min`;

/** A share from 0 to 1 as a whole percentage; a dash where there is no figure. */
export const percent = (fraction: number | null) => (fraction === null ? '–' : `${Math.round(fraction * 100)}\u00a0%`);

export const pace = (ballsPerMinute: number) => `${ballsPerMinute.toFixed(ballsPerMinute < 1 ? 2 : 1)} balls/min`;

const days = { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' } as const;

/** "Tue 5 May", for a day written as 2026-05-05. */
export const dayName = (day: string) =>
  new Intl.DateTimeFormat('en-GB', days).format(new Date(`${day}T00:00:00Z`)).replace(',', '');

/** "Tue 5 May, 18:04", for a moment as the server writes it, by the device's clock. */
export const moment = (at: string) =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  })
    .format(new Date(at))
    .replace(',', '');

export const weekday = (day: string) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));

/** A day moved by some days, as 2026-05-05. */
export function plusDays(day: string, by: number): string {
  const date = new Date(`${day}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() + by);
  return date.toISOString().slice(0, 10);
}

/** How many days lie from one day to a later one. */
export const daysBetween = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);

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
  ballFlight: 'Ball flight',
  landing: 'Landing',
  roll: 'Roll',
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

export const requirements: Record<Schemas['Requirement'], string> = {
  must: 'Must',
  extra: 'Extra',
  own: 'On their own',
};

export const statuses: Record<Schemas['SessionStatus'], string> = {
  open: 'to come',
  underWay: 'under way',
  done: 'done',
  partDone: 'part done',
  stopped: 'stopped early',
  trimmed: 'trimmed, and done',
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
  anotherPart: 'Another part',
};

export const badWeather: Record<Schemas['BadWeather'], string> = { thunder: 'Thunder', rain: 'Rain', wind: 'Wind' };
export const unwellFeelings: Record<Schemas['Unwell'], string> = { dizzy: 'Dizzy', overheated: 'Overheated' };

/** Pain as a coach reads it, left and right said for the student's hand. */
export const painInWords = (
  pain: { part: Schemas['BodyPart']; side?: Schemas['BodySide'] | null; where?: string; level: number; sharp: boolean },
  hand: Schemas['Hand'],
) => {
  const side = pain.side ? `${sideName(pain.side, hand)} ` : '';
  const where = (pain.where || bodyParts[pain.part]).toLowerCase();
  return `${side}${where}, ${pain.level} of 10${pain.sharp ? ', sharp' : ''}`;
};

/** Strokes as far as they were counted; what nobody counted is not called nothing. */
export const strokesInWords = ({ counted, someUnknown }: Schemas['Strokes']) =>
  counted === 0 && someUnknown
    ? 'balls not counted'
    : `${count(counted, 'ball')}${someUnknown ? ', and some not counted' : ''}`;

/** When something shown was heard from the server. */
export const heardAt = (at: number) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(at);

export const equipment: Record<Schemas['Equipment'], string> = {
  alignmentSticks: 'Alignment sticks',
  tees: 'Tees',
  mirror: 'Mirror',
  puttingGate: 'Putting gate',
  stringLine: 'String',
  chalk: 'Chalk',
  coins: 'Coins',
  towel: 'Towel',
  headcover: 'Headcover',
  footSpray: 'Foot spray',
  tapeMeasure: 'Tape measure',
  phone: 'Phone',
  launchMonitor: 'Launch monitor',
  metronome: 'Metronome',
  umbrella: 'Umbrella',
};

export const clubGroups: Record<Schemas['ClubGroup'], string> = {
  none: 'No club',
  putter: 'Putter',
  wedges: 'Wedges',
  shortIrons: 'Short irons',
  midIrons: 'Mid irons',
  longIronsAndHybrids: 'Long irons and hybrids',
  woods: 'Woods',
  woodsAndHybrids: 'Woods and hybrids',
  driver: 'Driver',
  any: 'Any club',
};

export const swingSizes: Record<Schemas['SwingSize'], string> = {
  putt: 'Putt',
  chip: 'Chip',
  half: 'Half swing',
  threeQuarter: 'Three-quarter swing',
  full: 'Full swing',
};

export const swingLengths: Record<Schemas['SwingLength'], string> = {
  halfPastSeven: '7:30',
  nine: '9:00',
  ten: '10:00',
  full: 'Full',
};

export const shapes: Record<Schemas['ShotShape'], string> = { straight: 'Straight', draw: 'Draw', fade: 'Fade' };

export const hiddenThings: Record<Schemas['Hidden'], string> = {
  result: 'The result',
  numbers: 'The numbers',
  video: 'The video',
};

export const drawings: Record<Schemas['SetUpDrawing'], string> = {
  none: 'No drawing',
  aroundTheHole: 'Around the hole',
  ladder: 'Ladder of steps',
  zones: 'Zones around the hole',
  gate: 'A gate',
  sticks: 'Sticks on the ground',
  corridor: 'A corridor down the range',
  carries: 'Carries up the range',
  landing: 'A landing spot and the run',
  sand: 'A bunker from the side',
  stations: 'Lies around a green',
  figure: 'A player',
  armClock: 'The lead arm on a clock',
  face: 'The club face',
  breath: 'Breathing in a square',
  hole: 'A hole from above',
};

export const loadWeights: Record<Schemas['LoadWeight'], string> = { heavy: 'much', light: 'a little' };

export const handsOnClub: Record<Schemas['HandsOnClub'], string> = {
  both: 'Both hands',
  leadOnly: 'Lead hand only',
  trailOnly: 'Trail hand only',
};

export const stances: Record<Schemas['Stance'], string> = {
  normal: 'Normal stance',
  feetTogether: 'Feet together',
  leadFootOnly: 'Lead foot only',
  trailFootOnly: 'Trail foot only',
};

export const lengthUnits: Record<Schemas['LengthUnit'], string> = {
  yards: 'yd',
  metres: 'm',
  feet: 'ft',
  inches: 'in',
};

export const ages: Record<Schemas['AgeBand'], string> = {
  underTwelve: 'Under 12',
  twelveToSeventeen: '12 to 17',
  adult: 'Adult',
  sixtyAndOver: '60 and over',
};

export const approaches: Record<Schemas['Approach'], string> = {
  evenSplit: 'Even split',
  threeParts: 'Three parts',
  stepUp: 'Step up',
  slowBuild: 'Slow build',
  playIt: 'Play it',
  sharpen: 'Sharpen',
};

export const warmUpSchools: Record<Schemas['WarmUpSchool'], string> = {
  twoAClub: 'Two a club',
  untilCentred: 'Until centred',
  fixedFives: 'Fixed fives',
  free: 'Odd shapes',
};

export const seasons: Record<Schemas['Season'], string> = {
  offSeason: 'Off-season',
  preSeason: 'Pre-season',
  inSeason: 'In season',
  competitionWeek: 'Competition week',
};

export const ballKinds: Record<Schemas['BallKind'], string> = { rangeBall: 'Range ball', ownBall: 'Own ball' };

export const hitFrom: Record<Schemas['HitFrom'], string> = { grass: 'Grass', mat: 'Mat', indoors: 'Indoors' };

export const surfaces: Record<Schemas['RangeSurface'], string> = {
  grass: 'Grass',
  mat: 'Mats',
  indoorBay: 'Indoor bay',
};

/** The directions of the compass, by degrees from north. */
export const compass: Record<string, string> = {
  0: 'north',
  45: 'north-east',
  90: 'east',
  135: 'south-east',
  180: 'south',
  225: 'south-west',
  270: 'west',
  315: 'north-west',
};

export const sides: Record<Schemas['TargetSide'], string> = { left: 'Left', right: 'Right' };

export const bends: Record<Schemas['Bend'], string> = { straight: 'Straight', left: 'Left', right: 'Right' };

export const troubles: Record<Schemas['TroubleKind'], string> = {
  sand: 'Sand',
  trees: 'Trees',
  water: 'Water',
  outOfBounds: 'Out',
};

export const pinSides: Record<Schemas['PinSide'], string> = { middle: 'Middle', left: 'Left', right: 'Right' };

export const pinDepths: Record<Schemas['PinDepth'], string> = { middle: 'Middle', front: 'Front', back: 'Back' };

export const weekdays: Record<Schemas['DayOfWeek'], string> = {
  monday: 'Monday',
  tuesday: 'Tuesday',
  wednesday: 'Wednesday',
  thursday: 'Thursday',
  friday: 'Friday',
  saturday: 'Saturday',
  sunday: 'Sunday',
};

/** "Lead (left)" for a right-handed player. */
export function sideName(side: Schemas['BodySide'], hand: Schemas['Hand']): string {
  const isLeft = (side === 'lead') === (hand === 'right');
  return `${side === 'lead' ? 'Lead' : 'Trail'} (${isLeft ? 'left' : 'right'})`;
}

export const keysOf = <K extends string>(names: Record<K, string>) => Object.keys(names) as K[];

/** What was done of a week of what was due by today: "40 of 60 min due by today"; empty where nothing was due. */
export const dueInWords = ({ dueMinutes, dueDoneMinutes }: Schemas['Completed']) =>
  dueMinutes ? `${Math.round(dueDoneMinutes ?? 0)} of ${dueMinutes} min due by today` : '';

/** A number with its sign, as strokes are gained and lost. */
export const signed = (n: number, decimals = 2) => {
  const text = Math.abs(n).toFixed(decimals);
  return Number(text) === 0 ? text : n < 0 ? `−${text}` : `+${text}`;
};
