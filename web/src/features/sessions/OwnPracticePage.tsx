import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { ranges } from '../../api/ranges';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { useStudent } from '../students/queries';
import { weekKeys } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { DayField } from '../../ui/DayField';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { PageHeading } from '../../ui/PageHeading';
import { places } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { phases, type Phase } from '../../ui/phases';
import { ErrorNotice } from '../../ui/states';
import { newSegment, type PracticeSegment } from '../plans/benchState';

const begin = (phase: Phase, place: Schemas['PlaceKind']) => newSegment(phase, place) as PracticeSegment;

/**
 * Practice that nobody set: a student's own, or for a coach a lesson without a plan. A few lines, then it is practised
 * as any.
 */
export function OwnPracticePage() {
  const person = usePerson();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [params] = useSearchParams();
  const studentId = person.studentId ?? params.get('student') ?? '';
  const isLesson = person.role !== 'student';
  const student = useStudent(studentId, isLesson);
  const [id] = useState(() => uuid());
  const [day, setDay] = useState(person.today);
  const [title, setTitle] = useState(isLesson ? 'Lesson' : 'Practice of my own');
  const [purpose, setPurpose] = useState(isLesson ? 'Work on it together' : '');
  const [segments, setSegments] = useState(() => [begin('warmUp', 'range'), begin('block', 'range')]);
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/sessions/own/{assignmentId}', {
          params: { path: { assignmentId: id } },
          body: { studentId, day, plan: { title, purpose, successTest: '', segments } },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: weekKeys.all }),
  });
  const problem = save.error instanceof Problem ? save.error : undefined;
  const go = (to: string) =>
    save.mutate(undefined, { onSuccess: () => void navigate(to, { replace: true, state: { begins: isLesson } }) });
  const change = (i: number, patch: Partial<PracticeSegment>) =>
    setSegments((old) => old.map((s, j) => (j === i ? { ...s, ...patch } : s)));
  return (
    <Box sx={{ pt: 1.5, maxWidth: 620, mx: 'auto', display: 'grid', gap: 2 }}>
      <Button
        component={Link}
        to={isLesson ? `/students/${studentId}` : '/my-week'}
        sx={{ ml: -1.25, minHeight: 48, justifySelf: 'start' }}
      >
        {isLesson ? (student.data?.name ?? 'Back') : 'My week'}
      </Button>
      <PageHeading>{isLesson ? 'A lesson without a plan' : 'Practice of my own'}</PageHeading>
      {!isLesson && (
        <Typography sx={{ color: 'text.secondary' }}>
          It counts for what you did, and stands outside what your coach set for the week.
        </Typography>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        <Field
          label="What"
          value={title}
          onChange={(e) => setTitle(e.target.value)}
          error={problem?.fieldError('plan.title')}
          inputProps={{ maxLength: 120 }}
        />
        <DayField label="Day" value={day} onChange={setDay} error={problem?.fieldError('day')} max={person.today} />
      </Box>
      <Field
        label="What for"
        value={purpose}
        onChange={(e) => setPurpose(e.target.value)}
        error={problem?.fieldError('plan.purpose')}
        inputProps={{ maxLength: 400 }}
      />
      {segments.map((segment, i) => (
        <Box
          key={segment.id}
          role="group"
          aria-label={`Part ${i + 1}`}
          sx={{ pt: 1.5, borderTop: '1px solid', borderColor: 'line', display: 'grid', gap: 1 }}
        >
          <Field
            label={`Part ${i + 1}`}
            value={segment.title}
            onChange={(e) => change(i, { title: e.target.value })}
            error={problem?.fieldError(`plan.segments[${i}].title`)}
            inputProps={{ maxLength: 120 }}
          />
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
            <Choice
              label="Phase"
              value={segment.phase}
              options={(Object.keys(phases) as Phase[]).map((p) => ({ value: p, label: phases[p].name }))}
              onChange={(phase) =>
                setSegments((old) =>
                  old.map((s, j) =>
                    j === i
                      ? { ...begin(phase, s.place), id: s.id, title: s.title, minutes: s.minutes, balls: s.balls }
                      : s,
                  ),
                )
              }
            />
            <Choice
              label="Place"
              value={segment.place}
              options={optionsOf(places)}
              onChange={(place) => change(i, { place })}
            />
            <NumberField
              label="Duration"
              unit="min"
              whole
              range={ranges.segmentMinutes}
              value={segment.minutes}
              onChange={(n) => change(i, { minutes: n ?? 0 })}
              error={problem?.fieldError(`plan.segments[${i}].minutes`)}
            />
            <NumberField
              label="Balls"
              whole
              range={ranges.segmentBalls}
              value={segment.balls}
              onChange={(n) => change(i, { balls: n ?? 0, exit: { kind: n ? 'balls' : 'minutes' } })}
              error={problem?.fieldError(`plan.segments[${i}].balls`)}
            />
          </Box>
          {segments.length > 1 && (
            <Button
              onClick={() => setSegments((old) => old.filter((_, j) => j !== i))}
              sx={{ justifySelf: 'start', minHeight: 48 }}
            >
              Take this part out
            </Button>
          )}
        </Box>
      ))}
      <Button
        onClick={() => setSegments((old) => [...old, begin('random', old.at(-1)?.place ?? 'range')])}
        sx={{ minHeight: 56, justifySelf: 'start' }}
      >
        One more part
      </Button>
      {save.error && <ErrorNotice error={save.error} />}
      <Button
        variant="contained"
        disabled={save.isPending || day !== person.today}
        onClick={() => go(`/practice/${id}`)}
        sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}
      >
        {isLesson ? 'Begin the lesson' : 'Practise it now'}
      </Button>
      <Button
        variant="outlined"
        disabled={save.isPending}
        onClick={() => go(`/practice/${id}/paper`)}
        sx={{ minHeight: 56, borderRadius: 28 }}
      >
        It is done: type it in
      </Button>
    </Box>
  );
}
