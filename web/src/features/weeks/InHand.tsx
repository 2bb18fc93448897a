import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { onDemand } from '../../ui/onDemand';
import { findingLevels } from '../../ui/findingLevels';
import { areas, count, dayName, excuses, keysOf, minutes, statuses } from '../../ui/format';
import { ProgrammeLine } from '../programmes/ProgrammeLine';
import { dayOf, setAndUsual, type Card, type Row } from './sheet';
import type { Desk } from './useDesk';

const SessionActs = onDemand(() => import('./SessionActs').then((m) => m.SessionActs));

interface Props {
  desk: Desk;
  /** Whether it stands beside the week, with room below. */
  isBeside?: boolean;
}

/** What stands in the cell in hand: the session, why it is there, what was changed for the student, what is to be said of it. */
export function InHand({ desk, isBeside = false }: Props) {
  const { row, inHand: card, actions } = desk;
  if (!row) return null;
  const day = dayOf(desk.sheet.monday, desk.selection.at.column);
  const check = desk.checks.get(row.studentId);
  const findings = check?.sessions.find((s) => s.assignmentId === card?.assignmentId)?.findings ?? [];
  return (
    <Box
      component="section"
      aria-label="In hand"
      sx={isBeside ? { ...look, alignContent: 'start' } : { ...look, ...below }}
    >
      <Box>
        <Typography variant="h3" component="h2">
          {!isBeside && (
            <>
              <Link to={`/students/${row.studentId}`}>{row.name}</Link>,{' '}
            </>
          )}
          {day === null ? (isBeside ? 'Any day' : 'any day') : dayName(day)}
        </Typography>
        {desk.selected.length > 1 && <Selected desk={desk} />}
        {card ? <Session key={card.assignmentId} card={card} desk={desk} row={row} /> : <Nothing row={row} day={day} />}
        {row.programmes.map((standing) => (
          <ProgrammeLine key={standing.runId} standing={standing}>
            <Button
              onClick={() => void actions.wait(row.studentId, standing.runId, standing.week !== null)}
              disabled={actions.isBusy}
            >
              {standing.week === null ? 'Go on' : 'Wait this week'}
            </Button>
          </ProgrammeLine>
        ))}
      </Box>
      {(!isBeside || (card && (findings.length > 0 || saysSomething(card.notes)))) && (
        <Box>
          {card && (findings.length > 0 || saysSomething(card.notes)) && (
            <>
              <Typography variant="h3" component="h2">
                This session
              </Typography>
              <Notes card={card} actions={actions} />
              {findings.map((f, i) => (
                <Said key={i} level={f.level}>
                  {f.segment && `“${f.segment}”: `}
                  {f.why}
                </Said>
              ))}
            </>
          )}
        </Box>
      )}
      <Box>
        <Typography variant="h3" component="h2">
          The week
        </Typography>
        {isBeside && <Box sx={{ mb: 0.5 }}>{setAndUsual(row)}</Box>}
        {check?.week.map((f, i) => (
          <Said key={i} level={f.level}>
            {f.why}
          </Said>
        ))}
        {check && <Areas areas={check.areas} />}
      </Box>
    </Box>
  );
}

const look = {
  pt: 0.75,
  pb: 1,
  borderTop: '2px solid',
  borderColor: 'text.primary',
  display: 'grid',
  gap: 2,
  fontSize: 14.5,
} as const;

const below = {
  flex: 'none',
  height: { md: 168 },
  overflow: 'auto',
  gridTemplateColumns: { xs: '1fr', md: '1.2fr 1.2fr 1fr' },
} as const;

const saysSomething = (notes: Card['notes']) =>
  notes !== null &&
  (notes.wasMissed || notes.dayReason || (notes.tailored?.length ?? 0) > 0 || (notes.offers?.length ?? 0) > 0);

function Session({ card, desk, row }: { card: Card; desk: Desk; row: Row }) {
  const [menu, setMenu] = useState<HTMLElement>();
  const isPlanChanged = row.planChanged.includes(card.assignmentId);
  return (
    <>
      <div>
        <b>{card.title}</b>, {minutes(card.minutes)}
        {card.balls > 0 && `, ${count(card.balls, 'ball')}`}
      </div>
      <div>{card.purpose}</div>
      <Box sx={{ color: 'text.secondary' }}>
        {card.isPublished
          ? card.excuse
            ? `excused: ${excuses[card.excuse].toLowerCase()}`
            : statuses[card.status]
          : 'draft: only coaches see it'}
        {card.requirement === 'extra' && ', extra'}
        {card.saidNoTime && ', the student has no time for it'}
      </Box>
      {isPlanChanged && <div>Its plan was changed since this session was made {row.name}’s own.</div>}
      <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', ml: -1.25 }}>
        {card.isPublished && (
          <Button component={Link} to={`/sessions/${card.assignmentId}`}>
            Open
          </Button>
        )}
        {!card.hasLog && card.requirement !== 'own' && (
          <Button component={Link} to={`/sessions/${card.assignmentId}/bench`}>
            Change it for {row.name.split(' ')[0]}
          </Button>
        )}
        {card.planId && (
          <Button component={Link} to={`/plans/${card.planId}`}>
            Its plan
          </Button>
        )}
        {!card.hasLog && <Button onClick={() => void desk.actions.takeOut([card])}>Take out</Button>}
        <Button aria-haspopup="menu" onClick={(e) => setMenu(e.currentTarget)}>
          More …
        </Button>
        {menu && (
          <SessionActs
            card={card}
            studentId={row.studentId}
            desk={desk}
            anchor={menu}
            onClose={() => setMenu(undefined)}
          />
        )}
      </Box>
    </>
  );
}

/** What is done with all that is selected. */
function Selected({ desk: { selected, actions } }: { desk: Desk }) {
  const open = selected.filter((card) => card.isPublished && card.excuse === null);
  return (
    <Box role="group" aria-label="Selected sessions" sx={{ mb: 0.5 }}>
      {count(selected.length, 'session')} selected
      {open.length > 0 && (
        <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', ml: -1.25 }}>
          {keysOf(excuses).map((why) => (
            <Button key={why} disabled={actions.isBusy} onClick={() => void actions.excuse(open, why)}>
              Excuse {count(open.length, 'session')}: {excuses[why].toLowerCase()}
            </Button>
          ))}
        </Box>
      )}
    </Box>
  );
}

function Nothing({ row, day }: { row: Row; day: string | null }) {
  const played = row.competitions.find((c) => day !== null && day >= c.firstDay && day <= c.lastDay);
  return (
    <Box sx={{ color: 'text.secondary' }}>
      {played
        ? `${played.name} is played.`
        : day !== null && row.away.includes(day)
          ? 'Away on this day.'
          : row.sessions.length === 0
            ? row.hadLastWeek
              ? 'Nothing set for this week yet. Last week can be copied.'
              : 'Nothing set for this week yet. Plans stand in the drawer.'
            : 'Nothing here.'}
      {row.times.length === 0 && ' No times on record: every day counts as open for one session.'}
    </Box>
  );
}

function Notes({ card, actions }: { card: Card; actions: Desk['actions'] }) {
  const { notes } = card;
  if (!notes) return null;
  return (
    <>
      {notes.wasMissed && <div>It was missed last week.</div>}
      {notes.dayReason && <div>{notes.dayReason}</div>}
      {notes.tailored?.map((why) => (
        <div key={why}>{why}</div>
      ))}
      {notes.offers?.map((offer) => (
        <Box key={offer.segmentId} sx={{ display: 'flex', gap: 0.5, alignItems: 'center', flexWrap: 'wrap' }}>
          {offer.why}
          {!card.isPublished && (
            <>
              <Button onClick={() => void actions.step(card, [offer.segmentId], [])}>Take it</Button>
              <Button onClick={() => void actions.step(card, [], [offer.segmentId])}>Leave it</Button>
            </>
          )}
        </Box>
      ))}
    </>
  );
}

function Said({ level, children }: { level: Schemas['FindingLevel']; children: React.ReactNode }) {
  const { name, sign, colour } = findingLevels[level];
  return (
    <div>
      <b style={{ color: colour }}>
        <span aria-hidden>{sign}</span> {name}
      </b>
      : {children}
    </div>
  );
}

/** Minutes by part of the game, beside what is lost there and what is believed of it. */
function Areas({ areas: found }: { areas: readonly Schemas['AreaOfWeek'][] }) {
  if (found.length === 0) return null;
  return (
    <Box component="ul" aria-label="Minutes by part of the game" sx={{ listStyle: 'none', m: 0, p: 0, mt: 0.5 }}>
      {found.map((a) => (
        <li key={a.area}>
          {areas[a.area]} {minutes(a.minutes)}
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {a.shortfall !== null && a.shortfall > 0 && `, ${Math.round(100 * a.shortfall)} % missing to goals`}
            {a.strokesLost !== null && `, rounds lose about ${a.strokesLost.toFixed(1)} strokes there`}
            {a.isBelievedWeak && ', believed weak'}
          </Box>
        </li>
      ))}
    </Box>
  );
}
