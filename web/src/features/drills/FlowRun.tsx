import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useEffectEvent, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Chip } from '../../ui/Chips';
import { Field } from '../../ui/Field';
import { DrillPicture } from './DrillPicture';
import { displaysOf, promptOf, walkThrough, type DrillInput, type Flow, type FlowState } from './flow';
import type { Protocol } from './queries';

interface Props {
  flow: Flow;
  inputs: readonly DrillInput[];
  onInput: (input: DrillInput) => void;
  /** Takes back the last attempt, with all its inputs. */
  onUndo: () => void;
  /** A warm-up shows no counts of how it went. */
  hidesCounts?: boolean;
  /** The drill's parameters, for its picture; none draws none. */
  protocol?: Protocol;
}

/** What was answered, before it has its attempt and tags. */
type NewAnswer =
  | { kind: 'choice'; value: string }
  | { kind: 'number'; tenths: number }
  | { kind: 'text'; text: string }
  | { kind: 'tap' | 'timer' | 'stop' };

/** Walks any drill: asks what the flow asks, shows what it counts. */
export function FlowRun({ flow, inputs, onInput, onUndo, hidesCounts = false, protocol }: Props) {
  const walk = walkThrough(flow, inputs);
  const [tags, setTags] = useState<Schemas['AttemptTags']>({});
  const give = (answer: NewAnswer) => {
    const hasTags = Object.values(tags).some(Boolean);
    onInput({ ...answer, attempt: walk.attempts + 1, ...(hasTags && { tags }) });
    setTags({});
  };
  return (
    <Box data-testid="flow">
      {!hidesCounts && (
        <Box data-testid="flow-counts" sx={{ color: 'text.secondary' }}>
          {displaysOf(flow, walk).map((line) => (
            <div key={line}>{line}</div>
          ))}
        </Box>
      )}
      {protocol && !hidesCounts && <DrillPicture protocol={protocol} walk={walk} inputs={inputs} />}
      {walk.state ? (
        <>
          <Typography component="p" aria-live="polite" sx={{ fontSize: 20, fontWeight: 620, mt: 1, mb: 1.5 }}>
            {promptOf(walk)}
          </Typography>
          <Ask
            key={`${walk.taken} ${walk.state.name}`}
            ask={walk.state.ask}
            goesOn={inputs.at(-1)?.kind === 'timer'}
            onAnswer={give}
          />
          <Tags value={tags} onChange={setTags} />
        </>
      ) : (
        <Typography component="p" sx={{ fontSize: 20, fontWeight: 620, mt: 1 }}>
          {walk.isComplete ? 'That is the whole of it.' : 'Stopped here.'}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
        <Button onClick={onUndo} disabled={inputs.length === 0} sx={{ minHeight: 56 }}>
          Undo the last one
        </Button>
        {walk.state && (
          <Button onClick={() => give({ kind: 'stop' })} sx={{ minHeight: 56 }}>
            Stop here
          </Button>
        )}
      </Box>
    </Box>
  );
}

const big = { minHeight: 64, fontSize: 19, borderRadius: 32 };

interface AskProps {
  ask: FlowState['ask'];
  /** A timer after a timer starts by itself: breathing has no time for taps. */
  goesOn: boolean;
  onAnswer: (answer: NewAnswer) => void;
}

function Ask({ ask, goesOn, onAnswer }: AskProps) {
  switch (ask.kind) {
    case 'choice':
      return (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(2, 1fr)', gap: 1 }}>
          {ask.options.map((option, i) => (
            <Button
              key={option.value}
              variant={i === 0 ? 'contained' : 'outlined'}
              onClick={() => onAnswer({ kind: 'choice', value: option.value })}
              sx={big}
            >
              {option.label}
            </Button>
          ))}
        </Box>
      );
    case 'tap':
      return (
        <Button fullWidth variant="contained" onClick={() => onAnswer({ kind: 'tap' })} sx={big}>
          {ask.label}
        </Button>
      );
    case 'timer':
      return <Timer seconds={ask.seconds} startsAtOnce={goesOn} onDone={() => onAnswer({ kind: 'timer' })} />;
    case 'text':
      return <Words longest={ask.longest} onDone={(text) => onAnswer({ kind: 'text', text })} />;
    case 'number':
      return ask.step === 10 && ask.most <= 100 ? (
        <Dial ask={ask} onAnswer={(tenths) => onAnswer({ kind: 'number', tenths })} />
      ) : (
        <NumberEntry ask={ask} onAnswer={(tenths) => onAnswer({ kind: 'number', tenths })} />
      );
  }
}

type AskNumber = Extract<FlowState['ask'], { kind: 'number' }>;

/** A rating: every number its own button, so that the answer comes at once. */
function Dial({ ask, onAnswer }: { ask: AskNumber; onAnswer: (tenths: number) => void }) {
  const count = (ask.most - ask.least) / ask.step + 1;
  return (
    <Box role="group" aria-label={ask.label} sx={{ display: 'grid', gridTemplateColumns: 'repeat(5, 1fr)', gap: 0.75 }}>
      {Array.from({ length: count }, (_, i) => ask.least + i * ask.step).map((tenths) => (
        <Button
          key={tenths}
          variant="outlined"
          onClick={() => onAnswer(tenths)}
          sx={{ minWidth: 0, minHeight: 56, fontSize: 20 }}
        >
          {tenths / 10}
        </Button>
      ))}
    </Box>
  );
}

function NumberEntry({ ask, onAnswer }: { ask: AskNumber; onAnswer: (tenths: number) => void }) {
  const [text, setText] = useState('');
  const tenths = Math.round(Number(text.replace(',', '.')) * 10);
  const fits = text.trim() !== '' && tenths >= ask.least && tenths <= ask.most && tenths % ask.step === 0;
  const isSigned = ask.least < 0;
  return (
    <Box
      component="form"
      onSubmit={(e: React.SyntheticEvent) => {
        e.preventDefault();
        if (fits) onAnswer(tenths);
      }}
      sx={{ display: 'grid', gridTemplateColumns: isSigned ? 'auto 1fr auto' : '1fr auto', gap: 1, alignItems: 'end' }}
    >
      {isSigned && (
        <Button
          aria-label="Turn the sign"
          variant="outlined"
          onClick={() => setText((t) => (t.startsWith('-') ? t.slice(1) : `-${t}`))}
          sx={{ minWidth: 56, minHeight: 56, fontSize: 20 }}
        >
          ±
        </Button>
      )}
      <Field
        label={`${ask.label}${ask.unit && `, ${ask.unit}`}`}
        value={text}
        autoFocus
        inputProps={{ inputMode: 'decimal' }}
        onChange={(e) => setText(e.target.value.replace(/[^\d.,-]/g, ''))}
        error={
          text !== '' && text !== '-' && !fits ? `Between ${ask.least / 10} and ${ask.most / 10}, please.` : undefined
        }
        sx={{ fontSize: 22, minHeight: 56 }}
      />
      <Button type="submit" variant="contained" disabled={!fits} sx={{ ...big, minHeight: 56 }}>
        Enter
      </Button>
    </Box>
  );
}

function Words({ longest, onDone }: { longest: number; onDone: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Field
        label="In your words"
        multiline
        minRows={3}
        value={text}
        onChange={(e) => setText(e.target.value.slice(0, longest))}
      />
      <Button variant="contained" disabled={text.trim() === ''} onClick={() => onDone(text)} sx={big}>
        That is it
      </Button>
    </Box>
  );
}

function Timer({ seconds, startsAtOnce, onDone }: { seconds: number; startsAtOnce: boolean; onDone: () => void }) {
  const [until, setUntil] = useState(() => (startsAtOnce ? Date.now() + seconds * 1000 : undefined));
  const [left, setLeft] = useState(seconds);
  const done = useEffectEvent(onDone);
  useEffect(() => {
    if (until === undefined) return;
    const timer = setInterval(() => {
      const now = Math.max(0, Math.ceil((until - Date.now()) / 1000));
      setLeft(now);
      if (now === 0) {
        clearInterval(timer);
        done();
      }
    }, 200);
    return () => clearInterval(timer);
  }, [until]);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
      <Box role="timer" sx={{ fontSize: 44, fontWeight: 620 }}>
        {left} s
      </Box>
      {until === undefined && (
        <Button variant="contained" onClick={() => setUntil(Date.now() + seconds * 1000)} sx={{ ...big, flex: 1 }}>
          Start
        </Button>
      )}
    </Box>
  );
}

const tagGroups = [
  ['contact', 'Contact', { heavy: 'heavy', thin: 'thin', heel: 'heel', toe: 'toe', low: 'low', high: 'high' }],
  ['line', 'Line', { pull: 'pull', push: 'push', curve: 'curve' }],
  ['cause', 'Cause', { hurried: 'hurried', decision: 'decision', read: 'read', pace: 'pace' }],
  ['routine', 'Routine', { done: 'done', partly: 'partly', notDone: 'not done' }],
] as const;

/** At most one tag of each group for the attempt to come, one tap each; none is fine. */
function Tags({
  value,
  onChange,
}: {
  value: Schemas['AttemptTags'];
  onChange: (value: Schemas['AttemptTags']) => void;
}) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Box sx={{ mt: 0.5 }}>
      <Button aria-expanded={isOpen} onClick={() => setIsOpen((o) => !o)} sx={{ minHeight: 56, ml: -1.25 }}>
        Tag this one
      </Button>
      {isOpen &&
        tagGroups.map(([group, title, names]) => (
          <Box
            key={group}
            role="group"
            aria-label={title}
            sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', alignItems: 'center', mb: 0.75 }}
          >
            <Box component="span" sx={{ width: '100%', fontSize: 14, color: 'text.secondary' }}>
              {title}
            </Box>
            {Object.entries(names).map(([tag, name]) => (
              <Chip
                key={tag}
                isOn={value[group] === tag}
                onClick={() => onChange({ ...value, [group]: value[group] === tag ? null : tag })}
              >
                {name}
              </Chip>
            ))}
          </Box>
        ))}
    </Box>
  );
}
