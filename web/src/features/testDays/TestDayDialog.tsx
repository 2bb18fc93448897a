import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuid } from 'uuid';
import { ranges } from '../../api/ranges';
import { beginnings } from '../../api/beginnings';
import { Problem } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { Checkbox } from '../../ui/Checkbox';
import { DayField } from '../../ui/DayField';
import { Choice, Field } from '../../ui/Field';
import { minutes } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { ErrorNotice, Loading } from '../../ui/states';
import { usePlans } from '../plans/queries';
import { useSquads, useStudents } from '../students/queries';
import { useSaveTestDay, type TestView } from './queries';

/** Makes a test day from a plan, or changes its name, its weeks and who takes part. */
export function TestDayDialog({ view, onClose }: { view?: TestView; onClose: () => void }) {
  const { today } = usePerson();
  const [id] = useState(() => view?.id ?? uuid());
  const [name, setName] = useState(view?.test.name ?? '');
  const [planId, setPlanId] = useState('');
  const [everyWeeks, setEveryWeeks] = useState<number | null>(view?.test.everyWeeks ?? beginnings.testDay.everyWeeks);
  const [firstDay, setFirstDay] = useState(view?.test.firstDay ?? today);
  const [students, setStudents] = useState<ReadonlySet<string>>(new Set(view?.test.students ?? []));
  const plans = usePlans({ text: '', area: '', order: 'used' });
  const everybody = useStudents();
  const squads = useSquads();
  const save = useSaveTestDay(id);
  const navigate = useNavigate();
  const problem = save.error instanceof Problem ? save.error : undefined;
  const errorAt = (path: string) => problem?.fieldError(path);
  const isNamed = Object.keys(problem?.errors ?? {}).some((path) =>
    ['name', 'planId', 'everyWeeks', 'firstDay', 'students'].includes(path),
  );
  const listed = plans.data?.pages.flatMap((page) => page.plans) ?? [];
  const toggle = (student: string) => {
    const next = new Set(students);
    if (!next.delete(student)) next.add(student);
    setStudents(next);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="test-title">
      <DialogTitle id="test-title">{view ? 'Change the test day' : 'New test day'}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        {!view && (
          <Box>
            <Choice
              label="What is done"
              value={planId}
              options={[
                { value: '', label: 'choose a plan with drills that are scored' },
                ...listed.map((p) => ({ value: p.id, label: `${p.title}, ${minutes(p.minutes)}` })),
              ]}
              onChange={(next) => {
                setPlanId(next);
                const plan = listed.find((p) => p.id === next);
                if (plan && name === '') setName(plan.title);
              }}
              error={errorAt('planId')}
            />
            {plans.hasNextPage && <Button onClick={() => void plans.fetchNextPage()}>More plans</Button>}
            <Box sx={{ color: 'text.secondary', fontSize: 14 }}>
              It is copied as it reads now and stays so, whatever becomes of the plan: else nobody could be set beside
              the first time.
            </Box>
          </Box>
        )}
        <Field
          label="Name"
          value={name}
          onChange={(e) => setName(e.target.value)}
          error={errorAt('name')}
          inputProps={{ maxLength: 120 }}
        />
        <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, gap: 2 }}>
          <NumberField
            label="Weeks from one to the next"
            whole
            range={ranges.weeksBetweenTests}
            value={everyWeeks}
            onChange={(n) => setEveryWeeks(n ?? null)}
            error={errorAt('everyWeeks')}
          />
          <DayField
            label="The first on"
            value={firstDay}
            onChange={(day) => day && setFirstDay(day)}
            error={errorAt('firstDay')}
          />
        </Box>
        {(everybody.isPending || squads.isPending) && <Loading what="the students" />}
        {everybody.error && <ErrorNotice error={everybody.error} onRetry={() => void everybody.refetch()} />}
        <Box>
          <Box role="group" aria-label="Squads" sx={{ display: 'flex', flexWrap: 'wrap', ml: -1.25 }}>
            {squads.data?.map((s) => (
              <Button key={s.id} onClick={() => setStudents(new Set([...students, ...s.members]))}>
                {s.name}
              </Button>
            ))}
            {students.size > 0 && <Button onClick={() => setStudents(new Set())}>Nobody</Button>}
          </Box>
          <Box
            role="group"
            aria-label="Students"
            sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, maxHeight: 240, overflow: 'auto' }}
          >
            {everybody.data?.map((s) => (
              <Checkbox key={s.id} label={s.name} checked={students.has(s.id)} onChange={() => toggle(s.id)} />
            ))}
          </Box>
          {errorAt('students') && (
            <Box role="alert" sx={{ fontSize: 13.5, color: 'error.main' }}>
              {errorAt('students')}
            </Box>
          )}
        </Box>
        {save.error && !isNamed && <ErrorNotice error={save.error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          disabled={save.isPending || (!view && planId === '')}
          onClick={() =>
            save.mutate(
              {
                input: {
                  name,
                  everyWeeks: Math.round(everyWeeks ?? 0),
                  firstDay,
                  students: [...students],
                  planId: planId || null,
                },
                version: view?.version,
              },
              {
                onSuccess: () => {
                  onClose();
                  if (!view) void navigate(`/test-days/${id}`);
                },
              },
            )
          }
        >
          {view ? 'Keep it' : 'Make it'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
