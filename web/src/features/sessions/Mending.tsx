import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { painInWords } from '../../ui/format';
import { Pick, Picks } from '../../ui/Picks';
import { Choice } from '../../ui/Field';
import { StepHeading } from '../../ui/StepHeading';
import { TagChoices } from '../drills/Tags';
import type { LogState, NewEntry } from './log';
import type { Session } from './queries';
import { RatingForm } from './RatingForm';
import { Scale } from './Scale';

interface Props {
  session: Session;
  state: LogState;
  add: (...entries: NewEntry[]) => void;
  onDone: () => void;
}

/** What was said of a finished session, to be added to or put right. The coach sees what was said first, too. */
export function Mending({ session, state, add, onDone }: Props) {
  return (
    <Box sx={{ display: 'grid', gap: 3 }}>
      <StepHeading sx={{ mt: 2.5 }}>{session.plan.title}, looked at again</StepHeading>
      {state.reports.map((pain) => (
        <PainMending key={pain.sequence} pain={pain} session={session} state={state} add={add} />
      ))}
      <TagMending session={session} state={state} add={add} />
      <RatingForm
        purpose={session.plan.purpose ?? ''}
        successTest={session.plan.successTest ?? ''}
        advice={undefined}
        isMending
        draft={state.rating}
        hasPain={state.pain.length > 0}
        onFinish={(rating) => {
          add(rating);
          onDone();
        }}
        onBack={onDone}
      />
    </Box>
  );
}

function PainMending({
  pain,
  session,
  state,
  add,
}: Pick<Props, 'session' | 'state' | 'add'> & { pain: LogState['reports'][number] }) {
  const now = state.pain.find((p) => p.sequence === pain.sequence);
  const [isOpen, setIsOpen] = useState(false);
  const [sharp, setSharp] = useState<boolean>();
  const [level, setLevel] = useState<number>();
  const mend = (to: { level: number; sharp: boolean }) => {
    add({ kind: 'painMended', mends: pain.sequence, ...to });
    setIsOpen(false);
  };
  return (
    <Box component="section" aria-label="Pain" sx={{ p: 1.5, bgcolor: 'background.paper', borderRadius: 2, mt: 2 }}>
      <b>{painInWords(pain, session.hand)}</b>
      {now !== pain && <Box>Now: {now ? painInWords(now, session.hand) : 'nothing hurt'}</Box>}
      {!isOpen ? (
        <Button onClick={() => setIsOpen(true)} sx={{ minHeight: 56, ml: -1.25 }}>
          That was not right
        </Button>
      ) : (
        <Box sx={{ display: 'grid', gap: 1.5, mt: 1 }}>
          <Button
            variant="outlined"
            onClick={() => mend({ level: 0, sharp: false })}
            sx={{ minHeight: 56, borderRadius: 2 }}
          >
            Nothing hurt
          </Button>
          <Picks label="What kind" columns={2}>
            <Pick isOn={sharp === false} onPick={() => setSharp(false)}>
              Dull
            </Pick>
            <Pick isOn={sharp === true} onPick={() => setSharp(true)}>
              Sharp
            </Pick>
          </Picks>
          <Scale label="How bad" ends={['barely', 'worst']} least={1} value={level} onChange={setLevel} />
          <Button
            variant="contained"
            disabled={level === undefined || sharp === undefined}
            onClick={() => level !== undefined && sharp !== undefined && mend({ level, sharp })}
            sx={{ minHeight: 56, borderRadius: 28 }}
          >
            Put it right
          </Button>
        </Box>
      )}
    </Box>
  );
}

/** Tags of an attempt, added or changed afterwards. */
function TagMending({ session, state, add }: Pick<Props, 'session' | 'state' | 'add'>) {
  const played = session.drills.filter((d) => state.inputs[d.segmentId]?.length);
  const [segmentId, setSegmentId] = useState(played[0]?.segmentId);
  const [attempt, setAttempt] = useState('1');
  const inputs = (segmentId && state.inputs[segmentId]) || [];
  const attempts = [...new Set(inputs.map((i) => i.attempt))];
  if (played.length === 0 || !segmentId) return null;
  const tags: Schemas['AttemptTags'] = inputs.findLast((i) => i.attempt === Number(attempt))?.tags ?? {};
  return (
    <Box component="section" aria-label="Tags" sx={{ p: 1.5, bgcolor: 'background.paper', borderRadius: 2, mt: 2 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1.6fr 1fr', gap: 1 }}>
        <Choice
          label="Tags in"
          value={segmentId}
          options={played.map((d) => ({ value: d.segmentId, label: d.name }))}
          onChange={(id) => {
            setSegmentId(id);
            setAttempt('1');
          }}
        />
        <Choice
          label="Attempt"
          value={attempt}
          options={attempts.map((n) => ({ value: String(n), label: String(n) }))}
          onChange={setAttempt}
        />
      </Box>
      <TagChoices
        value={tags}
        onChange={(changed) => add({ kind: 'tagsMended', segmentId, attempt: Number(attempt), tags: changed })}
      />
    </Box>
  );
}
