import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { v7 as uuid } from 'uuid';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { Chips } from '../../ui/Chips';
import { DayField } from '../../ui/DayField';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { TimeField } from '../../ui/TimeField';
import { areas, clubs, equipment, places, sides, weekdays } from '../../ui/format';
import { ListField } from '../../ui/ListField';
import { NumberField } from '../../ui/NumberField';

type Own = Schemas['StudentSection'];

interface Props {
  own: Own;
  errorAt: (path: string) => string | undefined;
  onChange: (own: Own) => void;
  title: string;
}

const unitNames = { yards: 'Yards', metres: 'Metres' };

/** What the student's fields are called where changes are listed. */
export const ownFieldNames: Record<keyof Schemas['StudentSection'], string> = {
  units: 'units',
  believedStrengths: 'strengths',
  believedWeaknesses: 'weaknesses',
  dislikedClubs: 'disliked clubs',
  dislikedSides: 'disliked sides',
  routine: 'routine',
  windows: 'times to practise',
  absences: 'days away',
  equipment: 'equipment',
  competitions: 'competitions',
};

/** What the student keeps: how they see themselves, when and with what they can practise, what they play for. */
export function OwnFields({ own, errorAt, onChange, title }: Props) {
  const set = (part: Partial<Own>) => onChange({ ...own, ...part });
  return (
    <Box component="section" aria-label="The student’s part" sx={{ display: 'grid', gap: 2.5 }}>
      <Typography variant="h2">{title}</Typography>
      <Choice
        label="Distances in"
        value={own.units ?? 'yards'}
        options={optionsOf(unitNames as Record<Schemas['LengthUnit'], string>)}
        onChange={(units) => set({ units })}
      />
      <Chips
        label="I believe I am good at"
        names={areas}
        value={own.believedStrengths ?? []}
        onChange={(believedStrengths) => set({ believedStrengths })}
      />
      <Chips
        label="I believe I am weak at"
        names={areas}
        value={own.believedWeaknesses ?? []}
        onChange={(believedWeaknesses) => set({ believedWeaknesses })}
      />
      <Chips
        label="Clubs I do not like"
        names={clubs}
        value={own.dislikedClubs ?? []}
        onChange={(dislikedClubs) => set({ dislikedClubs })}
      />
      <Chips
        label="Trouble I do not like to see"
        names={sides}
        value={own.dislikedSides ?? []}
        onChange={(dislikedSides) => set({ dislikedSides })}
      />
      <ListField
        label="My routine, a step a line"
        value={own.routine ?? []}
        error={errorAt('own.routine')}
        onChange={(routine) => set({ routine })}
      />
      <Chips
        label="What I have"
        names={equipment}
        value={own.equipment ?? []}
        onChange={(items) => set({ equipment: items })}
      />
      <Windows own={own} set={set} errorAt={errorAt} />
      <Absences own={own} set={set} errorAt={errorAt} />
      <Competitions own={own} set={set} errorAt={errorAt} />
    </Box>
  );
}

interface PartProps {
  own: Own;
  set: (part: Partial<Own>) => void;
  errorAt: (path: string) => string | undefined;
}

const row = {
  display: 'grid',
  gridTemplateColumns: '1fr 1fr',
  '@container (min-width: 540px)': { gridTemplateColumns: 'repeat(3, 1fr)' },
  gap: 1,
  alignItems: 'end',
  mb: 1.5,
} as const;

function Windows({ own, set, errorAt }: PartProps) {
  const windows = own.windows ?? [];
  const change = (i: number, part: Partial<Schemas['PracticeWindow']>) =>
    set({ windows: windows.map((w, j) => (j === i ? { ...w, ...part } : w)) });
  return (
    <Box role="group" aria-label="Times to practise" sx={{ containerType: 'inline-size' }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        When I can practise
      </Typography>
      {windows.map((w, i) => (
        <Box
          key={i}
          sx={{ ...row, '@container (min-width: 540px)': { gridTemplateColumns: '1.1fr 1fr 84px 1.3fr auto' } }}
        >
          <Choice
            label="Day"
            value={w.weekday}
            options={optionsOf(weekdays)}
            onChange={(weekday) => change(i, { weekday })}
          />
          <TimeField label="From" value={w.from} onChange={(from) => change(i, { from })} />
          <NumberField
            label="Duration"
            unit="min"
            whole
            range={ranges.availableMinutes}
            value={w.minutes}
            error={errorAt(`own.windows[${i}].minutes`)}
            onChange={(n) => change(i, { minutes: n ?? 0 })}
          />
          <Choice
            label="Where"
            value={w.place}
            options={optionsOf(places)}
            onChange={(place) => change(i, { place })}
          />
          <Button
            aria-label={`Take out time ${i + 1}`}
            onClick={() => set({ windows: windows.filter((_, j) => j !== i) })}
            sx={{ justifySelf: 'start', ml: -1.25 }}
          >
            Take out
          </Button>
        </Box>
      ))}
      <Button
        variant="outlined"
        onClick={() =>
          set({ windows: [...windows, { weekday: 'saturday', from: '09:00:00', minutes: 60, place: 'range' }] })
        }
      >
        Another time
      </Button>
    </Box>
  );
}

function Absences({ own, set, errorAt }: PartProps) {
  const { today } = usePerson();
  const absences = own.absences ?? [];
  const change = (i: number, part: Partial<Schemas['Absence']>) =>
    set({ absences: absences.map((a, j) => (j === i ? { ...a, ...part } : a)) });
  return (
    <Box role="group" aria-label="Days away" sx={{ containerType: 'inline-size' }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        Days on which I cannot
      </Typography>
      {absences.map((a, i) => (
        <Box key={i} sx={{ ...row, '@container (min-width: 540px)': { gridTemplateColumns: '166px 166px 1fr auto' } }}>
          <DayField
            label="From"
            value={a.firstDay}
            error={errorAt(`own.absences[${i}].firstDay`)}
            onChange={(firstDay) => firstDay && change(i, { firstDay })}
          />
          <DayField
            label="To"
            value={a.lastDay}
            error={errorAt(`own.absences[${i}].lastDay`)}
            onChange={(lastDay) => lastDay && change(i, { lastDay })}
          />
          <Field
            label="Why, if you like"
            value={a.note ?? ''}
            error={errorAt(`own.absences[${i}].note`)}
            onChange={(e) => change(i, { note: e.target.value })}
          />
          <Button
            aria-label={`Take out days away ${i + 1}`}
            onClick={() => set({ absences: absences.filter((_, j) => j !== i) })}
            sx={{ justifySelf: 'start', ml: -1.25 }}
          >
            Take out
          </Button>
        </Box>
      ))}
      <Button variant="outlined" onClick={() => set({ absences: [...absences, { firstDay: today, lastDay: today }] })}>
        Other days
      </Button>
    </Box>
  );
}

function Competitions({ own, set, errorAt }: PartProps) {
  const { today } = usePerson();
  const competitions = own.competitions ?? [];
  const change = (i: number, part: Partial<Schemas['Competition']>) =>
    set({ competitions: competitions.map((c, j) => (j === i ? { ...c, ...part } : c)) });
  return (
    <Box role="group" aria-label="Competitions" sx={{ containerType: 'inline-size' }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        Competitions
      </Typography>
      {competitions.map((c, i) => {
        const at = `own.competitions[${i}]`;
        return (
          <Box key={c.id} sx={{ pl: 1.5, borderLeft: '2px solid', borderColor: 'line', mb: 2 }}>
            <Box sx={row}>
              <Field
                label="Name"
                value={c.name}
                error={errorAt(`${at}.name`)}
                onChange={(e) => change(i, { name: e.target.value })}
              />
              <DayField
                label="First day"
                value={c.firstDay}
                error={errorAt(`${at}.firstDay`)}
                onChange={(firstDay) => firstDay && change(i, { firstDay })}
              />
              <DayField
                label="Last day"
                value={c.lastDay}
                error={errorAt(`${at}.lastDay`)}
                onChange={(lastDay) => lastDay && change(i, { lastDay })}
              />
              <DayField
                label="I get there"
                value={c.arrivalDay ?? ''}
                error={errorAt(`${at}.arrivalDay`)}
                onChange={(day) => change(i, { arrivalDay: day || null })}
              />
              <Field
                label="Course"
                value={c.course ?? ''}
                error={errorAt(`${at}.course`)}
                onChange={(e) => change(i, { course: e.target.value })}
              />
              <NumberField
                label="Green speed"
                unit="ft"
                range={ranges.greenSpeedFeet}
                optional
                value={c.greenSpeedFeet}
                error={errorAt(`${at}.greenSpeedFeet`)}
                onChange={(greenSpeedFeet) => change(i, { greenSpeedFeet })}
              />
            </Box>
            {c.lastDay < today && (
              <Field
                label="Looking back on it"
                multiline
                minRows={2}
                value={c.debrief ?? ''}
                error={errorAt(`${at}.debrief`)}
                onChange={(e) => change(i, { debrief: e.target.value })}
              />
            )}
            <Button
              aria-label={`Take out ${c.name || 'the competition'}`}
              onClick={() => set({ competitions: competitions.filter((o) => o.id !== c.id) })}
            >
              Take out
            </Button>
          </Box>
        );
      })}
      <Button
        variant="outlined"
        onClick={() =>
          set({ competitions: [...competitions, { id: uuid(), name: '', firstDay: today, lastDay: today }] })
        }
      >
        Another competition
      </Button>
    </Box>
  );
}
