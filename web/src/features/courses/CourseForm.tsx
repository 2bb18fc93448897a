import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { ranges } from '../../api/ranges';
import { Problem, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { lengthUnits, pinDepths, pinSides, sides, troubles } from '../../ui/format';
import { LocalDraftNotices } from '../../ui/LocalDraftNotices';
import { NumberField } from '../../ui/NumberField';
import { ErrorNotice, Key } from '../../ui/states';
import { useLocalDraft } from '../../ui/useLocalDraft';
import { HoleDrawing } from './HoleDrawing';
import { HoleTable } from './HoleTable';
import { copyAfter, freshHole, mirrored } from './holes';
import { useRemoveCourse, useSaveCourse, type Course, type Hole } from './queries';

type CourseView = Schemas['CourseView'];

interface Props {
  id: string;
  /** No value for a course that is not saved yet. */
  view: CourseView | undefined;
  onSaved: () => void;
  onGone: () => void;
}

const none = { value: '', label: '–' } as const;
const units = { yards: lengthUnits.yards, metres: lengthUnits.metres } as const;

/** Writes a course: a table of holes to type through, and the hole in hand drawn beside it. */
export function CourseForm({ id, view, onSaved, onGone }: Props) {
  const start: Course = view?.course ?? { name: '', tees: ['Middle'], holes: [freshHole(4, 1)] };
  const draft = useLocalDraft(`course-${view ? id : 'new'}`, start, view?.version);
  const { content: course, set } = draft;
  const [at, setAt] = useState(0);
  const save = useSaveCourse(id);
  const remove = useRemoveCourse();
  const problem = save.error instanceof Problem ? save.error : undefined;
  const newer = problem?.status === 412 ? (problem.current as CourseView) : undefined;
  const errorAt = (path: string) => problem?.fieldError(path);
  const submit = (version: number | undefined) =>
    save.mutate(
      { course, version },
      {
        onSuccess: (saved) => {
          draft.take(saved.course, saved.version);
          onSaved();
        },
      },
    );
  useKeys({ 'Ctrl+s': () => submit(draft.version) });
  const shown = Math.min(at, course.holes.length - 1);
  const hole = course.holes[shown];
  const setHoles = (holes: Hole[]) => set({ holes });
  const change = (index: number, part: Partial<Hole>) =>
    setHoles(course.holes.map((h, i) => (i === index ? { ...h, ...part } : h)));
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e: React.SyntheticEvent) => {
        e.preventDefault();
        submit(draft.version);
      }}
      sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}
    >
      <Box
        sx={{ display: 'grid', gridTemplateColumns: { sm: '2fr 2fr 120px auto auto' }, gap: 1.5, alignItems: 'end' }}
      >
        <Field
          label="Name"
          value={course.name}
          error={errorAt('name')}
          onChange={(e) => set({ name: e.target.value })}
        />
        <Field
          label="Tees, the longest first, with commas between"
          value={course.tees.join(', ')}
          error={errorAt('tees') ?? course.tees.map((_, i) => errorAt(`tees[${i}]`)).find(Boolean)}
          onChange={(e) => {
            const tees = e.target.value.split(',').map((t) => t.trimStart());
            set({
              tees,
              holes: course.holes.map((h) => ({
                ...h,
                lengths: tees.map((_, i) => h.lengths[i] ?? h.lengths.at(-1) ?? 0),
              })),
            });
          }}
        />
        <Choice
          label="Unit"
          value={course.unit ?? 'yards'}
          options={optionsOf(units)}
          onChange={(unit) => set({ unit })}
        />
        {view ? (
          <Button
            onClick={() =>
              remove.mutate({ id, name: view.course.name, version: view.version }, { onSuccess: () => onGone() })
            }
            disabled={remove.isPending}
          >
            Delete course
          </Button>
        ) : (
          <Button onClick={onGone}>Cancel</Button>
        )}
        <Button type="submit" variant="contained" disabled={save.isPending || (view !== undefined && !draft.isDirty)}>
          Save<Key>Ctrl S</Key>
        </Button>
      </Box>
      <LocalDraftNotices
        wasRestored={draft.wasRestored}
        wasDropped={draft.wasDropped}
        onDiscard={draft.discard}
        isStale={newer !== undefined}
        onTakeTheirs={() => {
          if (newer) draft.take(newer.course, newer.version);
          save.reset();
        }}
        onOverwrite={() => submit(newer?.version ?? draft.version)}
      />
      {save.error && !newer && <ErrorNotice error={save.error} />}
      {remove.error && <ErrorNotice error={remove.error} />}
      <Box sx={{ display: 'grid', gridTemplateColumns: { lg: 'minmax(0, 1fr) 300px' }, gap: 3, alignItems: 'start' }}>
        <Box sx={{ minWidth: 0 }}>
          <HoleTable
            course={course}
            at={shown}
            errorAt={errorAt}
            onAt={setAt}
            onChange={change}
            onAdd={() => {
              setHoles([...course.holes, freshHole(4, course.tees.length)]);
              setAt(course.holes.length);
            }}
          />
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1 }}>
            <Button
              disabled={!hole}
              onClick={() => {
                setHoles(copyAfter(course.holes, shown));
                setAt(shown + 1);
              }}
            >
              Copy this hole
            </Button>
            <Button disabled={!hole} onClick={() => hole && change(shown, mirrored(hole))}>
              Turn it round
            </Button>
            <Button
              disabled={course.holes.length < 2}
              onClick={() => setHoles(course.holes.filter((_, i) => i !== shown))}
            >
              Leave it out
            </Button>
          </Box>
        </Box>
        {hole && (
          <Box component="section" aria-label={`Hole ${shown + 1}`} sx={{ display: 'grid', gap: 1.5 }}>
            <HoleDrawing
              hole={{ ...hole, length: hole.lengths[0] ?? 0, across: hole.across ?? null }}
              label={`Hole ${shown + 1}, par ${hole.par}, ${hole.lengths[0] ?? 0} ${lengthUnits[course.unit ?? 'yards']}`}
            />
            <Green
              hole={hole}
              errorAt={(path) => errorAt(`holes[${shown}].${path}`)}
              onChange={(part) => change(shown, part)}
            />
          </Box>
        )}
      </Box>
    </Box>
  );
}

/** What the table has no room for: the green, what lies around it, the pin, the slope. */
function Green({
  hole,
  errorAt,
  onChange,
}: {
  hole: Hole;
  errorAt: (path: string) => string | undefined;
  onChange: (part: Partial<Hole>) => void;
}) {
  const green = hole.green ?? {};
  const pin = hole.pin ?? {};
  const around = [
    ['left', 'Left of it'],
    ['right', 'Right of it'],
    ['front', 'In front'],
    ['back', 'Behind'],
  ] as const;
  return (
    <Box role="group" aria-label="Green" sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
      <NumberField
        label="Green width"
        range={ranges.greenSize}
        value={green.width ?? 25}
        error={errorAt('green.width')}
        onChange={(n) => onChange({ green: { ...green, width: n ?? 25 } })}
      />
      <NumberField
        label="Green depth"
        range={ranges.greenSize}
        value={green.depth ?? 25}
        error={errorAt('green.depth')}
        onChange={(n) => onChange({ green: { ...green, depth: n ?? 25 } })}
      />
      {around.map(([side, label]) => (
        <Choice
          key={side}
          label={label}
          value={green[side] ?? ''}
          options={[none, ...optionsOf(troubles)]}
          onChange={(kind) => onChange({ green: { ...green, [side]: kind || null } })}
        />
      ))}
      <Choice
        label="Pin, across"
        value={pin.side ?? 'middle'}
        options={optionsOf(pinSides)}
        onChange={(side) => onChange({ pin: { ...pin, side } })}
      />
      <Choice
        label="Pin, deep"
        value={pin.depth ?? 'middle'}
        options={optionsOf(pinDepths)}
        onChange={(depth) => onChange({ pin: { ...pin, depth } })}
      />
      <Choice
        label="Safe side"
        value={hole.safeSide ?? ''}
        options={[none, ...optionsOf(sides)]}
        onChange={(side) => onChange({ safeSide: side || null })}
      />
      <NumberField
        label="Plays longer by"
        unit="%"
        whole
        range={ranges.longerPercent}
        value={hole.playsLongerPercent ?? 0}
        error={errorAt('playsLongerPercent')}
        onChange={(n) => onChange({ playsLongerPercent: n ?? 0 })}
      />
    </Box>
  );
}
