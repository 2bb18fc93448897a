import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { count, dayName, minutes, places } from '../../ui/format';
import { PhaseSign } from '../../ui/phases';
import { onDemand } from '../../ui/onDemand';
import { StepHeading } from '../../ui/StepHeading';
import type { EntryOf } from './log';
import { planFrom } from '../plans/benchState';
import { OpenPainQuestions, saidOf, type FollowUp } from './OpenPain';
import { Readiness, type Ready } from './Readiness';
import type { Session } from './queries';
import { fewestMinutes, trimAt, type Trimmed } from './trim';
import { useReadiness } from './useReadiness';

const HowItIsDone = onDemand(() => import('./HowItIsDone').then((m) => m.HowItIsDone));

export type Trim = Trimmed;

interface Props {
  session: Session;
  isLesson: boolean;
  /** Segments that fall out because they load what hurts. */
  dropped: ReadonlySet<string>;
  /** What was said today of pain of earlier sessions, and what was reported. */
  said: readonly EntryOf<'painFollowedUp'>[];
  reported: readonly EntryOf<'pain'>[];
  onFollowUp: (followUp: FollowUp) => void;
  onBegin: (ready: Ready, trim: Trim | undefined) => void;
  onHurt: () => void;
  /** Ends it before it began: nothing in it spares what hurts. */
  onLeave: () => void;
}

/** What is left with what the student has; no value where the session fits as it is. */
function trimFor(session: Session, ready: Ready, dropped: ReadonlySet<string>): Trim | undefined {
  return session.trim
    ? trimAt(session.trim, ready.minutesAtHand ?? null, ready.ballsAtHand ?? null, dropped)
    : undefined;
}

/** Minutes a segment keeps; no value where it falls out. */
const left = (trim: Trim | undefined, segment: { id: string; minutes: number }) =>
  trim ? trim.kept.find((k) => k.segmentId === segment.id)?.minutes : segment.minutes;

/** The session before it begins: what for, what is in it, and how the student comes. */
export function Before({ session, isLesson, dropped, said, reported, onFollowUp, onBegin, onHurt, onLeave }: Props) {
  const [ready, setReady] = useReadiness(session.card.assignmentId);
  const [opened, setOpened] = useState<string>();
  const [keepsWhole, setKeepsWhole] = useState(false);
  const { totals } = session;
  const plan = planFrom(session.plan);
  const trim = trimFor(session, ready, dropped);
  const taken = keepsWhole ? undefined : trim;
  const fewest = session.trim ? fewestMinutes(session.trim) : 0;
  const isTooShort = !trim && typeof ready.minutesAtHand === 'number' && ready.minutesAtHand < fewest;
  const hasNoBalls = !trim && !isTooShort && ready.ballsAtHand === 0 && totals.ballsBought > 0;
  const sparesNothing = dropped.size > 0 && plan.segments.every((s) => s.kind === 'pause' || dropped.has(s.id));
  const isWorse = (pain: Session['openPain'][number]) => saidOf(pain, reported) !== undefined;
  const isUnsaid = session.openPain.some((pain) => saidOf(pain, said) === undefined && !isWorse(pain));
  const where = [...new Set(plan.segments.flatMap((s) => (s.kind === 'practice' ? [places[s.place]] : [])))];
  return (
    <>
      <StepHeading sx={{ mt: 2.5 }}>{plan.title}</StepHeading>
      <Typography sx={{ mt: 1, fontSize: 18 }}>{plan.purpose}</Typography>
      {plan.successTest && (
        <Typography sx={{ mt: 0.5, color: 'text.secondary' }}>You will know by this: {plan.successTest}.</Typography>
      )}
      <Typography sx={{ mt: 1, color: 'text.secondary' }}>
        {minutes(totals.minutes)}
        {totals.ballsBought > 0 && `, ${count(totals.ballsBought, 'ball')} to buy`} · {where.join(', ').toLowerCase()}
      </Typography>
      {session.checkpoint && (
        <Typography sx={{ mt: 1, p: 1.25, bgcolor: 'background.paper', borderRadius: 2 }}>
          {isLesson ? 'Look first at' : 'Keep in mind'}: <b>{session.checkpoint.text}</b> (agreed on{' '}
          {dayName(session.checkpoint.day)})
        </Typography>
      )}
      <OpenPainQuestions session={session} said={said} isWorse={isWorse} onSay={onFollowUp} onWorse={onHurt} />
      {!isLesson && <Readiness value={ready} onChange={setReady} />}
      {(isTooShort || hasNoBalls) && (
        <Typography role="status" sx={{ mt: 1.5, p: 1.5, bgcolor: 'background.paper', borderRadius: 2 }}>
          {isTooShort
            ? `Too little time: this session takes at least ${minutes(fewest)}.`
            : 'Everything in this session needs range balls.'}
        </Typography>
      )}
      {trim && (
        <Box
          component="section"
          aria-label="Made to fit"
          sx={{ mt: 1.5, p: 1.5, bgcolor: 'background.paper', borderRadius: 2, fontSize: 15 }}
        >
          <Box sx={{ fontWeight: 620 }}>
            For {minutes(trim.kept.reduce((sum, k) => sum + k.minutes, 0))}
            {typeof ready.ballsAtHand === 'number' && ` and ${count(ready.ballsAtHand, 'ball')}`}
          </Box>
          {trim.reasons.map((reason) => (
            <div key={reason}>{reason}</div>
          ))}
          <Button onClick={() => setKeepsWhole((k) => !k)} aria-pressed={keepsWhole} sx={{ minHeight: 56, ml: -1.25 }}>
            {keepsWhole ? 'Take the shorter one' : 'Leave it whole'}
          </Button>
        </Box>
      )}
      <Typography sx={{ mt: 2, fontSize: 15, color: 'text.secondary' }}>Tap a part to see how it is done.</Typography>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {plan.segments.map((s) => {
          const isOut = dropped.has(s.id) || left(taken, s) === undefined;
          return (
            <Box component="li" key={s.id} sx={{ borderBottom: '1px solid', borderColor: 'line' }}>
              <Box
                component={s.kind === 'practice' ? 'button' : 'div'}
                {...(s.kind === 'practice' && {
                  type: 'button',
                  'aria-expanded': opened === s.id,
                  onClick: () => setOpened(opened === s.id ? undefined : s.id),
                })}
                sx={{
                  display: 'flex',
                  width: '100%',
                  gap: 1.25,
                  py: 1,
                  px: 0,
                  minHeight: 56,
                  border: 0,
                  bgcolor: 'transparent',
                  color: 'inherit',
                  font: 'inherit',
                  textAlign: 'left',
                  alignItems: 'center',
                  cursor: s.kind === 'practice' ? 'pointer' : 'default',
                  ...(isOut && { opacity: 0.5, textDecoration: 'line-through' }),
                }}
              >
                {s.kind === 'practice' ? <PhaseSign phase={s.phase} named /> : <Box sx={{ width: 20 }} />}
                <span>{s.title}</span>
                <Box component="span" sx={{ ml: 'auto', color: 'text.secondary', whiteSpace: 'nowrap' }}>
                  {minutes(left(taken, s) ?? s.minutes)}
                </Box>
              </Box>
              {opened === s.id && s.kind === 'practice' && (
                <>
                  {s.instruction && <Typography>{s.instruction}</Typography>}
                  <HowItIsDone session={session} segment={s} />
                </>
              )}
            </Box>
          );
        })}
      </Box>
      <Box sx={{ mt: 2, p: 2, bgcolor: 'background.paper', borderRadius: 2, fontSize: 15 }}>
        Warm up before full swings. Stay behind the tee line, keep out of reach of other clubs, and follow the range’s
        own rules. Drink, find shade, and leave when it thunders. Stop when it hurts.
      </Box>
      <Box sx={{ display: 'grid', gap: 1, mt: 2 }}>
        {sparesNothing ? (
          <>
            <Typography role="status" sx={{ fontSize: 17 }}>
              Everything in this session loads what hurts. Rest it today; your coach sees why, and nothing is held
              against you.
            </Typography>
            <Button variant="contained" onClick={onLeave} sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}>
              Leave it for today
            </Button>
          </>
        ) : (
          <Button
            variant="contained"
            disabled={isUnsaid}
            onClick={() => onBegin(ready, taken)}
            sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}
          >
            {isUnsaid ? 'Say first how it is today' : isLesson ? 'Begin the lesson' : 'Begin'}
          </Button>
        )}
        <Button onClick={onHurt} sx={{ minHeight: 56 }}>
          Something hurts today
        </Button>
        <Button component={Link} to={`/practice/${session.card.assignmentId}/paper`} sx={{ minHeight: 56 }}>
          It was done on paper
        </Button>
      </Box>
    </>
  );
}
