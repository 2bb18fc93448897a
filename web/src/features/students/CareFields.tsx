import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { DayField } from '../../ui/DayField';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { bodyParts as bodyPartNames, dayName } from '../../ui/format';
import { columns, type PartProps } from './coachSection';

/** What to be careful with, by part of the body, and who cleared it. */
export function Care({ coach, set, errorAt, bodyParts }: PartProps & { bodyParts: Schemas['PainPart'][] }) {
  const { today } = usePerson();
  const parts = coach.painfulParts ?? [];
  const change = (i: number, part: Partial<Schemas['PainfulPart']>) =>
    set({ painfulParts: parts.map((p, j) => (j === i ? { ...p, ...part } : p)) });
  const isPaired = (part: Schemas['BodyPart']) => bodyParts.find((b) => b.part === part)?.isPaired ?? false;
  return (
    <Box role="group" aria-label="Care notes">
      <Typography variant="h3">Care notes</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 1, fontSize: 15 }}>
        Coaching is not medicine. Only a doctor or physiotherapist clears a part; note who did and when.
      </Typography>
      {parts.map((p, i) => {
        const at = `coach.painfulParts[${i}]`;
        return (
          <Box
            key={i}
            sx={{ pl: 1.5, mb: 2, borderLeft: '4px solid', borderColor: p.clearedOn ? 'line' : 'error.main' }}
          >
            <Box sx={columns}>
              <Choice
                label="Part"
                value={p.part}
                options={optionsOf(bodyPartNames)}
                onChange={(part) => change(i, { part, side: isPaired(part) ? (p.side ?? 'lead') : null })}
              />
              {isPaired(p.part) && (
                <Choice
                  label="Side"
                  value={p.side ?? 'lead'}
                  options={optionsOf({ lead: 'Lead', trail: 'Trail' })}
                  error={errorAt(`${at}.side`)}
                  onChange={(side) => change(i, { side })}
                />
              )}
              <DayField label="Since" value={p.since} onChange={(since) => since && change(i, { since })} />
              <Field
                label="Cleared by"
                value={p.clearedBy ?? ''}
                error={errorAt(`${at}.clearedBy`)}
                onChange={(e) => change(i, { clearedBy: e.target.value })}
              />
              <DayField
                label="Cleared on"
                value={p.clearedOn ?? ''}
                error={errorAt(`${at}.clearedOn`)}
                onChange={(day) => change(i, { clearedOn: day || null })}
              />
            </Box>
            <Field
              label="Note"
              value={p.note ?? ''}
              error={errorAt(`${at}.note`)}
              onChange={(e) => change(i, { note: e.target.value })}
            />
            <Button onClick={() => set({ painfulParts: parts.filter((_, j) => j !== i) })}>Take out</Button>
          </Box>
        );
      })}
      <Button variant="outlined" onClick={() => set({ painfulParts: [...parts, { part: 'lowerBack', since: today }] })}>
        A part that hurts
      </Button>
    </Box>
  );
}

/** The consenting guardian of a minor. */
export function Guardian({ coach, set, errorAt }: PartProps) {
  const { guardian } = coach;
  if (!guardian)
    return (
      <Box>
        <Button variant="outlined" onClick={() => set({ guardian: { name: '' } })}>
          Note a guardian
        </Button>
      </Box>
    );
  const change = (part: Partial<Schemas['Guardian']>) => set({ guardian: { ...guardian, ...part } });
  return (
    <Box role="group" aria-label="Guardian">
      <Typography variant="h3" sx={{ mb: 1 }}>
        Guardian
      </Typography>
      <Box sx={columns}>
        <Field
          label="Name"
          value={guardian.name}
          error={errorAt('coach.guardian.name')}
          onChange={(e) => change({ name: e.target.value })}
        />
        <Field
          label="Contact"
          value={guardian.contact ?? ''}
          error={errorAt('coach.guardian.contact')}
          onChange={(e) => change({ contact: e.target.value })}
        />
        <DayField
          label="Consented on"
          value={guardian.consentedOn ?? ''}
          error={errorAt('coach.guardian.consentedOn')}
          onChange={(day) => change({ consentedOn: day || null, ...(day && { withdrewOn: null }) })}
        />
      </Box>
      {guardian.withdrewOn && <Box role="note">Consent was taken back on {dayName(guardian.withdrewOn)}.</Box>}
      <Button onClick={() => set({ guardian: null })}>Take out</Button>
    </Box>
  );
}
