/** Made from the server's description; never edited. */
export const ranges = {
  sessionMinutes: {
    least: 5,
    most: 480,
  },
  sessionBalls: {
    least: 0,
    most: 1000,
  },
  segmentMinutes: {
    least: 1,
    most: 240,
  },
  segmentBalls: {
    least: 0,
    most: 400,
  },
  minutesAtHand: {
    least: 1,
    most: 480,
  },
  fairwayYards: {
    least: 1,
    most: 200,
  },
  fairwayFactor: {
    least: 0.5,
    most: 1.2,
  },
  effortPercent: {
    least: 10,
    most: 100,
  },
  targetDistance: {
    least: 1,
    most: 400,
  },
  carryYards: {
    least: 1,
    most: 400,
  },
  longerPercent: {
    least: -20,
    most: 20,
  },
  greenSpeedFeet: {
    least: 4,
    most: 16,
  },
  walkMinutes: {
    least: 0,
    most: 60,
  },
  greenSize: {
    least: 5,
    most: 80,
  },
  repetitions: {
    least: 100,
    most: 20000,
  },
  availableMinutes: {
    least: 5,
    most: 480,
  },
  programmeWeeks: {
    least: 1,
    most: 26,
  },
  orderInWeek: {
    least: 1,
    most: 14,
  },
  draftMinutes: {
    least: 5,
    most: 180,
  },
  draftBalls: {
    least: 0,
    most: 200,
  },
  startingAttempts: {
    least: 1,
    most: 10000,
  },
  securityLogDays: {
    least: 30,
    most: 730,
  },
  weeksBetweenTests: {
    least: 1,
    most: 52,
  },
} as const;
