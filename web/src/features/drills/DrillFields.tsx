import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { type Schemas } from '../../api/client';
import { Chips } from '../../ui/Chips';
import { Choice, Field, optionsOf } from '../../ui/Field';
import {
  areas,
  bodyParts,
  clubGroups,
  drawings,
  equipment,
  feedbackSources,
  hiddenThings,
  intents,
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
            set({ drawing, gateMillimetres: drawing === 'gate' ? (drill.gateMillimetres ?? null) : null })
          }
        />
        {drill.drawing === 'gate' && (
          <NumberField
            label="Gate, mm"
            optional
            value={drill.gateMillimetres}
            error={errorAt('gateMillimetres')}
            onChange={(gateMillimetres) => set({ gateMillimetres })}
          />
        )}
      </Box>
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
      {needs.map((need, i) => (
        <Field
          key={need.item}
          label={`Instead of ${equipment[need.item].toLowerCase()}, at home`}
          placeholder="nothing does"
          value={need.substitute ?? ''}
          error={errorAt(`equipment[${i}].substitute`)}
          onChange={(e) =>
            set({ equipment: needs.map((n) => (n === need ? { ...n, substitute: e.target.value } : n)) })
          }
        />
      ))}
    </>
  );
}

/** The parts of the body it loads. */
export function Body({ drill, set }: Omit<PartProps, 'errorAt'>) {
  const loads = drill.loads ?? [];
  return (
    <Chips
      label="Parts of the body it loads"
      names={bodyParts}
      value={loads.map((l) => l.part)}
      onChange={(parts) => set({ loads: parts.map((part) => loads.find((l) => l.part === part) ?? { part }) })}
    />
  );
}

/** Its ladder from easy to hard. */
export function LadderFields({ drill, set, suggested, errorAt }: PartProps & { suggested: Schemas['Rung'][] }) {
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
