import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { clubs, count, dayName, equipment, lengthUnits, minutes } from '../../ui/format';
import { phases, PhaseSign } from '../../ui/phases';
import { TinyStrip } from '../../ui/TinyStrip';
import { callInWords } from '../drills/calls';
import { hintOf } from '../drills/card';
import { begin } from '../drills/flow';
import { planFrom, type PracticeSegment } from '../plans/benchState';
import { howLines } from '../sessions/howLines';
import { isDrawn, pictured, SmallDrawing } from '../drills/DrillDrawing';
import { Caution } from './PaperWeek';

type Printed = Schemas['PaperSession'];

/**
 * A session on paper. It asks in the order in which "type in from paper" does: segment by segment how it was left, balls or the
 * attempts of its drill, and then purpose, quality, confidence, effort and a note.
 */
export function PaperSheet({ name, session }: { name: string; session: Printed }) {
  const { card } = session;
  const plan = planFrom(session.plan);
  return (
    <section className="sheet" aria-label={`${card.title} of ${name}`}>
      <div style={{ display: 'flex', justifyContent: 'space-between' }}>
        <span>{name}</span>
        <span>
          {card.day ? dayName(card.day) : 'Any day'} · done on <span className="line" />
        </span>
      </div>
      <h2 style={{ margin: '2px 0' }}>{card.title}</h2>
      <div>{plan.purpose}</div>
      {plan.successTest && <div>It worked when: {plan.successTest}</div>}
      <TinyStrip segments={card.strip.map((s) => ({ ...s, fraction: 1 }))} label={card.title} />
      <div>
        {minutes(card.minutes + (card.notes?.walkMinutes ?? 0))}
        {card.bring && bringInWords(card.bring)}
      </div>
      {plan.segments.map((segment) =>
        segment.kind === 'practice' ? (
          <Part key={segment.id} segment={segment} session={session} />
        ) : (
          <Box key={segment.id} className="part" sx={{ borderTop: '1px solid #000', py: 0.5 }}>
            <b>{segment.title}</b>, {minutes(segment.minutes)}. {segment.instruction}
          </Box>
        ),
      )}
      <Box className="part" sx={{ borderTop: '2px solid #000', pt: 0.5 }}>
        <div>
          {plan.purpose}: <Tick text="met" /> <Tick text="not yet" />
        </div>
        <div style={{ display: 'flex', flexWrap: 'wrap', columnGap: 40 }}>
          <Numbers label="Quality" least={1} />
          <Numbers label="Confidence" least={1} />
          <Numbers label="Effort" least={0} />
        </div>
        <div style={{ display: 'flex', gap: 6 }}>
          Note <span className="line" style={{ flex: 1, height: 30 }} />
        </div>
        <Caution />
      </Box>
    </section>
  );
}

function Part({ segment, session }: { segment: PracticeSegment; session: Printed }) {
  const drill = session.drills.find((d) => d.segmentId === segment.id);
  const boxes = session.boxes.find((b) => b.segmentId === segment.id)?.boxes ?? 0;
  const over = session.exitRules.find((r) => r.segmentId === segment.id)?.text;
  const calls = drill && drill.calls.length > 0 ? drill.calls : segment.calls;
  const whole = segment.drill?.drill;
  const laid = drill?.protocol.kind === 'playedHoles' ? drill.protocol.laid : undefined;
  const start = drill && !laid ? begin(drill.flow) : undefined;
  // What is only counted has a line for the number, and no box for each.
  const isCounted = start?.state?.question.kind === 'tap' || start?.state?.question.kind === 'timer';
  const toWrite = start ? (
    isCounted ? (
      <>
        {hintOf(start)} <span className="line" />
      </>
    ) : (
      `Write: ${hintOf(start)}`
    )
  ) : (
    segment.balls > 0 && (
      <>
        Balls <span className="line" />
      </>
    )
  );
  return (
    <Box className="part" sx={{ borderTop: '1px solid #000', py: 0.4 }}>
      <div style={{ display: 'flex', gap: 6, alignItems: 'center' }}>
        <PhaseSign phase={segment.phase} size={16} />
        <b>{segment.title}</b>
        <span>
          {phases[segment.phase].name.toLowerCase()}, {minutes(segment.minutes)}
          {segment.balls > 0 && `, ${count(segment.balls, 'ball')}`}
        </span>
        <span style={{ marginLeft: 'auto' }}>
          <Tick text="done" /> <Tick text="in part: ¼ ½ ¾" /> <Tick text="left out" />
        </span>
      </div>
      {segment.instruction && <div>{segment.instruction}</div>}
      <div style={{ display: 'flex', gap: 10 }}>
        {whole && isDrawn(pictured(whole)) && (
          <div style={{ width: 104, flex: 'none', filter: 'grayscale(1)' }}>
            <SmallDrawing drill={pictured(whole)} />
          </div>
        )}
        <div>
          {(drill?.setUp ?? whole?.setUp) && <div>{drill?.setUp ?? whole?.setUp}</div>}
          {segment.parts.map((part) => (
            <div key={part.label}>
              {part.label}
              {part.balls ? `, ${count(part.balls, 'ball')}` : ''}
            </div>
          ))}
          <div>
            {howLines(session, segment).map(([name, said]) => (
              <span key={name}>
                <b>{name}:</b> {said.replace(/\.$/, '')}.{' '}
              </span>
            ))}
            {over && (
              <span>
                <b>Over</b> {over}.{' '}
              </span>
            )}
            {drill?.goal && (
              <span>
                <b>To reach:</b> {drill.goal}.
              </span>
            )}
          </div>
        </div>
      </div>
      {laid ? (
        <Box
          component="ol"
          aria-label="Holes"
          sx={{ listStyle: 'none', m: 0, mt: 0.5, p: 0, columns: 2, columnGap: 2 }}
        >
          {laid.holes.map((hole, i) => (
            <li key={i} style={{ breakInside: 'avoid' }}>
              {hole.number}, par {hole.par}, {hole.length} {lengthUnits[laid.unit]}: strokes <span className="line" />{' '}
              putts <span className="line" />
            </li>
          ))}
        </Box>
      ) : segment.holes ? (
        <Boxes count={segment.holes} label="Holes">
          {toWrite}
        </Boxes>
      ) : calls.length > 0 ? (
        <Box component="ol" aria-label="Calls" sx={{ m: 0, mt: 0.5, pl: 3, columns: 3, columnGap: 2 }}>
          {calls.map((call, i) => (
            <li key={i} style={{ breakInside: 'avoid' }}>
              <span className="box" style={{ verticalAlign: 'middle' }} /> {callInWords(call)}
            </li>
          ))}
          <li style={{ listStyle: 'none', breakInside: 'avoid' }}>{toWrite}</li>
        </Box>
      ) : (
        <Boxes count={boxes} label="Attempts">
          {toWrite}
        </Boxes>
      )}
    </Box>
  );
}

/** A box for each attempt, numbered, and what is written into them; nothing where there is neither. */
function Boxes({ count: many, label, children }: { count: number; label: string; children: ReactNode }) {
  return (
    <div style={{ marginTop: 2, display: 'flex', gap: 8, alignItems: 'end' }}>
      {many > 0 && (
        <>
          {label}
          <span style={{ display: 'inline-flex', flexWrap: 'wrap' }}>
            {Array.from({ length: many }, (_, i) => (
              <span key={i} className="box">
                {i + 1}
              </span>
            ))}
          </span>
        </>
      )}
      <span>{children}</span>
    </div>
  );
}

const Tick = ({ text }: { text: string }) => (
  <span style={{ whiteSpace: 'nowrap', marginRight: 8 }}>
    <svg aria-hidden width="11" height="11" style={{ verticalAlign: '-1px' }}>
      <rect x="0.6" y="0.6" width="9.8" height="9.8" fill="none" stroke="#000" strokeWidth="1.2" />
    </svg>{' '}
    {text}
  </span>
);

function Numbers({ label, least }: { label: string; least: number }) {
  return (
    <div style={{ display: 'flex', gap: 13 }}>
      <span style={{ width: 66 }}>{label}</span>
      {Array.from({ length: 11 - least }, (_, i) => (
        <span key={i}>{i + least}</span>
      ))}
    </div>
  );
}

function bringInWords({
  wholeBag,
  clubs: named,
  equipment: things,
  ballsToBuy,
  water,
}: Schemas['WhatToBring']): string {
  const all = [
    wholeBag && 'all your clubs',
    named.map((c) => clubs[c]).join(', '),
    ...things.map((e) => equipment[e].toLowerCase()),
    ballsToBuy > 0 && `${count(ballsToBuy, 'ball')} to buy`,
    water && 'something to drink',
  ].filter(Boolean);
  return all.length === 0 ? '' : `. To bring: ${all.join('; ')}`;
}
