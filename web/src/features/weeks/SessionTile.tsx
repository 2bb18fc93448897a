import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Link } from 'react-router';
import { excuses, keysOf, minutes, percent, requirements, standings } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Trouble } from '../../ui/states';
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
          {...(card.isPublished ? { component: Link, to: `/sessions/${card.assignmentId}` } : { component: 'span' })}
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
      {error && <Trouble error={error} />}
      <Menu anchorEl={anchor} open={anchor !== undefined} onClose={() => setAnchor(undefined)}>
        {card.requirement !== 'own' && <MenuItem onClick={act(onMove)}>Move …</MenuItem>}
        {card.isPublished && (
          <MenuItem component={Link} to={`/practice/${card.assignmentId}`}>
            Hold as a lesson
          </MenuItem>
        )}
        {card.isPublished && (
          <MenuItem component={Link} to={`/practice/${card.assignmentId}/paper`}>
            Type in from paper
          </MenuItem>
        )}
        {!card.hasLog && <MenuItem onClick={act(() => takeOut.mutate(card.assignmentId))}>Take out</MenuItem>}
        {card.isPublished &&
          card.excuse === null &&
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

function stateInWords(card: Card): string {
  if (!card.isPublished) return `draft, ${minutes(card.minutes)}`;
  const extra = card.requirement === 'must' ? '' : `${requirements[card.requirement].toLowerCase()}, `;
  const changed = card.changedAfterPublishing ? ', moved' : '';
  if (card.excuse) return `${extra}excused: ${excuses[card.excuse].toLowerCase()}`;
  if (card.hasLog && card.completion.fraction !== null)
    return `${extra}${standings[card.standing]}, ${percent(card.completion.fraction)} of ${minutes(card.completion.plannedMinutes)}${changed}`;
  return `${extra}${standings[card.standing]}, ${minutes(card.minutes)}${changed}`;
}
