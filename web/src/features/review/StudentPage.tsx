import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api } from '../../api/client';
import { reviewKeys } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { onDemand } from '../../ui/onDemand';
import { OpenPainList } from '../../ui/OpenPainList';
import { PageHeading } from '../../ui/PageHeading';
import { count, hands, levels } from '../../ui/format';
import { Loading, ErrorNotice } from '../../ui/states';
import { CompetitionLinks } from '../progress/CompetitionLinks';
import { GoalPath } from '../progress/GoalPath';
import { Progress, useProgress } from '../progress/Progress';
import { StudentWeek } from '../weeks/StudentWeek';
import { checksOf, useSheet } from '../weeks/useSheet';
import { LookFirst } from './LookFirst';

const InviteStudent = onDemand(() => import('../accounts/Invite').then((m) => m.InviteStudent));
const HandOverDialog = onDemand(() => import('../students/HandOverDialog').then((m) => m.HandOverDialog));
const StudentDialog = onDemand(() => import('../students/StudentDialog').then((m) => m.StudentDialog));

/** One student as the coach sees them: this week to set, the weeks before to learn from. */
export function StudentPage() {
  const { id = '' } = useParams();
  const person = usePerson();
  // The week that is shown first tells whose it is too.
  const sheet = useSheet(person.week, { student: id });
  // Asked beside the week, for whoever draws it.
  useQuery(checksOf(person.week, [id]));
  const progress = useProgress(id);
  const looked = useQuery({
    queryKey: reviewKeys.student(id),
    queryFn: () => answer(api.GET('/api/review/students/{studentId}', { params: { path: { studentId: id } } })),
  });
  const [shows, setShows] = useState<'change' | 'handOver'>();
  // All of it at once: what came later would push the week down.
  if (sheet.isPending || progress.isPending || looked.isPending) return <Loading what="the student" />;
  const row = sheet.data?.rows[0];
  if (!sheet.data?.one || !row)
    return (
      <ErrorNotice error={sheet.error ?? new Error('This student is not here.')} onRetry={() => void sheet.refetch()} />
    );
  const { student } = sheet.data.one;
  const { name, level, hand, coachNote, hasAccount } = student;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'flex-start', gap: 2, mt: 3, mb: 2, flexWrap: 'wrap' }}>
        <Box>
          <PageHeading>{name}</PageHeading>
          <Typography sx={{ color: 'text.secondary' }}>
            {levels[level]} · {hands[hand]}
            {!hasAccount && ' · has not signed in yet'}
            {student.coachId !== person.accountId && ' · another coach’s student'}
          </Typography>
          {coachNote && <Typography sx={{ mt: 0.5 }}>{coachNote}</Typography>}
        </Box>
        <Box className="no-print" sx={{ ml: 'auto', display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          {!hasAccount && <InviteStudent id={id} name={name} />}
          <Button component={Link} to={`/practice/new?student=${id}`} variant="outlined">
            Hold a lesson
          </Button>
          <Button component={Link} to={`/students/${id}/warm-up`} variant="outlined">
            Warm-up
          </Button>
          <Button component={Link} to={`/students/${id}/rounds`} variant="outlined">
            Rounds
          </Button>
          <Button component={Link} to={`/students/${id}/report`} variant="outlined">
            Report
          </Button>
          <Button component={Link} to={`/students/${id}/file`} variant="outlined">
            File
          </Button>
          <Button variant="outlined" onClick={() => setShows('change')}>
            Change
          </Button>
          <Button variant="outlined" onClick={() => setShows('handOver')}>
            Hand over
          </Button>
        </Box>
      </Box>
      <OpenPainList pains={looked.data?.openPain ?? []} />
      {progress.data && (
        <CompetitionLinks progress={progress.data} linkTo={(c) => `/students/${id}/competitions/${c}`} />
      )}
      {progress.data && <GoalPath progress={progress.data} />}
      {looked.data && <LookFirst looked={looked.data} />}
      <StudentWeek key={id} studentId={id} />
      <Progress studentId={id} />
      {shows === 'change' && <StudentDialog onClose={() => setShows(undefined)} student={student} />}
      {shows === 'handOver' && (
        <HandOverDialog
          student={student}
          goesAlong={[
            `${count(row.sessions.length, 'session')} of this week`,
            ...row.programmes.map((p) => `the programme “${p.name}”`),
          ]}
          onClose={() => setShows(undefined)}
        />
      )}
    </>
  );
}
