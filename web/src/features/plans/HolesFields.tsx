import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ranges as fieldRanges } from '../../api/ranges';
import { answer, api, type Schemas } from '../../api/client';
import { beginnings } from '../../api/beginnings';
import { planKeys } from '../../api/queryKeys';
import { Choice, optionsOf } from '../../ui/Field';
import { bends, lengthUnits, minutes, pinSides } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { ErrorNotice } from '../../ui/states';
import { Stepper } from '../../ui/Stepper';
import { useCourses } from '../courses/queries';
import { HoleDrawing } from '../courses/HoleDrawing';
import { drawnOf } from '../drills/HolePicture';
import { usePlaces } from '../places/queries';
import type { PracticeSegment } from './benchState';
import type { PartProps } from './SegmentParts';

type Play = Schemas['HolesToPlay'];
type HoleToPlay = Schemas['HoleToPlay'];

const most = 18;
const none = { value: '', label: '–' } as const;

const ways = { wholeHoles: 'Whole holes', teeShots: 'Tee shots only' } as const;
const putting = { holingOut: 'Holed out', expected: 'Expected (≈)' } as const;

interface Props extends PartProps {
  writtenFor: Schemas['PlanContextView'] | undefined;
}

/** Which holes a segment plays, and how they lie for whom the plan is written. */
export function HolesFields({ segment, writtenFor, errorAt, onChange }: Props) {
  const courses = useCourses();
  const places = usePlaces();
  const [at, setAt] = useState(0);
  const play: Play = segment.play ?? { holes: [] };
  const set = (part: Partial<Play>) => {
    const next = { ...play, ...part };
    onChange(
      next.holes.length === 0 ? { play: null, holes: null } : { play: next, holes: next.holes.length, place: 'range' },
    );
  };
  const add = (...holes: HoleToPlay[]) => {
    set({ holes: [...play.holes, ...holes].slice(0, most) });
    setAt(Math.min(most - 1, play.holes.length));
  };
  const change = (index: number, hole: HoleToPlay) =>
    set({ holes: play.holes.map((h, i) => (i === index ? hole : h)) });
  const ranges = (places.data ?? []).filter((p) => p.place.kind === 'range');
  const shown = Math.min(at, play.holes.length - 1);
  const hole = play.holes[shown];
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Box component="span" sx={{ color: 'text.secondary' }}>
          Quick hole
        </Box>
        {beginnings.holes.quick.map(({ par, usuallyLeft }) => (
          <Button
            key={par}
            variant="outlined"
            disabled={play.holes.length >= most}
            onClick={() => add({ kind: 'quick', par, usuallyLeft })}
          >
            Par {par}
          </Button>
        ))}
        {play.holes.length > 0 && <Button onClick={() => set({ holes: [] })}>No holes</Button>}
      </Box>
      {courses.error && <ErrorNotice error={courses.error} onRetry={() => void courses.refetch()} />}
      {courses.data?.map(({ id, course }) => (
        <Box key={id} sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center' }}>
          <Box component="span" sx={{ color: 'text.secondary', mr: 0.5 }}>
            {course.name}
          </Box>
          {course.holes.map((drawn, i) => (
            <Button
              key={i}
              variant="outlined"
              aria-label={`Hole ${i + 1} of ${course.name}, par ${drawn.par}`}
              disabled={play.holes.length >= most || (play.courseId != null && play.courseId !== id)}
              onClick={() => {
                const tee = Math.min(play.teeIndex ?? 0, course.tees.length - 1);
                set({
                  courseId: id,
                  course: course.name,
                  unit: course.unit ?? 'yards',
                  tee: course.tees[tee] ?? '',
                  teeIndex: tee,
                  holes: [...play.holes, { kind: 'drawn', number: i + 1, hole: drawn }],
                });
                setAt(play.holes.length);
              }}
              sx={{ minWidth: 36, px: 0.5 }}
            >
              {i + 1}
            </Button>
          ))}
        </Box>
      ))}
      {play.holes.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Choose holes, and they are played shot by shot at the bay, with a card at the end. Without any, the
          instruction stands alone.
        </Typography>
      )}
      {hole && (
        <>
          <HoleList holes={play.holes} at={shown} onAt={setAt} />
          <OneHole
            key={shown}
            hole={hole}
            errorAt={(field) => errorAt(`play.holes[${shown}].${field}`)}
            onChange={(to) => change(shown, to)}
            onAgain={() => add(hole)}
            onOtherPins={() => add(...withOtherPins(hole))}
            onRemove={() => set({ holes: play.holes.filter((_, i) => i !== shown) })}
            isFull={play.holes.length >= most}
          />
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(180px, 1fr))', gap: 1.5 }}>
            <Choice
              label="What counts"
              value={play.way ?? 'wholeHoles'}
              options={optionsOf(ways)}
              error={errorAt('play.holes')}
              onChange={(way) => set({ way })}
            />
            {play.way !== 'teeShots' && (
              <Choice
                label="Putts"
                value={play.putts ?? 'holingOut'}
                options={optionsOf(putting)}
                onChange={(putts) => set({ putts })}
              />
            )}
            <Tee play={play} courses={courses.data} errorAt={errorAt} set={set} />
            <Choice
              label="On"
              value={play.ground ?? ''}
              options={[
                { value: '', label: 'first with targets' },
                ...ranges.map((r) => ({ value: r.id, label: r.place.name })),
              ]}
              onChange={(ground) => set({ ground: ground || null })}
            />
            <NumberField
              label="Width, share of the real one"
              range={fieldRanges.fairwayFactor}
              value={play.factor ?? beginnings.holes.factor}
              error={errorAt('play.factor')}
              onChange={(factor) => set({ factor: factor ?? beginnings.holes.factor })}
            />
          </Box>
          <Preview
            play={play}
            at={shown}
            segment={segment}
            studentId={writtenFor?.studentId ?? null}
            onUsual={(usual) => onChange({ ...usual, parts: [] })}
          />
        </>
      )}
    </Box>
  );
}

/** The same hole with the pins it does not have now: to be played again and again. */
function withOtherPins(hole: HoleToPlay): HoleToPlay[] {
  const now = hole.pin?.side ?? (hole.kind === 'drawn' ? (hole.hole.pin?.side ?? 'middle') : 'middle');
  return Object.keys(pinSides)
    .filter((side) => side !== now)
    .map((side) => ({ ...hole, pin: { side: side as keyof typeof pinSides, depth: hole.pin?.depth ?? 'middle' } }));
}

const nameOf = (hole: HoleToPlay, i: number) =>
  hole.kind === 'drawn' ? `${hole.number}, par ${hole.hole.par}` : `quick ${i + 1}, par ${hole.par}`;

function HoleList({ holes, at, onAt }: { holes: HoleToPlay[]; at: number; onAt: (at: number) => void }) {
  return (
    <Box
      component="ol"
      aria-label="Holes"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, m: 0, p: 0, listStyle: 'none' }}
    >
      {holes.map((hole, i) => (
        <li key={i}>
          <Button
            aria-pressed={i === at}
            onClick={() => onAt(i)}
            sx={{
              textDecoration: 'none',
              border: '1.5px solid',
              borderColor: i === at ? 'text.primary' : 'line',
              bgcolor: i === at ? 'background.paper' : undefined,
              borderRadius: 1,
              px: 1,
            }}
          >
            {nameOf(hole, i)}
          </Button>
        </li>
      ))}
    </Box>
  );
}

function OneHole({
  hole,
  errorAt,
  onChange,
  onAgain,
  onOtherPins,
  onRemove,
  isFull,
}: {
  hole: HoleToPlay;
  errorAt: (field: string) => string | undefined;
  onChange: (hole: HoleToPlay) => void;
  onAgain: () => void;
  onOtherPins: () => void;
  onRemove: () => void;
  isFull: boolean;
}) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-end' }}>
      {hole.kind === 'quick' && (
        <>
          <Stepper
            label="Par"
            value={hole.par}
            least={3}
            most={5}
            error={errorAt('par')}
            onChange={(par) => onChange({ ...hole, par })}
          />
          <Box sx={{ width: 130 }}>
            <Choice
              label="Turns"
              value={hole.bend ?? 'straight'}
              options={optionsOf(bends)}
              onChange={(bend) => onChange({ ...hole, bend })}
            />
          </Box>
          <Stepper
            label={`${hole.par === 3 ? 'Long' : 'Usually left'}, ${lengthUnits[hole.usuallyLeft.unit]}`}
            value={hole.usuallyLeft.value}
            least={20}
            most={300}
            step={5}
            error={errorAt('usuallyLeft.value')}
            onChange={(value) => onChange({ ...hole, usuallyLeft: { ...hole.usuallyLeft, value } })}
          />
        </>
      )}
      <Box sx={{ width: 130 }}>
        <Choice
          label="Pin today"
          value={hole.pin?.side ?? ''}
          options={[hole.kind === 'drawn' ? ({ value: '', label: 'as drawn' } as const) : none, ...optionsOf(pinSides)]}
          onChange={(side) => onChange({ ...hole, pin: side ? { side, depth: hole.pin?.depth ?? 'middle' } : null })}
        />
      </Box>
      <Button onClick={onAgain} disabled={isFull}>
        Once more
      </Button>
      <Button onClick={onOtherPins} disabled={isFull}>
        Again with other pins
      </Button>
      <Button onClick={onRemove}>Leave it out</Button>
    </Box>
  );
}

function Tee({
  play,
  courses,
  errorAt,
  set,
}: {
  play: Play;
  courses: Schemas['CourseView'][] | undefined;
  errorAt: (field: string) => string | undefined;
  set: (part: Partial<Play>) => void;
}) {
  const tees = courses?.find((c) => c.id === play.courseId)?.course.tees ?? [];
  if (tees.length < 2) return null;
  return (
    <Choice
      label="Tee"
      value={String(play.teeIndex ?? 0)}
      options={tees.map((tee, i) => ({ value: String(i), label: tee }))}
      error={errorAt('play.teeIndex')}
      onChange={(index) => set({ teeIndex: Number(index), tee: tees[Number(index)] ?? '' })}
    />
  );
}

/** The hole in hand as the student will see it, and what the holes usually take. */
function Preview({
  play,
  at,
  segment,
  studentId,
  onUsual,
}: {
  play: Play;
  at: number;
  segment: PracticeSegment;
  studentId: string | null;
  onUsual: (usual: { minutes: number; balls: number }) => void;
}) {
  const view = useQuery({
    queryKey: planKeys.holes(play, studentId),
    queryFn: ({ signal }) => answer(api.POST('/api/plans/holes', { body: { play, studentId }, signal })),
    placeholderData: (previous) => previous,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: false,
  });
  const laid = view.data?.laid?.holes[at];
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      {view.data && (view.data.usualMinutes !== segment.minutes || view.data.usualBalls !== segment.balls) && (
        <Box>
          {view.data.name} usually take {minutes(view.data.usualMinutes)} and {view.data.usualBalls} balls.{' '}
          <Button onClick={() => onUsual({ minutes: view.data.usualMinutes, balls: view.data.usualBalls })}>
            Take that
          </Button>
        </Box>
      )}
      {view.data?.missing && (
        <Box role="note">
          {studentId ? 'They cannot be laid out yet' : 'Written for nobody in particular they cannot be laid out'}:{' '}
          {view.data.missing}
        </Box>
      )}
      {laid && (
        <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '260px 1fr' }, gap: 1.5, alignItems: 'start' }}>
          <HoleDrawing
            hole={drawnOf(laid)}
            left={laid.length}
            label={`Hole ${laid.number}, par ${laid.par}, ${laid.length} long`}
          />
          <Box>
            <b>
              {laid.length} {lengthUnits[view.data?.laid?.unit ?? 'yards']}
            </b>
            <Box>{view.data?.lies[at]}</Box>
          </Box>
        </Box>
      )}
    </Box>
  );
}
