import { clubs, count, equipment, feedbackSources, swingSizes } from '../../ui/format';
import type { PracticeSegment } from '../plans/benchState';
import { hidingInWords } from './hiding';
import type { Session } from './queries';

/** What is to be known of a segment to do it alone, a name and a few words each. */
export function howLines({ hiding }: Pick<Session, 'hiding'>, segment: PracticeSegment): [string, string][] {
  const stages = hiding.find((h) => h.segmentId === segment.id)?.stages ?? [];
  const whole = segment.drill?.drill;
  const cues = [...new Set([segment.cue, ...(whole?.cues ?? [])].filter((cue) => cue))];
  const feedback = segment.feedback ?? whole?.feedback;
  const lines: [string, string | false | null | undefined][] = [
    ['Focus', segment.focus],
    ['Think of', cues.join(' · ')],
    ['It counts when', segment.criterion || whole?.criterion],
    ['Clubs', segment.clubs.map((c) => clubs[c]).join(', ')],
    ['Swing', segment.swing && swingSizes[segment.swing].toLowerCase()],
    ['Answer from', feedback && feedbackSources[feedback].toLowerCase()],
    ['Lay out', aidsOf(segment)],
    ['Fairway', fairwayOf(segment)],
    ['Holes', segment.holes ? count(segment.holes, 'hole') : ''],
    ['Every ball', segment.fullRoutine && 'with the full routine'],
    ['Slowly', segment.slowRepetitions && 'one ball every two to four minutes'],
    ['In a row', segment.declaredRun ? `the same call up to ${segment.declaredRun} times running` : ''],
    ['Hidden on purpose', hidingInWords(stages)],
    ['When it is crowded', whole?.whenCrowded],
  ];
  return lines.flatMap(([name, said]) => (said ? [[name, said] as [string, string]] : []));
}

function aidsOf(segment: PracticeSegment): string {
  return segment.aids.map((item) => equipment[item].toLowerCase()).join(', ');
}

function fairwayOf({ fairwayYards, realFairwayYards }: PracticeSegment): string {
  if (!fairwayYards) return '';
  const real = realFairwayYards ? `, for ${realFairwayYards} on the course` : '';
  return `${fairwayYards} yards wide${real}`;
}
