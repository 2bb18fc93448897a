import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { approaches, bodyParts, clubs, dayName, lengthUnits, swingLengths } from '../../ui/format';

type Coachs = Schemas['CoachSection'];

function quantityInWords({ what, unit, start, least, most }: Schemas['FocusQuantity']) {
  const from = start == null ? '' : `, began at ${start}`;
  const band = [least, most].filter((n) => n != null).join(' to ');
  return `${what}${from}${band ? `, goal ${band}` : ''}${unit ? ` ${unit}` : ''}`;
}

/** The coach's part of the file, as the student reads it. */
export function CoachSummary({ coach }: { coach: Coachs }) {
  const { focus, guardian } = coach;
  const chain = [focus?.fault, focus?.measured, focus?.now, focus?.goal].filter(Boolean);
  const carries = (coach.bag ?? []).filter((b) => b.carry);
  const grid = coach.wedgeGrid ?? [];
  const parts = coach.painfulParts ?? [];
  const basics = coach.setUpBasics ?? [];
  return (
    <Box component="section" aria-label="The coach’s part" sx={{ mt: 4 }}>
      <Typography variant="h2">What my coach keeps</Typography>
      <Box
        component="dl"
        sx={{ m: 0, mt: 1, '& dt': { color: 'text.secondary', fontSize: 15 }, '& dd': { m: 0, mb: 1.5 } }}
      >
        {coach.approach && <Entry name="Approach">{approaches[coach.approach]}</Entry>}
        {chain.length > 0 && <Entry name="Focus">{chain.join(' → ')}</Entry>}
        {focus?.quantity && <Entry name="Number">{quantityInWords(focus.quantity)}</Entry>}
        {basics.length > 0 && (
          <Entry name="Set-up to look at again">
            {basics.map((b) => (
              <div key={b}>{b}</div>
            ))}
          </Entry>
        )}
        {carries.length > 0 && (
          <Entry name="Carries">
            {carries
              .map((b) => `${clubs[b.club]} ${b.carry?.value ?? ''} ${lengthUnits[b.carry?.unit ?? 'yards']}`)
              .join(', ')}
          </Entry>
        )}
        {grid.length > 0 && (
          <Entry name="Wedge grid">
            {grid.map((n) => (
              <div key={`${n.club} ${n.swing}`}>
                {clubs[n.club]}, {swingLengths[n.swing].toLowerCase()}: {n.carry.value} {lengthUnits[n.carry.unit]}
              </div>
            ))}
          </Entry>
        )}
        {parts.length > 0 && (
          <Entry name="Care">
            {parts.map((p) => (
              <div key={`${p.part} ${p.side ?? ''}`}>
                {p.side ? `${p.side} ` : ''}
                {bodyParts[p.part].toLowerCase()} since {dayName(p.since)},{' '}
                {p.clearedOn ? `cleared by ${p.clearedBy ?? ''} on ${dayName(p.clearedOn)}` : 'not cleared yet'}
              </div>
            ))}
          </Entry>
        )}
        {guardian && (
          <Entry name="Guardian">
            {guardian.name},{' '}
            {guardian.consentedOn
              ? `consented on ${dayName(guardian.consentedOn)}`
              : guardian.withdrewOn
                ? `took consent back on ${dayName(guardian.withdrewOn)}`
                : 'has not consented yet'}
          </Entry>
        )}
      </Box>
    </Box>
  );
}

function Entry({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}
