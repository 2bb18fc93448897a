import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { ages, approaches, areas, seasons, sides } from '../../ui/format';
import { ListField } from '../../ui/ListField';
import { NumberField } from '../../ui/NumberField';
import { Bag, Wedges, type CarryUnit } from './BagFields';
import { Care, Guardian } from './CareFields';
import { GoalFields } from './GoalFields';
import { columns, none, type PartProps } from './coachSection';

type Coachs = Schemas['CoachSection'];

interface Props {
  studentId: string;
  coach: Coachs;
  bodyParts: Schemas['PainPart'][];
  gaps: Schemas['GridGap'][];
  errorAt: (path: string) => string | undefined;
  onChange: (coach: Coachs) => void;
  /** In which new distances begin: the student's own. */
  unit: CarryUnit;
}

/** What the coach's fields are called where changes are listed. */
export const coachFieldNames: Record<keyof Schemas['CoachSection'], string> = {
  age: 'age',
  approach: 'approach',
  season: 'season',
  focus: 'focus',
  setUpBasics: 'set-up basics',
  bag: 'bag',
  wedgeGrid: 'wedge grid',
  usualMiss: 'usual miss',
  painfulParts: 'care notes',
  guardian: 'guardian',
};

/** What the coach keeps: focus, approach, bag, wedge grid, care notes, guardian. */
export function CoachFields({ studentId, coach, unit, bodyParts, gaps, errorAt, onChange }: Props) {
  const set = (part: Partial<Coachs>) => onChange({ ...coach, ...part });
  const part = { studentId, coach, set, errorAt };
  return (
    <Box component="section" aria-label="The coach’s part" sx={{ display: 'grid', gap: 2.5 }}>
      <Typography variant="h2">What the coach keeps</Typography>
      <Box sx={columns}>
        <Choice label="Age" value={coach.age ?? 'adult'} options={optionsOf(ages)} onChange={(age) => set({ age })} />
        <Choice
          label="Approach"
          value={coach.approach ?? ''}
          options={[none, ...optionsOf(approaches)]}
          onChange={(approach) => set({ approach: approach || null })}
        />
        <Choice
          label="Season"
          value={coach.season ?? ''}
          options={[{ value: '', label: 'from the competitions' } as const, ...optionsOf(seasons)]}
          onChange={(season) => set({ season: season || null })}
        />
      </Box>
      <Focus {...part} />
      <ListField
        label="Set-up basics to look at again, a line each"
        value={coach.setUpBasics ?? []}
        error={errorAt('coach.setUpBasics')}
        onChange={(setUpBasics) => set({ setUpBasics })}
      />
      <Bag {...part} unit={unit} />
      <Wedges {...part} unit={unit} gaps={gaps} />
      <Box sx={columns}>
        <Choice
          label="Mostly misses"
          value={coach.usualMiss ?? ''}
          options={[none, ...optionsOf(sides)]}
          onChange={(side) => set({ usualMiss: side || null })}
        />
      </Box>
      <Care {...part} bodyParts={bodyParts} />
      <Guardian {...part} />
    </Box>
  );
}

function Focus({ studentId, coach, set, errorAt }: PartProps) {
  const focus = coach.focus ?? {};
  const steps = [
    ['fault', 'Fault'],
    ['measured', 'What is measured'],
    ['now', 'Where it is now'],
    ['goal', 'Where it should be'],
  ] as const;
  const setQuantity = (part: Partial<Schemas['FocusQuantity']>) => {
    const quantity = { what: '', ...focus.quantity, ...part };
    const isEmpty =
      !quantity.what &&
      !quantity.unit &&
      [quantity.start, quantity.least, quantity.most, quantity.drillId, quantity.startedOn, quantity.by].every(
        (n) => n == null,
      );
    set({ focus: { ...focus, quantity: isEmpty ? null : quantity } });
  };
  return (
    <Box role="group" aria-label="Focus">
      <Typography variant="h3" sx={{ mb: 1 }}>
        Focus: from the fault to the goal
      </Typography>
      <Box sx={{ ...columns, gridTemplateColumns: { sm: '1fr 1fr' } }}>
        {steps.map(([key, label], i) => (
          <Field
            key={key}
            label={`${i > 0 ? '→ ' : ''}${label}`}
            value={focus[key] ?? ''}
            error={errorAt(`coach.focus.${key}`)}
            onChange={(e) => set({ focus: { ...focus, [key]: e.target.value } })}
          />
        ))}
        <NumberField
          label="Repetitions asked"
          hint="Counted with a ball. Rehearsals don't count."
          optional
          whole
          range={ranges.repetitions}
          value={focus.repetitionsAsked}
          error={errorAt('coach.focus.repetitionsAsked')}
          onChange={(repetitionsAsked) => set({ focus: { ...focus, repetitionsAsked } })}
        />
        <Choice
          label="Area"
          value={focus.area ?? ''}
          options={[none, ...optionsOf(areas)]}
          onChange={(area) => set({ focus: { ...focus, area: area || null } })}
        />
        <Field
          label="Skill"
          hint="As drills name it, such as “start line”. Drafts look for it."
          value={focus.skill ?? ''}
          error={errorAt('coach.focus.skill')}
          onChange={(e) => set({ focus: { ...focus, skill: e.target.value } })}
        />
        <Field
          label="Number it is about"
          hint="As a drill measures it, such as “club path”, or in your own words. Empty where it is none."
          value={focus.quantity?.what ?? ''}
          error={errorAt('coach.focus.quantity.what')}
          onChange={(e) => setQuantity({ what: e.target.value })}
        />
      </Box>
      {focus.quantity && (
        <GoalFields studentId={studentId} quantity={focus.quantity} errorAt={errorAt} onChange={setQuantity} />
      )}
    </Box>
  );
}
