import { beginnings } from '../../api/beginnings';
import { clubs, lengthUnits, swingLengths } from '../../ui/format';
import type { Protocol } from './queries';

const { rows } = beginnings;

const shapes = { straight: 'Straight', draw: 'Draw', fade: 'Fade' };

/** A parameter as it is edited: what it is called, and what kind of thing it is. */
export type Kind =
  | { is: 'number'; label: string; optional?: boolean }
  | { is: 'text'; label: string }
  | { is: 'flag'; label: string }
  | { is: 'numbers'; label: string }
  | { is: 'texts'; label: string }
  | { is: 'one'; label: string; names: Record<string, string> }
  | { is: 'some'; label: string; names: Record<string, string> }
  | { is: 'rows'; label: string; one: string; row: Record<string, Kind>; fresh: Record<string, unknown> };

const number = (label: string): Kind => ({ is: 'number', label });
const maybe = (label: string): Kind => ({ is: 'number', label, optional: true });
const text = (label: string): Kind => ({ is: 'text', label });
const flag = (label: string): Kind => ({ is: 'flag', label });
const yardsOrMetres: Kind = {
  is: 'one',
  label: 'Unit',
  names: { yards: lengthUnits.yards, metres: lengthUnits.metres },
};
const puttUnit: Kind = { is: 'one', label: 'Unit', names: { feet: lengthUnits.feet, metres: lengthUnits.metres } };

/** The parameters of every way to score. What they may be is checked on the server; here they only have names. */
export const parameters: { [K in Protocol['kind']]: Record<string, Kind> } = {
  repetitions: { count: maybe('How many') },
  // Holes are set on the bench.
  playedHoles: {},
  timedSteps: {
    steps: {
      is: 'rows',
      label: 'Steps',
      one: 'step',
      row: { label: text('What'), seconds: maybe('Seconds'), times: maybe('Times') },
      fresh: rows['timedSteps.steps'],
    },
    cycles: number('Times over'),
  },
  makeRate: { attempts: number('Attempts'), make: text('A make is') },
  streak: { length: number('In a row'), cap: number('At most so many attempts'), make: text('A make is') },
  compass: {
    distances: { is: 'numbers', label: 'Distances, near to far' },
    unit: puttUnit,
    points: number('Points around the hole'),
  },
  stepLadder: {
    start: number('Bottom step'),
    step: number('Longer by'),
    top: number('Top step'),
    unit: puttUnit,
    climbs: number('Climbs'),
  },
  zoneSets: {
    zones: {
      is: 'rows',
      label: 'Zones',
      one: 'zone',
      row: {
        feet: number('From, ft'),
        shortInches: number('Short, in'),
        pastInches: number('Past, in'),
        sideInches: number('To a side, in'),
      },
      fresh: rows['zoneSets.zones'],
    },
    setsToClear: number('Sets to clear'),
    mostSets: number('At most so many sets'),
  },
  parGame: { stations: number('Stations'), laps: number('Laps'), length: number('Length of a putt'), unit: puttUnit },
  carryGrid: {
    cells: {
      is: 'rows',
      label: 'Cells; without a number the student’s own is taken',
      one: 'cell',
      row: {
        club: { is: 'one', label: 'Club', names: clubs },
        swing: { is: 'one', label: 'Swing', names: swingLengths },
        carry: maybe('Carry'),
      },
      fresh: rows['carryGrid.cells'],
    },
    ballsPerCell: number('Balls a cell'),
    tolerancePercent: number('Tolerance, %'),
    unit: yardsOrMetres,
  },
  ballRating: {
    balls: number('Balls'),
    rated: text('What is rated'),
    lowMeans: text('1 means'),
    highMeans: text('10 means'),
  },
  guessAndCheck: {
    quantities: {
      is: 'some',
      label: 'What is guessed',
      names: { length: 'Length', rise: 'Rise', slope: 'Slope', aimPoint: 'Aim spot', carry: 'Carry' },
    },
    attempts: number('Attempts'),
    carryUnit: yardsOrMetres,
  },
  window: {
    clubs: {
      is: 'rows',
      label: 'Clubs',
      one: 'club',
      row: {
        club: { is: 'one', label: 'Club', names: clubs },
        bounds: {
          is: 'rows',
          label: 'Numbers',
          one: 'number',
          row: {
            what: text('What'),
            unit: text('Unit'),
            least: maybe('At least'),
            most: maybe('At most'),
            turnsWithHand: flag('Turned for left-handers'),
          },
          fresh: rows['window.clubs.bounds'],
        },
      },
      fresh: rows['window.clubs'],
    },
    shotsPerClub: number('Shots a club'),
  },
  calledShots: {
    clubs: { is: 'some', label: 'Clubs', names: clubs },
    shapes: { is: 'some', label: 'Shapes', names: shapes },
    heights: { is: 'some', label: 'Heights', names: { low: 'Low', normal: 'Normal', high: 'High' } },
    targets: { is: 'texts', label: 'Targets, a line each' },
    calls: number('Calls; with a pattern, times over'),
    pattern: {
      is: 'rows',
      label: 'Declared pattern',
      one: 'run',
      row: { shape: { is: 'one', label: 'Shape', names: shapes }, balls: number('Balls') },
      fresh: rows['calledShots.pattern'],
    },
  },
  proximityLevels: {
    stations: {
      is: 'rows',
      label: 'Stations',
      one: 'station',
      row: { club: { is: 'one', label: 'Club', names: clubs }, lie: text('Lie') },
      fresh: rows['proximityLevels.stations'],
    },
    radiiFeet: { is: 'numbers', label: 'Radius of each circle in feet, the widest first' },
  },
  measuredShots: {
    what: text('What is measured'),
    unit: text('Unit'),
    least: maybe('Band from'),
    most: maybe('Band to'),
    shots: number('Shots'),
    startedAt: maybe('Where it started'),
    aimDistance: maybe('Aim check: distance'),
    turnsWithHand: flag('Band turned for left-handers'),
  },
  upAndDown: {
    stations: {
      is: 'rows',
      label: 'Stations',
      one: 'station',
      row: { lie: text('Lie and length'), par: number('Par') },
      fresh: rows['upAndDown.stations'],
    },
    rounds: number('Times round'),
  },
  approachShots: {
    targets: {
      is: 'rows',
      label: 'Targets',
      one: 'target',
      row: { name: text('Target'), distance: number('Distance') },
      fresh: rows['approachShots.targets'],
    },
    unit: yardsOrMetres,
    greenRadius: number('Green, from the target'),
    rounds: number('Times through'),
  },
  rehearsedScenario: { scenarios: number('Scenarios') },
};
