import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { dayName, minutes, plusDays, requirements } from '../../ui/format';
import { TinyStrip } from '../../ui/TinyStrip';
import { ProgrammeLine } from '../programmes/ProgrammeLine';

/** A student's week on a page. */
export function PaperWeek({ week }: { week: Schemas['PaperWeek'] }) {
  return (
    <section className="sheet" aria-label={`Week of ${week.name}`}>
      <h2 style={{ margin: '0 0 2px' }}>{week.name}</h2>
      <div>
        {dayName(week.monday)} to {dayName(plusDays(week.monday, 6))}
      </div>
      {week.programmes.map((standing) => (
        <ProgrammeLine key={standing.runId} standing={standing} />
      ))}
      {week.sessions.map(({ card }) => (
        <Box
          key={card.assignmentId}
          className="part"
          sx={{
            display: 'grid',
            gridTemplateColumns: '110px 1fr 24px',
            columnGap: 2,
            py: 1,
            borderTop: '1px solid #000',
          }}
        >
          <b>{card.day ? dayName(card.day) : 'Any day'}</b>
          <div>
            <b>{card.title}</b>, {minutes(card.minutes + (card.notes?.walkMinutes ?? 0))}
            {card.requirement !== 'must' && `, ${requirements[card.requirement].toLowerCase()}`}
            {card.excuse !== null && ', excused'}
            <div>{card.purpose}</div>
            <TinyStrip segments={card.strip.map((s) => ({ ...s, fraction: 1 }))} label={card.title} />
          </div>
          <span className="box" />
        </Box>
      ))}
      <Caution />
    </section>
  );
}

/** What stands on every sheet. */
export function Caution() {
  return (
    <div style={{ marginTop: 8, fontSize: 11 }}>
      Stop when something hurts, and tell your coach. Coaching is not medicine: see a doctor or physiotherapist. The
      range’s own rules come first.
    </div>
  );
}
