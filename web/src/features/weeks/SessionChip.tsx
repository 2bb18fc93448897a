import type { PointerEvent, ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { findingLevels } from '../../ui/findingLevels';
import { TinyStrip } from '../../ui/TinyStrip';
import { isLoose, type Card } from './sheet';

interface Props {
  card: Card;
  /** The heaviest of what the check says of it. */
  level: Schemas['FindingLevel'] | undefined;
  isInHand: boolean;
  isCarried: boolean;
  onTake: (card: Card) => void;
  onPointerDown: (start: PointerEvent) => void;
  /** What is said below, where there is room for it. */
  children?: ReactNode;
}

/** A session as it stands on a day of a week, to be taken in hand. */
export function SessionChip({ card, level, isInHand, isCarried, onTake, onPointerDown, children }: Props) {
  return (
    <div
      className={classOf(card, isInHand, isCarried)}
      data-session={card.assignmentId}
      data-testid="session-tile"
      onPointerDown={onPointerDown}
      onClick={() => onTake(card)}
    >
      <span>
        <Marks card={card} level={level} />
        {card.title}
      </span>
      <TinyStrip segments={card.strip} label={card.title} />
      {children}
    </div>
  );
}

function Marks({ card, level }: { card: Card; level: Schemas['FindingLevel'] | undefined }) {
  return (
    <>
      {level && <b style={{ color: findingLevels[level].colour }}>{findingLevels[level].sign} </b>}
      {card.notes?.wasMissed && <i title="Missed last week">again </i>}
      {(card.notes?.offers?.length ?? 0) > 0 && <i title="A next step is offered">↑ </i>}
    </>
  );
}

const levelOrder: Schemas['FindingLevel'][] = ['stop', 'caution', 'advice', 'note'];

/** The heaviest of several findings; no value where there are none. */
export const worstOf = (findings: readonly { level: Schemas['FindingLevel'] }[]) =>
  levelOrder.find((level) => findings.some((f) => f.level === level));

function classOf(card: Card, isInHand: boolean, isCarried: boolean): string {
  return [
    'chip',
    card.isPublished ? 'published' : 'draft',
    isLoose(card) && 'loose',
    card.excuse && 'excused',
    card.status === 'missed' && 'missed',
    isInHand && 'in-hand',
    isCarried && 'carried',
  ]
    .filter(Boolean)
    .join(' ');
}
