import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { dayName } from '../../ui/format';
import { Pick, Picks } from '../../ui/Picks';
import type { EntryOf } from './log';
import type { Session } from './queries';

type OpenPain = Schemas['OpenPainView'];
export type FollowUp = Omit<EntryOf<'painFollowedUp'>, 'sequence' | 'at'>;

const isOf = (pain: OpenPain) => (said: { part: string; side?: string | null }) =>
  said.part === pain.part && (said.side ?? null) === pain.side;

/** What was said of pain of an earlier session today; no value while it was not. */
export const saidOf = <T extends { part: string; side?: string | null }>(pain: OpenPain, said: readonly T[]) =>
  said.find(isOf(pain));

/** The segments that fall out for pain of earlier sessions: until it is said to be gone, or, where the file decides, anyway. */
export const leftOutFor = (session: Session, said: readonly EntryOf<'painFollowedUp'>[]) =>
  session.openPain
    .filter((pain) => pain.needsClearing || saidOf(pain, said)?.level !== 0)
    .flatMap((pain) => pain.segmentIds);

interface Props {
  session: Session;
  said: readonly EntryOf<'painFollowedUp'>[];
  /** Whether it was reported anew, as worse, since the session was opened. */
  isWorse: (pain: OpenPain) => boolean;
  onSay: (followUp: FollowUp) => void;
  onWorse: () => void;
}

/** Asks how pain of earlier sessions is today. */
export function OpenPainQuestions({ session, said, isWorse, onSay, onWorse }: Props) {
  if (session.openPain.length === 0) return null;
  return (
    <Box component="section" aria-label="What hurt" sx={{ display: 'grid', gap: 2, mt: 2 }}>
      {session.openPain.map((pain) => {
        const level = saidOf(pain, said)?.level;
        const say = (now: number) => {
          onSay({
            kind: 'painFollowedUp',
            part: pain.part,
            side: pain.side,
            level: now,
            needsClearing: pain.needsClearing,
          });
        };
        return (
          <Box
            key={`${pain.part} ${pain.side}`}
            sx={{
              p: 1.5,
              bgcolor: 'background.paper',
              borderRadius: 2,
              borderLeft: '5px solid',
              borderColor: 'error.main',
            }}
          >
            <Picks label={`${pain.text}, on ${dayName(pain.lastOn)}. How is it today?`} columns={3}>
              <Pick isOn={level === 0} onPick={() => say(0)}>
                Gone
              </Pick>
              <Pick isOn={level !== undefined && level > 0 && !isWorse(pain)} onPick={() => say(pain.level)}>
                Still there
              </Pick>
              <Pick isOn={isWorse(pain)} onPick={onWorse}>
                Worse
              </Pick>
            </Picks>
            {pain.needsClearing && (
              <Box sx={{ mt: 1, fontSize: 15 }}>
                What loads it is left out until your coach’s file says that a doctor or physiotherapist has cleared it.
              </Box>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
