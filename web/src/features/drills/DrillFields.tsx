import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { type Schemas } from '../../api/client';
import { Chips } from '../../ui/Chips';
import { Choice, Field, optionsOf } from '../../ui/Field';
import {
  ages,
  areas,
  bodyParts,
  clubGroups,
  drawings,
  equipment,
  feedbackSources,
  hiddenThings,
  intents,
  keysOf,
  levels,
  loadWeights,
  places,
  swingSizes,
} from '../../ui/format';
import { ListField } from '../../ui/ListField';
import { NumberField } from '../../ui/NumberField';
import { phaseOrder, phases } from '../../ui/phases';
import { Stepper } from '../../ui/Stepper';
import { Checkbox } from '../../ui/Checkbox';
import { ProtocolFields } from './ProtocolFields';
import { type Drill } from './queries';

interface PartProps {
  drill: Drill;
  set: (part: Partial<Drill>) => void;
  errorAt: (path: string) => string | undefined;
}

/** What a drill is called, what it is for and how it is set up. */
export function Words({ drill, set, errorAt }: PartProps) {
  return (
    <>
      <Field label="Name" value={drill.name} error={errorAt('name')} onChange={(e) => set({ name: e.target.value })} />
      <Field
        label="What it is for"
        value={drill.purpose}
        error={errorAt('purpose')}
        onChange={(e) => set({ purpose: e.target.value })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, gap: 2 }}>
        <Choice label="Area" value={drill.area} options={optionsOf(areas)} onChange={(area) => set({ area })} />
        <Field
          label="Skill"
          placeholder="start line, pace, reading …"
          value={drill.skill}
          error={errorAt('skill')}
          onChange={(e) => set({ skill: e.target.value })}
        />
      </Box>
      <Field
        label="What counts as a success"
        value={drill.criterion}
        error={errorAt('criterion')}
        onChange={(e) => set({ criterion: e.target.value })}
      />
      <Field
        label="Set-up"
        multiline
        minRows={3}
        value={drill.setUp}
        error={errorAt('setUp')}
        onChange={(e) => set({ setUp: e.target.value })}
      />
      <ListField
        label="Cues, a line each"
        hint="In lead and trail words, one thought each."
        value={drill.cues ?? []}
        error={errorAt('cues')}
        onChange={(cues) => set({ cues })}
      />
      <ListField
        label="Cautions, a line each"
        value={drill.cautions ?? []}
        error={errorAt('cautions')}
        onChange={(cautions) => set({ cautions })}
      />
      <Field
        label="When the place is crowded"
        value={drill.whenCrowded ?? ''}
        error={errorAt('whenCrowded')}
        onChange={(e) => set({ whenCrowded: e.target.value })}
      />
    </>
  );
}

const phaseNames = Object.fromEntries(phaseOrder.map((p) => [p, phases[p].name])) as Record<Schemas['Phase'], string>;
const none = { value: '', label: '–' } as const;

/** Where, in which phases and with what it is done. */
export function Where({ drill, set, errorAt }: PartProps) {
  return (
    <>
      <Chips
        label="Phases it suits"
        names={phaseNames}
        value={drill.phases}
        error={errorAt('phases')}
        onChange={(value) => set({ phases: value })}
      />
      <Chips
        label="Intents"
        names={intents}
        value={drill.intents}
        error={errorAt('intents')}
        onChange={(value) => set({ intents: value })}
      />
      <Chips
        label="Places"
        names={places}
        value={drill.places}
        error={errorAt('places')}
        onChange={(value) => set({ places: value })}
      />
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
        <Stepper
          label="Usual minutes"
          value={drill.usualMinutes}
          least={1}
          most={240}
          error={errorAt('usualMinutes')}
          onChange={(usualMinutes) => set({ usualMinutes })}
        />
        <Stepper
          label="Usual balls"
          value={drill.usualBalls ?? 0}
          most={400}
          error={errorAt('usualBalls')}
          onChange={(usualBalls) => set({ usualBalls })}
        />
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))', gap: 2 }}>
        <Choice
          label="Clubs"
          value={drill.clubGroup ?? 'any'}
          options={optionsOf(clubGroups)}
          onChange={(clubGroup) => set({ clubGroup })}
        />
        <Choice
          label="Swing"
          value={drill.swing ?? ''}
          options={[none, ...optionsOf(swingSizes)]}
          onChange={(swing) => set({ swing: swing || null })}
        />
        <Choice
          label="Feedback from"
          value={drill.feedback ?? ''}
          options={[none, ...optionsOf(feedbackSources)]}
          onChange={(feedback) => set({ feedback: feedback || null })}
        />
        <Choice
          label="Drawing"
          value={drill.drawing ?? 'none'}
          options={optionsOf(drawings)}
          onChange={(drawing) =>
            set({
              drawing,
              gateMillimetres: drawing === 'gate' ? (drill.gateMillimetres ?? null) : null,
              gateCentimetresAhead: drawing === 'gate' ? (drill.gateCentimetresAhead ?? null) : null,
            })
          }
        />
        {drill.drawing === 'gate' && (
          <NumberField
            label="In front of the ball"
            unit="cm"
            optional
            value={drill.gateCentimetresAhead}
            error={errorAt('gateCentimetresAhead')}
            onChange={(gateCentimetresAhead) => set({ gateCentimetresAhead })}
          />
        )}
        {drill.drawing === 'gate' && (
          <NumberField
            label="Gate"
            unit="mm"
            optional
            value={drill.gateMillimetres}
            error={errorAt('gateMillimetres')}
            onChange={(gateMillimetres) => set({ gateMillimetres })}
          />
        )}
      </Box>
      <Chips
        label="Levels it suits; none for all"
        names={levels}
        value={drill.levels ?? []}
        onChange={(value) => set({ levels: value })}
      />
      <Chips
        label="Ages it suits; none for all"
        names={ages}
        value={drill.ages ?? []}
        onChange={(value) => set({ ages: value })}
      />
      <Chips
        label="Hide while practising"
        names={hiddenThings}
        value={drill.hide ?? []}
        onChange={(hide) => set({ hide })}
      />
      <Checkbox
        label="Its repetitions count towards a swing change"
        checked={drill.countsTowardsSwingChange ?? false}
        onChange={(countsTowardsSwingChange) => set({ countsTowardsSwingChange })}
      />
    </>
  );
}

/** What it needs, and what would do instead. */
export function Equipment({ drill, set, errorAt }: PartProps) {
  const needs = drill.equipment ?? [];
  return (
    <>
      <Chips
        label="Needs"
        names={equipment}
        value={needs.map((n) => n.item)}
        error={errorAt('equipment')}
        onChange={(items) =>
          set({ equipment: items.map((item) => needs.find((n) => n.item === item) ?? { item, substitute: '' }) })
        }
      />
      {needs.map((need, i) => {
        const change = (part: Partial<typeof need>) =>
          set({ equipment: needs.map((n) => (n === need ? { ...n, ...part } : n)) });
        return (
          <Box key={need.item} sx={{ pl: 1.5, borderLeft: '2px solid', borderColor: 'line' }}>
            <Chips
              label={`Instead of ${equipment[need.item].toLowerCase()} as well`}
              names={equipment}
              value={need.or ?? []}
              error={errorAt(`equipment[${i}].or`)}
              onChange={(or) => change({ or })}
            />
            <Field
              label={`Instead of ${equipment[need.item].toLowerCase()}, at home`}
              placeholder="nothing does"
              value={need.substitute ?? ''}
              error={errorAt(`equipment[${i}].substitute`)}
              onChange={(e) => change({ substitute: e.target.value })}
            />
          </Box>
        );
      })}
    </>
  );
}

/** The parts of the body it loads, each on the side and with the weight that it does. */
export function Body({ drill, set }: Omit<PartProps, 'errorAt'>) {
  const loads = drill.loads ?? [];
  return (
    <>
      {keysOf(loadWeights).map((weight) => (
        <Chips
          key={weight}
          label={`Asks ${loadWeights[weight]} of`}
          names={bodyParts}
          value={[...new Set(loads.filter((l) => (l.weight ?? 'heavy') === weight).map((l) => l.part))]}
          onChange={(parts) => {
            const isOf = (l: Load) => (l.weight ?? 'heavy') === weight;
            set({
              loads: [
                ...loads.filter((l) => !isOf(l) || parts.includes(l.part)),
                ...parts
                  .filter((part) => !loads.some((l) => isOf(l) && l.part === part))
                  .map((part) => ({ part, weight })),
              ],
            });
          }}
        />
      ))}
    </>
  );
}

type Load = Schemas['BodyLoad'];

/** Its ladder from easy to hard. */
export function LadderFields({
  drill,
  set,
  suggested,
  measures,
  errorAt,
}: PartProps & { suggested: Schemas['Rung'][]; measures: Schemas['MeasureKind'][] }) {
  const ladder = drill.ladder ?? [];
  return (
    <Box role="group" aria-label="Ladder">
      <Box sx={{ fontSize: 14, fontWeight: 620, mb: 0.5 }}>Ladder, from easy to hard</Box>
      {ladder.map((rung, i) => (
        <Box key={i} sx={{ mb: 1 }}>
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'end' }}>
            <Box sx={{ flex: 1 }}>
              <Field
                label={`Step ${i + 1}`}
                value={rung.name}
                error={errorAt(`ladder[${i}].name`)}
                onChange={(e) => set({ ladder: ladder.map((r, j) => (j === i ? { ...r, name: e.target.value } : r)) })}
              />
            </Box>
            <Button
              onClick={() => set({ ladder: ladder.filter((_, j) => j !== i) })}
              aria-label={`Take out step ${i + 1}`}
            >
              Take out
            </Button>
          </Box>
          <StepGoal
            goal={rung.goal ?? null}
            measures={measures}
            error={errorAt(`ladder[${i}].goal.measure`) ?? errorAt(`ladder[${i}].goal.limit`)}
            onChange={(goal) => set({ ladder: ladder.map((r, j) => (j === i ? { ...r, goal } : r)) })}
          />
          <details>
            <summary style={{ cursor: 'pointer' }}>Its parameters</summary>
            <ProtocolFields
              protocol={rung.protocol}
              path={`ladder[${i}].protocol`}
              errorAt={errorAt}
              onChange={(protocol) => set({ ladder: ladder.map((r, j) => (j === i ? { ...r, protocol } : r)) })}
            />
          </details>
        </Box>
      ))}
      <Button
        variant="outlined"
        size="small"
        onClick={() => set({ ladder: [...ladder, { name: `Step ${ladder.length + 1}`, protocol: drill.protocol }] })}
      >
        Another step
      </Button>
      {suggested.length > 0 && ladder.length === 0 && (
        <Button size="small" onClick={() => set({ ladder: suggested })}>
          Suggest {suggested.length} steps
        </Button>
      )}
      {errorAt('ladder') && (
        <Box role="alert" sx={{ fontSize: 13.5, mt: 0.5, color: 'error.main' }}>
          {errorAt('ladder')}
        </Box>
      )}
    </Box>
  );
}

/** What is usually asked on a step. */
function StepGoal({
  goal,
  measures,
  error,
  onChange,
}: {
  goal: Schemas['DrillGoal'] | null;
  measures: Schemas['MeasureKind'][];
  error: string | undefined;
  onChange: (goal: Schemas['DrillGoal'] | null) => void;
}) {
  const asked = measures.filter((m) => m.better !== 'none');
  if (asked.length === 0) return null;
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 110px', gap: 1.5, mt: 1 }}>
      <Choice
        label="Usual goal in"
        value={goal?.measure ?? ''}
        options={[none, ...asked.map((m) => ({ value: m.name, label: m.label }))]}
        error={error}
        onChange={(measure) => onChange(measure === '' ? null : { measure, limit: goal?.limit ?? 0 })}
      />
      {goal && (
        <NumberField
          label={asked.find((m) => m.name === goal.measure)?.better === 'lower' ? 'At most' : 'At least'}
          value={goal.limit}
          onChange={(limit) => onChange({ ...goal, limit: limit ?? 0 })}
        />
      )}
    </Box>
  );
}
