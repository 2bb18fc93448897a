import { dayName } from '../../ui/format';
import type { Session } from './queries';

/** Whose card it is, of which holes, and when they were played. */
export const cardTitle = ({ studentName, card }: Session, holes: string) =>
  [studentName, holes, card.practisedOn && dayName(card.practisedOn)].filter(Boolean).join(', ');
