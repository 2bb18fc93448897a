import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { Checkbox } from '../../ui/Checkbox';
import { Chips } from '../../ui/Chips';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { areas, clubs, equipment, feedbackSources, hiddenThings, intents, places, swingSizes } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { Stepper } from '../../ui/Stepper';
import { twoOrMore, type PartProps } from './SegmentParts';

const none = { value: '', label: '–' } as const;

export function How({ segment, errorAt, onChange }: PartProps) {
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

/** Parts of a segment, such as wedges first and then the longer clubs. Their balls are the segment's. */
function MadeOf({ segment, errorAt, onChange }: PartProps) {
  const { parts } = segment;
  const set = (next: Schemas['SegmentPart'][]) =>
    onChange({
      parts: next,
      balls: next.length > 0 ? next.reduce((sum, p) => sum + (p.balls ?? 0), 0) : segment.balls,
    });
  return (
    <Box
      role="group"
      aria-label="What it is made of"
      sx={{ display: 'grid', gap: 1, gridColumn: parts.length > 0 ? '1 / -1' : 'auto' }}
    >
      {parts.map((part, i) => {
        const change = (of: Partial<Schemas['SegmentPart']>) =>
          set(parts.map((p, j) => (j === i ? { ...p, ...of } : p)));
        return (
          <Box key={i} sx={{ pl: 1.5, borderLeft: '2px solid', borderColor: 'line', display: 'grid', gap: 1 }}>
            <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-end', flexWrap: 'wrap' }}>
              <Box sx={{ flex: '1 1 160px' }}>
                <Field
                  label={`Part ${i + 1}`}
                  value={part.label}
                  error={errorAt(`parts[${i}].label`)}
                  onChange={(e) => change({ label: e.target.value })}
                />
              </Box>
              <Stepper
                label="Balls of it"
                value={part.balls ?? 0}
                most={400}
                error={errorAt(`parts[${i}].balls`)}
                onChange={(balls) => change({ balls })}
              />
              <Button onClick={() => set(parts.filter((_, j) => j !== i))} aria-label={`Take out part ${i + 1}`}>
                Take out
              </Button>
            </Box>
            <Chips
              label={`Clubs of part ${i + 1}`}
              names={clubs}
              value={part.clubs ?? []}
              onChange={(value) => change({ clubs: value })}
            />
          </Box>
        );
      })}
      {errorAt('parts') && (
        <Box role="alert" sx={{ fontSize: 13.5, color: 'error.main' }}>
          {errorAt('parts')}
        </Box>
      )}
      {parts.length < 6 && (
        <Button
          onClick={() => set([...parts, { label: '', clubs: [], balls: parts.length === 0 ? segment.balls : 0 }])}
          sx={{ justifySelf: 'start', ml: -1.25 }}
        >
          {parts.length === 0 ? 'Make parts of it' : 'Another part'}
        </Button>
      )}
    </Box>
  );
}

export function ClubsAndRoutine({ segment, errorAt, onChange }: PartProps) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Chips label="Clubs" names={clubs} value={segment.clubs} onChange={(value) => onChange({ clubs: value })} />
      <Box sx={{ display: 'flex', columnGap: 3, rowGap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        {segment.phase === 'warmUp' && (
          <Checkbox
            label="Bridge to the day’s focus"
            checked={segment.bridge}
            onChange={(bridge) => onChange({ bridge })}
          />
        )}
        <Checkbox
          label="Slow repetitions"
          checked={segment.slowRepetitions}
          onChange={(slowRepetitions) => onChange({ slowRepetitions })}
        />
        <Checkbox
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

const stageNames = ['Hide', 'Then hide', 'At last hide'];

/** What lies there, and what is not to be looked at, in stages of equal length. */
export function Aids({ segment, errorAt, onChange }: PartProps) {
  const stages = segment.hideStages;
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Chips label="Aids lying there" names={equipment} value={segment.aids} onChange={(aids) => onChange({ aids })} />
      <Box role="group" aria-label="Hidden on purpose" sx={{ display: 'grid', gap: 1 }}>
        {stages.map((stage, i) => (
          <Chips
            key={i}
            label={stages.length === 1 ? 'Hide all through' : (stageNames[i] ?? '')}
            names={hiddenThings}
            value={stage.hide ?? []}
            onChange={(hide) => onChange({ hideStages: stages.map((s, j) => (j === i ? { hide } : s)) })}
            error={errorAt(`hideStages[${i}].hide`)}
          />
        ))}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1, ml: -1.25 }}>
          {stages.length < stageNames.length && (
            <Button
              onClick={() =>
                onChange({
                  hideStages: stages.length === 0 ? [{ hide: ['numbers'] }, { hide: [] }] : [...stages, { hide: [] }],
                })
              }
            >
              {stages.length === 0 ? 'Hide something by stages' : 'Another stage'}
            </Button>
          )}
          {stages.length > 0 && (
            <Button onClick={() => onChange({ hideStages: stages.slice(0, -1) })}>Take the last stage out</Button>
          )}
        </Box>
        {stages.length > 0 && (
          <Box sx={{ color: 'text.secondary', fontSize: 14 }}>
            {stages.length > 1 && 'The stages are of equal length. '}Where nothing is chosen, all is shown.
          </Box>
        )}
        {stages.length === 0 && (segment.drill?.drill.hide ?? []).length > 0 && (
          <Box sx={{ color: 'text.secondary', fontSize: 14 }}>
            The drill hides {(segment.drill?.drill.hide ?? []).map((h) => hiddenThings[h].toLowerCase()).join(', ')} all
            through.
          </Box>
        )}
      </Box>
    </Box>
  );
}

const priorities = { 1: 'stays to the last', 2: 'as usual', 3: 'falls out first' };

/** How it is counted, how wide it is, and what becomes of it when there is less time. */
export function Counting({ segment, errorAt, onChange }: PartProps) {
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
            label="Fairway here"
            unit="yd"
            range={ranges.fairwayYards}
            optional
            value={segment.fairwayYards}
            onChange={(fairwayYards) => onChange({ fairwayYards })}
            error={errorAt('fairwayYards')}
          />
          <NumberField
            label="On the course"
            unit="yd"
            range={ranges.fairwayYards}
            optional
            value={segment.realFairwayYards}
            onChange={(realFairwayYards) => onChange({ realFairwayYards })}
            error={errorAt('realFairwayYards')}
          />
        </>
      )}
      <MadeOf {...{ segment, errorAt, onChange }} />
    </Box>
  );
}

const exits: Record<Schemas['ExitRule']['kind'], string> = {
  minutes: 'when the minutes are up',
  balls: 'when the balls are hit',
  until: 'as soon as …',
};

function Exit({ segment, errorAt, onChange }: PartProps) {
  const { exit } = segment;
  return (
    <>
      <Box sx={{ gridColumn: 'span 2' }}>
        <Choice
          label="It is over"
          value={exit.kind}
          options={optionsOf(exits)}
          onChange={(kind) => onChange({ exit: kind === 'until' ? { kind, criterion: '' } : { kind } })}
        />
      </Box>
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
