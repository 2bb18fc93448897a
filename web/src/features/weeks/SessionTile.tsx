import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Link } from 'react-router';
import { count, excuses, keysOf, minutes, percent, requirements, statuses } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { ErrorNotice } from '../../ui/states';
import { useExcuse, useTakeOut, type Card } from './queries';

/** A session in a day of the week sheet, with what a coach can do to it. */
export function SessionTile({ card, onMove }: { card: Card; onMove: () => void }) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const excuse = useExcuse();
  const takeOut = useTakeOut();
  const act = (action: () => void) => () => {
    setAnchor(undefined);
    action();
  };
  const error = excuse.error ?? takeOut.error;
  return (
    <Box data-testid="session-tile" sx={{ mt: 1, pb: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'flex-start', gap: 0.5, fontSize: 14, lineHeight: 1.3, mb: 0.5 }}>
        <Box
          component={Link}
          to={`/sessions/${card.assignmentId}${card.isPublished ? '' : '/bench'}`}
          sx={{ fontWeight: 620, flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}
        >
          {card.title}
        </Box>
        <Box
          component="button"
          type="button"
          className="no-print"
          aria-label={`${card.title}: move, excuse or take out`}
          aria-haspopup="menu"
          onClick={(e: React.MouseEvent<HTMLElement>) => setAnchor(e.currentTarget)}
          sx={{
            border: 0,
            background: 'none',
            cursor: 'pointer',
            width: 24,
            height: 24,
            p: 0,
            color: 'text.secondary',
            fontWeight: 700,
          }}
        >
          ⋯
        </Box>
      </Box>
      <SessionStrip segments={card.strip} label={card.title} />
      <Box sx={{ fontSize: 13.5, mt: 0.5, color: 'text.secondary' }}>{stateInWords(card)}</Box>
      {card.pain.length > 0 && <Box sx={{ fontSize: 13.5, color: 'error.main' }}>{card.pain.join('; ')}</Box>}
      {error && <ErrorNotice error={error} />}
      <Menu anchorEl={anchor} open={anchor !== undefined} onClose={() => setAnchor(undefined)}>
        {card.requirement !== 'own' && !isOver(card) && <MenuItem onClick={act(onMove)}>Move …</MenuItem>}
        {card.requirement !== 'own' && !card.hasLog && (
          <MenuItem component={Link} to={`/sessions/${card.assignmentId}/bench`}>
            Change it for this student only
          </MenuItem>
        )}
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
        {!card.hasLog && <MenuItem onClick={act(() => takeOut.mutate(card))}>Take out</MenuItem>}
        {card.isPublished &&
          card.excuse === null &&
          card.status !== 'done' &&
          card.requirement !== 'own' &&
          keysOf(excuses).map((reason) => (
            <MenuItem key={reason} onClick={act(() => excuse.mutate({ card, excuse: reason }))}>
              Excuse: {excuses[reason].toLowerCase()}
            </MenuItem>
          ))}
        {card.excuse !== null && (
          <MenuItem onClick={act(() => excuse.mutate({ card, excuse: null }))}>Take the excuse back</MenuItem>
        )}
      </Menu>
    </Box>
  );
}

/** Whether it was practised and is over: then it is neither moved nor held nor typed in. */
const isOver = (card: Card) => card.hasLog && card.status !== 'underWay';

function stateInWords(card: Card): string {
  if (!card.isPublished) return `draft, ${minutes(card.minutes)}`;
  const extra = card.isLesson
    ? 'lesson, '
    : card.requirement === 'must'
      ? ''
      : `${requirements[card.requirement].toLowerCase()}, `;
  const changed = [
    card.changedAfterPublishing && 'moved',
    card.fromTwoDevices && 'from two devices',
    card.keptAfterTakenOut && 'had been taken out',
    card.tickedSegments > 0 && `${count(card.tickedSegments, 'segment')} ticked`,
    card.howMuchUnknown > 0 && 'part done, how much unknown',
  ]
    .filter((word) => word !== false)
    .map((word) => `, ${word}`)
    .join('');
  const done = minutes(Math.round(card.completion.doneMinutes));
  const planned = minutes(card.completion.plannedMinutes);
  if (card.status === 'endedByPain') return `${extra}ended by pain after ${done} of ${minutes(card.minutes)}${changed}`;
  if (card.excuse) return `${extra}excused: ${excuses[card.excuse].toLowerCase()}`;
  if (card.hasLog && card.completion.fraction !== null)
    return `${extra}${statuses[card.status]}, ${percent(card.completion.fraction)} of ${planned}${changed}`;
  return `${extra}${statuses[card.status]}, ${minutes(card.minutes)}${changed}`;
}
