import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuid } from 'uuid';
import { usePerson } from '../../app/signIn';
import { Checkbox } from '../../ui/Checkbox';
import { Choice } from '../../ui/Field';
import { count, dayName, plusDays } from '../../ui/format';
import { ErrorNotice, Loading } from '../../ui/states';
import { useSet, useSheet, type SetInput } from './useSheet';
import { isoWeek, mondayOf } from '../../ui/weekdays';

/** How many weeks ahead a plan can be set from the bench; the sheet goes further. */
const weeksAhead = 4;

interface Props {
  planId: string;
  title: string;
  onClose: () => void;
}

/** From the bench into weeks: for one student or several, on a day or any, made each one's own where it must be. */
export function SetForDialog({ planId, title, onClose }: Props) {
  const person = usePerson();
  const [week, setWeek] = useState(person.week);
  const sheet = useSheet(week, { everybody: true });
  const [students, setStudents] = useState<ReadonlySet<string>>(new Set());
  const [day, setDay] = useState('');
  const [requirement, setRequirement] = useState<SetInput['requirement']>('must');
  // Sent twice, it is put in once.
  const [ids] = useState(() => new Map<string, string>());
  const set = useSet(week);
  const navigate = useNavigate();
  const rows = [...(sheet.data?.rows ?? [])].sort((a, b) => a.name.localeCompare(b.name));
  const weeks = Array.from({ length: weeksAhead }, (_, i) => {
    const monday = plusDays(mondayOf(person.today), 7 * i);
    return { value: isoWeek(monday), label: i === 0 ? 'This week' : `From ${dayName(monday).slice(4)}` };
  });

  const toggle = (id: string) => {
    const next = new Set(students);
    if (!next.delete(id)) next.add(id);
    setStudents(next);
  };
  const idOf = (student: string) => {
    const id = ids.get(student) ?? uuid();
    ids.set(student, id);
    return id;
  };
  const put = () =>
    set.mutate(
      {
        planId,
        day: day || null,
        requirement,
        sessions: [...students].map((studentId) => ({ id: idOf(studentId), studentId })),
      },
      {
        onSuccess: () =>
          void navigate(students.size === 1 ? `/students/${[...students][0] ?? ''}` : `/week?week=${week}`),
      },
    );

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="set-title">
      <DialogTitle id="set-title">Set “{title}”</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, gap: 2 }}>
          <Choice
            label="Week"
            value={week}
            options={weeks}
            onChange={(next) => {
              setWeek(next);
              setDay('');
            }}
          />
          <Choice
            label="Day"
            value={day}
            options={[
              { value: '', label: 'Any day of the week' },
              ...(sheet.data && !sheet.isPlaceholderData
                ? Array.from({ length: 7 }, (_, i) => plusDays(sheet.data.monday, i)).map((d) => ({
                    value: d,
                    label: dayName(d),
                  }))
                : []),
            ]}
            onChange={setDay}
          />
        </Box>
        <Choice
          label="Counts as"
          value={requirement ?? 'must'}
          options={[
            { value: 'must', label: 'Must: part of the week' },
            { value: 'extra', label: 'Extra: on top, never counted against' },
          ]}
          onChange={setRequirement}
        />
        {sheet.isPending && <Loading what="the students" />}
        {sheet.error && <ErrorNotice error={sheet.error} onRetry={() => void sheet.refetch()} />}
        {sheet.data && (
          <Box>
            <Box role="group" aria-label="Squads" sx={{ display: 'flex', flexWrap: 'wrap', ml: -1.25 }}>
              {sheet.data.squads.map((s) => (
                <Button key={s.id} onClick={() => setStudents(new Set([...students, ...s.members]))}>
                  {s.name}
                </Button>
              ))}
              {students.size > 0 && <Button onClick={() => setStudents(new Set())}>Nobody</Button>}
            </Box>
            <Box
              role="group"
              aria-label="Students"
              sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, maxHeight: 280, overflow: 'auto' }}
            >
              {rows.map((r) => (
                <Checkbox
                  key={r.studentId}
                  label={r.name}
                  checked={students.has(r.studentId)}
                  onChange={() => toggle(r.studentId)}
                />
              ))}
            </Box>
          </Box>
        )}
        <Box sx={{ color: 'text.secondary' }}>
          It goes in as a draft, and where bag, pain, things or level ask for it, as each student’s own.
        </Box>
        {set.error && <ErrorNotice error={set.error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={students.size === 0 || set.isPending} onClick={put}>
          {students.size > 1 ? `Put it in for ${count(students.size, 'student')}` : 'Put it in the week'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
