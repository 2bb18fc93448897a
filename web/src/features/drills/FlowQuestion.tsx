import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { numberText, readNumber } from '../../ui/numbers';
import type { Schemas } from '../../api/client';
import { Field } from '../../ui/Field';
import type { FlowState, Offer } from './flow';
import { Pacer } from './Pacer';

/** On its side a phone is low: answers stand three side by side and are less high. */
const side = '@media (max-height: 480px)';
/** A low phone held upright. */
const low = '@media (max-height: 660px)';
const big = { minHeight: 64, fontSize: 19, borderRadius: 32, [side]: { minHeight: 52, fontSize: 17 } } as const;
const choices = {
  display: 'grid',
  gridTemplateColumns: 'repeat(2, 1fr)',
  gap: 1,
  [side]: { gridTemplateColumns: 'repeat(3, 1fr)' },
} as const;

/** What was answered, before it has its attempt and tags. */
export type NewAnswer =
  | { kind: 'choice'; value: string }
  | { kind: 'number'; tenths: number }
  | { kind: 'text'; text: string }
  | { kind: 'tap' | 'timer' | 'stop' };

interface AskProps {
  ask: FlowState['question'];
  /** A timer after a timer, or after the words of a scene, starts by itself: breathing has no time for taps. */
  goesOn: boolean;
  /** Answers that are offered before the others; none where all stand side by side. */
  offers?: Offer[];
  /** The number to begin from, in tenths; no value where it is typed from nothing. */
  proposed?: number | undefined;
  onAnswer: (answer: NewAnswer) => void;
}

/** Whatever a state of a flow asks for, with targets for a thumb. */
export function Ask({ ask, goesOn, offers = [], proposed, onAnswer }: AskProps) {
  switch (ask.kind) {
    case 'choice':
      return ask.offersAt ? (
        <Offered options={ask.options} offers={offers} onAnswer={onAnswer} />
      ) : (
        <Box sx={{ ...choices, ...(ask.options.length < 5 && { [side]: { gridTemplateColumns: 'repeat(2, 1fr)' } }) }}>
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
      return <Pacer seconds={ask.seconds} startsAtOnce={goesOn} onDone={() => onAnswer({ kind: 'timer' })} />;
    case 'text':
      return <Words longest={ask.longest} onDone={(text) => onAnswer({ kind: 'text', text })} />;
    case 'number':
      return ask.step === 10 && ask.most <= 100 ? (
        <Dial ask={ask} onAnswer={(tenths) => onAnswer({ kind: 'number', tenths })} />
      ) : (
        <NumberEntry ask={ask} proposed={proposed} onAnswer={(tenths) => onAnswer({ kind: 'number', tenths })} />
      );
  }
}

/** A ball beside a line, or above and below it: the side that is meant. */
function SidePicture({ isNegative, isUpright }: { isNegative: boolean; isUpright: boolean }) {
  const at = isNegative ? 6 : 22;
  return (
    <svg width="28" height="28" viewBox="0 0 28 28" aria-hidden fill="currentColor">
      {isUpright ? (
        <>
          <path d="M3 14h22" stroke="currentColor" strokeWidth="2" />
          <circle cx="14" cy={28 - at} r="4" />
        </>
      ) : (
        <>
          <path d="M14 3v22" stroke="currentColor" strokeWidth="2" />
          <circle cx={at} cy="14" r="4" />
        </>
      )}
    </svg>
  );
}

type AskNumber = Extract<FlowState['question'], { kind: 'number' }>;

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
          sx={{ minWidth: 0, minHeight: 56, fontSize: 20, [side]: { minHeight: 52 } }}
        >
          {tenths / 10}
        </Button>
      ))}
    </Box>
  );
}

/** How many columns keep so many answers in two rows at most. */
const inTwoRows = (answers: number) => (answers > 5 ? Math.ceil(answers / 2) : answers);

/** What is said of every offer alike, and so is said once. */
const saidOfAll = ([first, ...others]: Offer[]) =>
  others.length === 0
    ? []
    : (first?.notes.slice(1) ?? []).filter((note) => others.every((o) => o.notes.includes(note)));

/**
 * What is offered, each with what it comes to, in the order of sense; the reasons and every other answer are a press away.
 * Answers that say nothing for themselves stand side by side.
 */
function Offered({
  options,
  offers,
  onAnswer,
}: {
  options: Schemas['FlowOption'][];
  offers: Offer[];
  onAnswer: (answer: NewAnswer) => void;
}) {
  const [showsAll, setShowsAll] = useState(offers.length === 0);
  const [showsWhy, setShowsWhy] = useState(false);
  const haveNotes = offers.some((o) => o.notes.length > 0);
  const ofAll = saidOfAll(offers);
  const ownOf = ({ notes }: Offer) => notes.filter((note) => !ofAll.includes(note));
  const isAlone = offers.length === 1;
  const others = options.filter((o) => !offers.some((offer) => offer.value === o.value));
  const choose = (value: string) => onAnswer({ kind: 'choice', value });
  const more = !showsAll && others.length > 0 && (
    <Button aria-expanded={false} onClick={() => setShowsAll(true)} sx={{ minHeight: 48 }}>
      Something else
    </Button>
  );
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      {ofAll.length > 0 && (
        <Box sx={{ fontSize: 15, ...(!showsWhy && { [low]: { display: 'none' } }) }}>{ofAll.join(' ')}</Box>
      )}
      <Box
        sx={{
          ...choices,
          ...(haveNotes && { gridTemplateColumns: '1fr' }),
          [side]: { gridTemplateColumns: `repeat(${haveNotes ? offers.length : inTwoRows(offers.length + 1)}, 1fr)` },
        }}
      >
        {offers.map((offer, i) => (
          <Button
            key={offer.value}
            data-value={offer.value}
            variant={i === 0 ? 'contained' : 'outlined'}
            onClick={() => choose(offer.value)}
            sx={{
              ...big,
              borderRadius: 3,
              lineHeight: 1.15,
              [low]: { minHeight: 52, fontSize: 17 },
              [side]: { minHeight: 52, fontSize: 15, px: 0.5 },
              // The club and what it comes to stand side by side.
              ...(haveNotes && {
                display: 'grid',
                gridTemplateColumns: 'minmax(64px, auto) 1fr',
                alignItems: 'center',
                columnGap: 1.5,
                textAlign: 'left',
                lineHeight: 1.2,
                py: 0.5,
                px: 1.5,
                [side]: { minHeight: 52, fontSize: 17, gridTemplateColumns: '1fr', px: 1 },
              }),
            }}
          >
            {options.find((o) => o.value === offer.value)?.label}
            {offer.notes.length > 0 && (
              <Box component="span" sx={{ fontSize: 14, fontWeight: 400 }}>
                {(showsWhy || isAlone ? ownOf(offer) : ownOf(offer).slice(0, 1)).join(' ')}
              </Box>
            )}
          </Button>
        ))}
        {!haveNotes && more}
      </Box>
      {haveNotes && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
          {!isAlone && offers.some((o) => o.notes.length > 1) && (
            <Button aria-expanded={showsWhy} onClick={() => setShowsWhy(!showsWhy)} sx={{ minHeight: 48 }}>
              {showsWhy ? 'Hide reasons' : 'Why?'}
            </Button>
          )}
          {more}
        </Box>
      )}
      {showsAll && (
        <Box sx={choices}>
          {others.map((option) => (
            <Button
              key={option.value}
              data-value={option.value}
              variant="outlined"
              onClick={() => choose(option.value)}
              sx={{ minHeight: 56, fontSize: 16, lineHeight: 1.15 }}
            >
              {option.label}
            </Button>
          ))}
        </Box>
      )}
    </Box>
  );
}

function NumberEntry({
  ask,
  proposed,
  onAnswer,
}: {
  ask: AskNumber;
  proposed: number | undefined;
  onAnswer: (tenths: number) => void;
}) {
  const [text, setText] = useState(proposed === undefined ? '' : String(proposed / 10));
  const [asked, setAsked] = useState<number>();
  const number = readNumber(text);
  const tenths = Math.round((number ?? 0) * 10);
  const fits = number !== undefined && tenths >= ask.least && tenths <= ask.most && tenths % ask.step === 0;
  const isSigned = ask.least < 0;
  const isOdd = !!ask.usual && (tenths < ask.usual.least || tenths > ask.usual.most);
  return (
    <Box
      component="form"
      onSubmit={(e: React.SyntheticEvent) => {
        e.preventDefault();
        if (!fits) return;
        // What is hardly ever meant is asked about once; entering it again means it.
        if (isOdd && asked !== tenths) setAsked(tenths);
        else onAnswer(tenths);
      }}
      sx={{
        display: 'grid',
        gridTemplateColumns: isSigned && !ask.sides ? 'auto 1fr auto' : '1fr auto',
        gap: 1,
        alignItems: 'end',
      }}
    >
      {ask.sides && (
        <Box
          role="group"
          aria-label="Which side"
          sx={{ gridColumn: '1 / -1', display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}
        >
          {([-1, 1] as const).map((side) => {
            const isOn = side < 0 ? text.startsWith('-') : text !== '' && !text.startsWith('-');
            return (
              <Button
                key={side}
                variant={isOn ? 'contained' : 'outlined'}
                aria-pressed={isOn}
                onClick={() => setText((t) => (side < 0 ? `-${t.replace('-', '')}` : t.replace('-', '')))}
                sx={{ minHeight: 56, borderRadius: 2, gap: 1, [side]: { minHeight: 48 } }}
              >
                <SidePicture isNegative={side < 0} isUpright={ask.sides?.negative !== 'left'} />
                {side < 0 ? ask.sides?.negative : ask.sides?.positive}
              </Button>
            );
          })}
        </Box>
      )}
      {isSigned && !ask.sides && (
        <Button
          aria-label="Turn the sign"
          variant="outlined"
          onClick={() => setText((t) => (t.startsWith('-') ? t.slice(1) : `-${t}`))}
          sx={{ minWidth: 56, minHeight: 56, fontSize: 20 }}
        >
          ±
        </Button>
      )}
      {ask.nudges && (
        <Nudges
          nudges={ask.nudges}
          onNudge={(by) => setText(String(Math.min(ask.most, Math.max(ask.least, (fits ? tenths : 0) + by)) / 10))}
        />
      )}
      <Field
        label={`${ask.label}${ask.unit && `, ${ask.unit}`}`}
        value={text}
        // A number that is proposed is mostly right or a tap away: no keyboard over the drawing.
        autoFocus={proposed === undefined}
        inputProps={{ inputMode: 'decimal' }}
        onChange={(e) => setText(numberText(e.target.value))}
        hint={
          isOdd && fits && asked === tenths
            ? `${text}${ask.unit && ` ${ask.unit}`}, really? Enter it again if so.`
            : undefined
        }
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

/** A number that is nearly right is put right by taps. */
function Nudges({ nudges, onNudge }: { nudges: number[]; onNudge: (tenths: number) => void }) {
  return (
    <Box
      role="group"
      aria-label="A little less or more"
      sx={{ gridColumn: '1 / -1', display: 'grid', gridTemplateColumns: `repeat(${nudges.length}, 1fr)`, gap: 1 }}
    >
      {nudges.map((by) => (
        <Button
          key={by}
          variant="outlined"
          onClick={() => onNudge(by)}
          sx={{ minWidth: 0, px: 0, minHeight: 56, fontSize: 18 }}
        >
          {by < 0 ? '−' : '+'}
          {Math.abs(by) / 10}
        </Button>
      ))}
    </Box>
  );
}

function Words({ longest, onDone }: { longest: number; onDone: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <Box sx={{ display: 'grid', gap: 1, [side]: { gridTemplateColumns: '1fr auto', alignItems: 'end' } }}>
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
