import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { clubs, count, dayName, equipment, keysOf, minutes } from '../../ui/format';
import type { WaitingChange } from '../../app/deviceStore';
import { phases } from '../../ui/phases';
import { ErrorNotice } from '../../ui/states';
import { useSaid, useWaiting, type Card } from './queries';
import { dropChange } from './waitingChanges';

const reasons: Record<Schemas['CannotReason'], string> = {
  ill: 'Ill',
  hurt: 'Hurt',
  away: 'Away',
  weather: 'Weather',
  noTime: 'No time',
};

interface Props {
  card: Card;
  /** The days it can be moved to; empty where there are none. */
  days: readonly string[];
  /** Whether it can still be moved, or be said not to be possible. */
  isOpen: boolean;
}

/** What a session holds, why it is on its day, what to bring, and what to do when the day does not suit. */
export function AboutSession({ card, days, isOpen }: Props) {
  const [asks, setAsks] = useState<'move' | 'cannot'>();
  const say = useSaid();
  const waiting = useWaiting(card.assignmentId);
  // An answer that arrives late does not close what was asked since.
  const answered = (question: typeof asks) => setAsks((now) => (now === question ? undefined : now));
  const said = card.excuse !== null || card.saidNoTime;
  // A second change is made from the session as the first one left it, or it would be refused as a stranger's.
  const isBusy = say.isPending;
  return (
    <Box component="details" sx={{ mt: 1, '& summary': { cursor: 'pointer', fontWeight: 620, py: 1.75 } }}>
      <summary>What it holds, what to bring</summary>
      {card.notes?.dayReason && <Box sx={{ mb: 1 }}>{card.notes.dayReason}</Box>}
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {card.strip.map((segment, i) => (
          <li key={i}>
            {segment.title}: {segment.phase ? phases[segment.phase].name.toLowerCase() : 'pause'},{' '}
            {minutes(segment.minutes)}
            {segment.balls > 0 && `, ${count(segment.balls, 'ball')}`}
          </li>
        ))}
      </Box>
      {(card.notes?.walkMinutes ?? 0) > 0 && (
        <Box sx={{ mt: 1 }}>
          With {minutes(card.notes?.walkMinutes ?? 0)} of walking it takes{' '}
          {minutes(card.minutes + (card.notes?.walkMinutes ?? 0))}.
        </Box>
      )}
      {card.bring && <Bring bring={card.bring} />}
      {isOpen && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
          {days.length > 0 && (
            <Act isPressed={asks === 'move'} onPress={() => setAsks(asks === 'move' ? undefined : 'move')}>
              Move it
            </Act>
          )}
          {said ? (
            <Act onPress={() => say.mutate({ card, said: { kind: 'cannot', reason: null } })} isBusy={isBusy}>
              I can after all
            </Act>
          ) : (
            <Act isPressed={asks === 'cannot'} onPress={() => setAsks(asks === 'cannot' ? undefined : 'cannot')}>
              I cannot
            </Act>
          )}
          <Button component={Link} to={`/practice/${card.assignmentId}/paper`} variant="outlined" sx={act}>
            Done elsewhere
          </Button>
        </Box>
      )}
      {asks === 'move' && (
        <Choices label="To which day?">
          {days.map((day) => (
            <Act
              key={day}
              onPress={() => say.mutate({ card, said: { kind: 'move', day } }, { onSuccess: () => answered('move') })}
              isBusy={isBusy}
            >
              {dayName(day)}
            </Act>
          ))}
        </Choices>
      )}
      {asks === 'cannot' && (
        <Choices label="Why? Your coach sees it. No time is noted and excuses nothing.">
          {keysOf(reasons).map((reason) => (
            <Act
              key={reason}
              onPress={() =>
                say.mutate({ card, said: { kind: 'cannot', reason } }, { onSuccess: () => answered('cannot') })
              }
              isBusy={isBusy}
            >
              {reasons[reason]}
            </Act>
          ))}
        </Choices>
      )}
      {waiting.map((change) => (
        <Box key={change.id} role="status" sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 1 }}>
          <span>
            {change.refused ? `Couldn’t change it: ${change.refused}` : `Waiting to be sent: ${waitingWords(change)}.`}
          </span>
          <Act onPress={() => void dropChange(change.id)}>{change.refused ? 'Close' : 'Undo'}</Act>
        </Box>
      ))}
      {say.error && <ErrorNotice error={say.error} />}
    </Box>
  );
}

/** What waits to be sent, in words. */
const waitingWords = ({ said }: WaitingChange) =>
  said.kind === 'move'
    ? `move to ${dayName(said.day)}`
    : said.reason === null
      ? 'you can after all'
      : `you can’t make it, ${reasons[said.reason].toLowerCase()}`;

const act = { minHeight: 56, borderRadius: 28 } as const;

interface ActProps {
  children: React.ReactNode;
  onPress: () => void;
  isPressed?: boolean;
  isBusy?: boolean;
}

function Act({ children, onPress, isPressed, isBusy = false }: ActProps) {
  return (
    <Button variant="outlined" aria-pressed={isPressed} disabled={isBusy} onClick={onPress} sx={act}>
      {children}
    </Button>
  );
}

function Choices({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <Box role="group" aria-label={label} sx={{ mt: 1.5 }}>
      <Box sx={{ mb: 0.5 }}>{label}</Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>{children}</Box>
    </Box>
  );
}

function Bring({ bring }: { bring: Schemas['WhatToBring'] }) {
  const things = [
    bring.wholeBag && 'all your clubs',
    ...bring.clubs.map((c) => clubs[c].toLowerCase()),
    ...bring.equipment.map((e) => equipment[e].toLowerCase()),
    bring.ballsToBuy > 0 && `${count(bring.ballsToBuy, 'range ball')} to buy`,
    bring.water && 'water',
  ].filter(Boolean);
  if (things.length === 0) return null;
  return (
    <Box sx={{ mt: 1 }}>
      <b>Bring:</b> {things.join(', ')}.
    </Box>
  );
}
