import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { Link } from 'react-router';
import { dayName, excuses, keysOf, plusDays } from '../../ui/format';
import { isLoose, moveTo, type Card } from './sheet';
import type { Desk } from './useDesk';

interface Props {
  card: Card;
  /** Whose it is. */
  studentId: string;
  desk: Desk;
  anchor: HTMLElement;
  onClose: () => void;
}

/** Whether it was practised and is over: then it is neither held nor typed in. */
const isOver = (card: Card) => card.hasLog && card.status !== 'underWay';

/** What can be done with a session besides opening it: elsewhere, otherwise, excused, held, typed in. */
export function SessionActs({ card, studentId, desk: { sheet, week, actions }, anchor, onClose }: Props) {
  const days = [null, ...Array.from({ length: 7 }, (_, i) => plusDays(sheet.monday, i))].filter((d) => d !== card.day);
  const act = (action: () => unknown) => () => {
    onClose();
    void action();
  };
  const other = card.requirement === 'must' ? 'extra' : 'must';
  return (
    <Menu open anchorEl={anchor} onClose={onClose}>
      {card.isPublished && !isOver(card) && (
        <MenuItem component={Link} to={`/practice/${card.assignmentId}`} state={{ begins: true }}>
          Hold as a lesson
        </MenuItem>
      )}
      {card.isPublished && !isOver(card) && (
        <MenuItem component={Link} to={`/practice/${card.assignmentId}/paper`}>
          Type in from paper
        </MenuItem>
      )}
      {isLoose(card) && (
        <MenuItem
          onClick={act(() =>
            actions.move([moveTo(card, card.day, other)], [card], () =>
              other === 'extra' ? `“${card.title}” is extra now.` : `“${card.title}” is a must now.`,
            ),
          )}
        >
          {other === 'extra' ? 'Make it extra: on top, never counted against' : 'Make it a must: part of the week'}
        </MenuItem>
      )}
      {isLoose(card) &&
        days.map((day) => (
          <MenuItem key={day ?? 'any'} onClick={act(() => actions.move([moveTo(card, day)], [card]))}>
            Move to {day === null ? 'any day' : dayName(day)}
          </MenuItem>
        ))}
      {card.isPublished &&
        card.excuse === null &&
        card.status !== 'done' &&
        card.requirement !== 'own' &&
        keysOf(excuses).map((why) => (
          <MenuItem key={why} onClick={act(() => actions.excuse([card], why))}>
            Excuse: {excuses[why].toLowerCase()}
          </MenuItem>
        ))}
      {card.excuse !== null && (
        <MenuItem onClick={act(() => actions.excuse([card], null))}>Take the excuse back</MenuItem>
      )}
      {card.isPublished && (
        <MenuItem component={Link} to={`/print?week=${week}&students=${studentId}&session=${card.assignmentId}`}>
          Print
        </MenuItem>
      )}
    </Menu>
  );
}
