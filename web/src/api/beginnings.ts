/** Made from the server's description; never edited. */
export const beginnings = {
  segments: {
    warmUp: {
      phase: 'warmUp',
      intent: 'body',
      minutes: 10,
      balls: 0,
      holes: null,
      exit: {
        kind: 'minutes',
      },
    },
    block: {
      phase: 'block',
      intent: 'technique',
      minutes: 15,
      balls: 20,
      holes: null,
      exit: {
        kind: 'minutes',
      },
    },
    random: {
      phase: 'random',
      intent: 'skill',
      minutes: 15,
      balls: 15,
      holes: null,
      exit: {
        kind: 'minutes',
      },
    },
    onCourse: {
      phase: 'onCourse',
      intent: 'performance',
      minutes: 15,
      balls: 12,
      holes: 3,
      exit: {
        kind: 'minutes',
      },
    },
  },
  pause: {
    title: 'Water',
    minutes: 3,
    instruction: 'Drink something, and let your hands rest.',
  },
  homework: {
    phase: 'block',
    place: 'range',
    minutes: 15,
    balls: 0,
    mostMinutes: 240,
    mostBalls: 400,
  },
  holes: {
    quick: [
      {
        par: 3,
        bend: 'straight',
        usuallyLeft: {
          value: 140,
          unit: 'yards',
        },
        pin: null,
      },
      {
        par: 4,
        bend: 'straight',
        usuallyLeft: {
          value: 105,
          unit: 'yards',
        },
        pin: null,
      },
      {
        par: 5,
        bend: 'straight',
        usuallyLeft: {
          value: 75,
          unit: 'yards',
        },
        pin: null,
      },
    ],
    factor: 0.85,
  },
  testDay: {
    everyWeeks: 6,
  },
  rows: {
    'timedSteps.steps': {
      label: '',
      seconds: null,
      times: 5,
    },
    'approachShots.targets': {
      name: '',
      distance: 100,
    },
    'zoneSets.zones': {
      feet: 30,
      shortInches: 8,
      pastInches: 45,
      sideInches: 20,
    },
    'carryGrid.cells': {
      club: 'sandWedge',
      swing: 'full',
      carry: null,
    },
    'window.clubs': {
      club: 'iron7',
      bounds: [
        {
          what: 'launch',
          unit: '°',
          least: null,
          most: 20,
          turnsWithHand: false,
        },
      ],
    },
    'window.clubs.bounds': {
      what: '',
      unit: '',
      least: null,
      most: 0,
      turnsWithHand: false,
    },
    'calledShots.pattern': {
      shape: 'draw',
      balls: 3,
    },
    'upAndDown.stations': {
      lie: '',
      par: 2,
    },
    'proximityLevels.stations': {
      club: 'sandWedge',
      lie: '',
    },
  },
} as const;
