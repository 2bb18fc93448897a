import Box from '@mui/material/Box';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { onDemand } from '../../ui/onDemand';
import { Field } from '../../ui/Field';
import { keysOf } from '../../ui/format';
import { phaseOrder, phases, PhaseSign } from '../../ui/phases';
import { Sections } from '../../ui/Sections';
import { Stepper } from '../../ui/Stepper';
import type { PracticeSegment, Segment } from './benchState';
import { Instruction, Task, type PartProps } from './SegmentParts';

// Of the parts, the first is seen at once. The others, and what few segments need, come when one is opened.
const moreParts = () => import('./MoreParts');
const How = onDemand(() => moreParts().then((m) => m.How));
const ClubsAndRoutine = onDemand(() => moreParts().then((m) => m.ClubsAndRoutine));
const Aids = onDemand(() => moreParts().then((m) => m.Aids));
const Counting = onDemand(() => moreParts().then((m) => m.Counting));
const PlannedDrillFields = onDemand(() => import('./PlannedDrillFields').then((m) => m.PlannedDrillFields));
const HolesFields = onDemand(() => import('./HolesFields').then((m) => m.HolesFields));
const CallsFields = onDemand(() => import('./CallsFields').then((m) => m.CallsFields));

interface Props<S = Segment> extends PartProps<S> {
  /** Who the plan is for; no value for nobody in particular. */
  writtenFor: Schemas['PlanContextView'] | undefined;
}

const names = {
  task: 'Task',
  how: 'How',
  drill: 'Drill',
  holes: 'Holes',
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
  holes: ['play', 'place'],
  clubs: ['declaredRun'],
  aids: ['hideStages'],
  counted: ['parts', 'skill', 'criterion', 'fairwayYards', 'realFairwayYards'],
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
    <Box component="section" aria-label="Segment" sx={{ display: 'grid', gap: 1, alignContent: 'start' }}>
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
            onChange={(balls) =>
              onChange(segment.parts.length === 0 ? { balls } : { balls, parts: shared(segment.parts, balls) })
            }
            error={errorAt('balls')}
          />
        )}
        {segment.kind === 'practice' && segment.phase === 'onCourse' && !segment.play && (
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

/** The parts of a segment with more or fewer balls: the last of them takes the difference. */
function shared(parts: PracticeSegment['parts'], balls: number): PracticeSegment['parts'] {
  let left = balls - parts.reduce((sum, p) => sum + (p.balls ?? 0), 0);
  return parts
    .toReversed()
    .map((part) => {
      const next = Math.max(0, (part.balls ?? 0) + left);
      left -= next - (part.balls ?? 0);
      return { ...part, balls: next };
    })
    .toReversed();
}

/** What belongs to one phase only does not follow the segment into another. */
function phaseChange(segment: PracticeSegment, phase: PracticeSegment['phase']): Partial<PracticeSegment> {
  return {
    phase,
    bridge: phase === 'warmUp' && segment.bridge,
    holes: phase === 'onCourse' ? (segment.holes ?? 3) : null,
    play: phase === 'onCourse' ? segment.play : null,
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

function PracticeSections({
  section,
  onSection,
  ...of
}: Props<PracticeSegment> & { section: Section; onSection: (section: Section) => void }) {
  const { segment, writtenFor, errorAt, onChange } = of;
  const { drill } = segment;
  const there = keysOf(names).filter(
    (s) =>
      (s !== 'drill' || drill !== null) &&
      (s !== 'calls' || segment.phase === 'random') &&
      (s !== 'holes' ||
        (segment.phase === 'onCourse' && (drill === null || drill.drill.protocol.kind === 'repetitions'))),
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
      {shown === 'holes' && <HolesFields {...of} />}
      {shown === 'clubs' && <ClubsAndRoutine {...of} />}
      {shown === 'aids' && <Aids {...of} />}
      {shown === 'counted' && <Counting {...of} />}
      {shown === 'calls' && <CallsFields segment={segment} writtenFor={writtenFor} onChange={onChange} />}
    </Sections>
  );
}
