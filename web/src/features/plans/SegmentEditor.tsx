import Box from '@mui/material/Box';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Chips } from '../../ui/Chips';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { areas, clubs, equipment, feedbackSources, intents, keysOf, places, swingSizes } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { phaseOrder, phases, PhaseSign } from '../../ui/phases';
import { Sections } from '../../ui/Sections';
import { Stepper } from '../../ui/Stepper';
import { Tick } from '../../ui/Tick';
import { CallsFields } from './CallsFields';
import type { PracticeSegment, Segment } from './draft';
import { PlannedDrillFields } from './PlannedDrillFields';

interface Props {
  segment: Segment;
  /** Who the plan is for; none for nobody in particular. */
  writtenFor: Schemas['PlanContextView'] | undefined;
  errorAt: (field: string) => string | undefined;
  onChange: (to: Partial<PracticeSegment>) => void;
}

const names = {
  task: 'Task',
  how: 'How',
  drill: 'Drill',
  clubs: 'Clubs',
  aids: 'Aids',
  counted: 'Counting',
  calls: 'Calls',
};
type Section = keyof typeof names;

/** Where each field stands, so that a part that is not shown says when something in it has to be mended. */
const fieldsOf: Record<Section, string[]> = {
  task: ['instruction', 'cue', 'focus'],
  how: ['exit.criterion'],
  drill: ['drill.rung', 'drill.goal.measure', 'drill.goal.limit', 'drill.modifiers.effortPercent'],
  clubs: ['declaredRun'],
  aids: [],
  counted: ['skill', 'criterion', 'fairwayYards', 'realFairwayYards'],
  calls: [],
};

/**
 * Everything about the segment in hand, in parts that are seen whole: what it is called and how long on top, then one part at a
 * time. The part stays from one segment to the next.
 */
export function SegmentEditor(props: Props) {
  const [section, setSection] = useState<Section>('task');
  return <Fields key={props.segment.id} {...props} section={section} onSection={setSection} />;
}

function Fields({
  segment,
  writtenFor,
  errorAt,
  onChange,
  section,
  onSection,
}: Props & { section: Section; onSection: (section: Section) => void }) {
  return (
    <Box component="section" aria-label="Segment" sx={{ display: 'grid', gap: 1.5, alignContent: 'start' }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 1.5, alignItems: 'flex-start' }}>
        <Box sx={{ flex: '1 1 180px' }}>
          <Field
            label="Segment"
            value={segment.title}
            onChange={(e) => onChange({ title: e.target.value })}
            error={errorAt('title')}
          />
        </Box>
        <Stepper
          label="Minutes"
          value={segment.minutes}
          least={1}
          most={240}
          onChange={(minutes) => onChange({ minutes })}
          error={errorAt('minutes')}
        />
        {segment.kind === 'practice' && (
          <Stepper
            label="Balls"
            value={segment.balls}
            most={400}
            onChange={(balls) => onChange({ balls })}
            error={errorAt('balls')}
          />
        )}
        {segment.kind === 'practice' && segment.phase === 'onCourse' && (
          <Stepper
            label="Holes"
            value={segment.holes ?? 0}
            most={18}
            onChange={(holes) => onChange({ holes: holes > 0 ? holes : null })}
            error={errorAt('holes')}
          />
        )}
      </Box>
      {segment.kind === 'practice' ? (
        <>
          <PhaseChoice value={segment.phase} onChange={(phase) => onChange(phaseChange(segment, phase))} />
          <PracticeSections {...{ segment, writtenFor, errorAt, onChange, section, onSection }} />
        </>
      ) : (
        <Instruction {...{ segment, errorAt, onChange }} />
      )}
    </Box>
  );
}

function Instruction({ segment, errorAt, onChange }: Pick<Props, 'segment' | 'errorAt' | 'onChange'>) {
  return (
    <Field
      label="What to do"
      multiline
      minRows={2}
      value={segment.instruction}
      onChange={(e) => onChange({ instruction: e.target.value })}
      error={errorAt('instruction')}
    />
  );
}

/** What belongs to one phase only does not follow the segment into another. */
function phaseChange(segment: PracticeSegment, phase: PracticeSegment['phase']): Partial<PracticeSegment> {
  return {
    phase,
    bridge: phase === 'warmUp' && segment.bridge,
    holes: phase === 'onCourse' ? (segment.holes ?? 3) : null,
  };
}

function PhaseChoice({
  value,
  onChange,
}: {
  value: PracticeSegment['phase'];
  onChange: (phase: PracticeSegment['phase']) => void;
}) {
  return (
    <Box
      role="radiogroup"
      aria-label="Phase"
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(4, auto)' }, gap: 0.5, fontSize: 14.5 }}
    >
      {phaseOrder.map((phase) => (
        <Box
          component="label"
          key={phase}
          sx={{
            display: 'flex',
            alignItems: 'center',
            justifyContent: 'center',
            gap: 0.75,
            height: 40,
            borderRadius: 1,
            cursor: 'pointer',
            border: '1.5px solid',
            borderColor: value === phase ? phases[phase].line : 'line',
            bgcolor: value === phase ? phases[phase].tint : 'background.paper',
            color: value === phase ? '#1c1c1c' : 'text.primary',
            fontWeight: value === phase ? 650 : 500,
            '&:has(:focus-visible)': { outline: '3px solid', outlineColor: 'text.primary', outlineOffset: 2 },
          }}
        >
          <input
            type="radio"
            name="phase"
            checked={value === phase}
            onChange={() => onChange(phase)}
            style={{ position: 'absolute', opacity: 0 }}
          />
          <PhaseSign phase={phase} size={18} />
          {phases[phase].name}
        </Box>
      ))}
    </Box>
  );
}

const none = { value: '', label: '–' } as const;

type PracticeProps = Omit<Props, 'segment'> & { segment: PracticeSegment };

function PracticeSections({
  section,
  onSection,
  ...of
}: PracticeProps & { section: Section; onSection: (section: Section) => void }) {
  const { segment, writtenFor, errorAt, onChange } = of;
  const { drill } = segment;
  const there = keysOf(names).filter(
    (s) => (s !== 'drill' || drill !== null) && (s !== 'calls' || segment.phase === 'random'),
  );
  const shown = there.includes(section) ? section : 'task';
  return (
    <Sections
      label="Parts"
      sections={there.map((value) => ({
        value,
        name: names[value],
        hasError: fieldsOf[value].some((field) => errorAt(field) !== undefined),
      }))}
      value={shown}
      onChange={onSection}
    >
      {shown === 'task' && <Task {...of} />}
      {shown === 'how' && <How {...of} />}
      {shown === 'drill' && drill && (
        <PlannedDrillFields
          planned={drill}
          errorAt={(field) => errorAt(`drill.${field}`)}
          onChange={(planned) => onChange({ drill: planned })}
        />
      )}
      {shown === 'clubs' && <ClubsAndRoutine {...of} />}
      {shown === 'aids' && (
        <Chips
          label="Aids lying there"
          names={equipment}
          value={segment.aids}
          onChange={(aids) => onChange({ aids })}
        />
      )}
      {shown === 'counted' && <Counting {...of} />}
      {shown === 'calls' && <CallsFields segment={segment} writtenFor={writtenFor} onChange={onChange} />}
    </Sections>
  );
}

const twoOrMore = { display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))', gap: 1.5 } as const;

function Task({ segment, errorAt, onChange }: PracticeProps) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Instruction {...{ segment, errorAt, onChange }} />
      <Box sx={twoOrMore}>
        <Field
          label="Cue"
          hint="One thought, in lead and trail words."
          value={segment.cue}
          onChange={(e) => onChange({ cue: e.target.value })}
          error={errorAt('cue')}
        />
        {segment.intent === 'technique' && (
          <Field
            label="Focus"
            placeholder="Keep it going"
            value={segment.focus}
            onChange={(e) => onChange({ focus: e.target.value })}
            error={errorAt('focus')}
          />
        )}
      </Box>
    </Box>
  );
}

function How({ segment, errorAt, onChange }: PracticeProps) {
  return (
    <Box sx={twoOrMore}>
      <Choice
        label="Intent"
        value={segment.intent}
        options={optionsOf(intents)}
        onChange={(intent) => onChange({ intent })}
      />
      <Choice
        label="Area"
        value={segment.area ?? ''}
        options={[none, ...optionsOf(areas)]}
        onChange={(area) => onChange({ area: area || null })}
      />
      <Choice
        label="Place"
        value={segment.place}
        options={optionsOf(places)}
        onChange={(place) => onChange({ place })}
      />
      <Choice
        label="Feedback from"
        value={segment.feedback ?? ''}
        options={[none, ...optionsOf(feedbackSources)]}
        onChange={(feedback) => onChange({ feedback: feedback || null })}
      />
      <Exit {...{ segment, errorAt, onChange }} />
    </Box>
  );
}

function ClubsAndRoutine({ segment, errorAt, onChange }: PracticeProps) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Chips label="Clubs" names={clubs} value={segment.clubs} onChange={(value) => onChange({ clubs: value })} />
      <Box sx={{ display: 'flex', columnGap: 3, rowGap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        {segment.phase === 'warmUp' && (
          <Tick
            label="Bridge to the day’s focus"
            checked={segment.bridge}
            onChange={(bridge) => onChange({ bridge })}
          />
        )}
        <Tick
          label="Slow repetitions"
          checked={segment.slowRepetitions}
          onChange={(slowRepetitions) => onChange({ slowRepetitions })}
        />
        <Tick
          label="Full routine"
          checked={segment.fullRoutine}
          onChange={(fullRoutine) => onChange({ fullRoutine })}
        />
        {segment.phase === 'random' && (
          <Stepper
            label="Same call in a row"
            value={segment.declaredRun ?? 1}
            least={1}
            most={5}
            onChange={(run) => onChange({ declaredRun: run > 1 ? run : null })}
            error={errorAt('declaredRun')}
          />
        )}
      </Box>
    </Box>
  );
}

const priorities = { 1: 'stays to the last', 2: 'as usual', 3: 'falls out first' };

/** How it is counted, how wide it is, and what becomes of it when there is less time. */
function Counting({ segment, errorAt, onChange }: PracticeProps) {
  return (
    <Box sx={twoOrMore}>
      <Field
        label="Skill"
        placeholder={segment.drill?.drill.skill ?? ''}
        value={segment.skill}
        onChange={(e) => onChange({ skill: e.target.value })}
        error={errorAt('skill')}
      />
      <Field
        label="What counts as a success"
        placeholder={segment.drill?.drill.criterion ?? ''}
        value={segment.criterion}
        onChange={(e) => onChange({ criterion: e.target.value })}
        error={errorAt('criterion')}
      />
      <Choice
        label="With less time"
        value={String(segment.priority)}
        options={optionsOf(priorities as Record<string, string>)}
        onChange={(priority) => onChange({ priority: Number(priority) })}
      />
      <Choice
        label="Swing"
        value={segment.swing ?? ''}
        options={[none, ...optionsOf(swingSizes)]}
        onChange={(swing) => onChange({ swing: swing || null })}
      />
      {segment.phase === 'onCourse' && (
        <>
          <NumberField
            label="Fairway here, yd"
            optional
            value={segment.fairwayYards}
            onChange={(fairwayYards) => onChange({ fairwayYards })}
            error={errorAt('fairwayYards')}
          />
          <NumberField
            label="On the course, yd"
            optional
            value={segment.realFairwayYards}
            onChange={(realFairwayYards) => onChange({ realFairwayYards })}
            error={errorAt('realFairwayYards')}
          />
        </>
      )}
    </Box>
  );
}

const exits: Record<Schemas['ExitRule']['kind'], string> = {
  minutes: 'when the minutes are up',
  balls: 'when the balls are hit',
  until: 'as soon as …',
};

function Exit({ segment, errorAt, onChange }: Omit<PracticeProps, 'writtenFor'>) {
  const { exit } = segment;
  return (
    <>
      <Choice
        label="It is over"
        value={exit.kind}
        options={optionsOf(exits)}
        onChange={(kind) => onChange({ exit: kind === 'until' ? { kind, criterion: '' } : { kind } })}
      />
      {exit.kind === 'until' && (
        <Field
          label="Aim"
          placeholder="contact is centred three times running"
          value={exit.criterion}
          onChange={(e) => onChange({ exit: { kind: 'until', criterion: e.target.value } })}
          error={errorAt('exit.criterion')}
          hint={segment.balls > 0 ? `At most ${segment.balls} balls.` : `At most ${segment.minutes} min.`}
        />
      )}
    </>
  );
}
