import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { planKeys } from '../../api/queryKeys';
import { Choice } from '../../ui/Field';
import { troubles } from '../../ui/format';
import { ErrorNotice } from '../../ui/states';
import { useCourses } from '../courses/queries';
import { RangePlan } from '../places/RangePlan';
import { useStudents } from '../students/queries';

const none = { value: '', label: '–' } as const;

/** A ground as it is drawn; a range with a hole laid on it for a student, as they will see it from the bay. */
export function HoleOnRange({ view }: { view: Schemas['PlaceView'] }) {
  const { place } = view;
  if (place.kind !== 'range') return <RangePlan place={place} />;
  return <LaidHere view={view} />;
}

function LaidHere({ view: { id, place } }: { view: Schemas['PlaceView'] }) {
  const courses = useCourses();
  const students = useStudents();
  const [chosen, setChosen] = useState({ hole: '', student: '' });
  const [courseId = '', number = ''] = chosen.hole.split(' ');
  const course = courses.data?.find((c) => c.id === courseId)?.course;
  const hole = course?.holes[Number(number)];
  const play: Schemas['HolesToPlay'] | undefined = course &&
    hole && {
      courseId,
      course: course.name,
      unit: course.unit ?? 'yards',
      tee: course.tees[0] ?? '',
      teeIndex: 0,
      ground: id,
      holes: [{ kind: 'drawn', number: Number(number) + 1, hole }],
    };
  const studentId = chosen.student || null;
  const laid = useQuery({
    queryKey: planKeys.holes(play ?? {}, studentId),
    queryFn: ({ signal }) =>
      answer(api.POST('/api/plans/holes', { body: { play: play ?? { holes: [] }, studentId }, signal })),
    enabled: play !== undefined,
    staleTime: 60_000,
    retry: false,
  });
  const drawn = play && laid.data?.laid?.holes[0];
  const { left, right } = drawn?.fairway ?? {};
  return (
    <Box sx={{ display: 'grid', gap: 1.5, maxWidth: 460 }}>
      <RangePlan
        place={place}
        fairway={
          drawn && left && right
            ? {
                left: left.bearingDegrees,
                right: right.bearingDegrees,
                beyondLeft: drawn.left ? troubles[drawn.left] : undefined,
                beyondRight: drawn.right ? troubles[drawn.right] : undefined,
              }
            : undefined
        }
      />
      {courses.error && <ErrorNotice error={courses.error} onRetry={() => void courses.refetch()} />}
      {courses.data && courses.data.length > 0 && (
        <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, gap: 1.5 }}>
          <Choice
            label="Lay a hole here"
            value={chosen.hole}
            options={[
              none,
              ...courses.data.flatMap((c) =>
                c.course.holes.map((h, i) => ({
                  value: `${c.id} ${i}`,
                  label: `${c.course.name} ${i + 1}, par ${h.par}`,
                })),
              ),
            ]}
            onChange={(to) => setChosen({ ...chosen, hole: to })}
          />
          <Choice
            label="For"
            value={chosen.student}
            options={[
              { value: '', label: 'nobody in particular' },
              ...(students.data ?? []).map((s) => ({ value: s.id, label: s.name })),
            ]}
            onChange={(student) => setChosen({ ...chosen, student })}
          />
        </Box>
      )}
      {laid.error && <ErrorNotice error={laid.error} onRetry={() => void laid.refetch()} />}
      {play && laid.data && (
        <Box role="status">{laid.data.missing ? `It cannot be laid out: ${laid.data.missing}` : laid.data.lies[0]}</Box>
      )}
    </Box>
  );
}
