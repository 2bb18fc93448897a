import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useStudent } from '../students/queries';
import { onDemand } from '../../ui/onDemand';
import { PageHeading } from '../../ui/PageHeading';
import { hands, levels } from '../../ui/format';
import { Loading, ErrorNotice } from '../../ui/states';
import { Progress } from '../progress/Progress';
import { WeekPanel } from '../weeks/WeekPanel';
import { InviteStudent } from '../students/Invite';

const StudentDialog = onDemand(() => import('../students/StudentDialog').then((m) => m.StudentDialog));

/** One student as the coach sees them: this week to set, the weeks before to learn from. */
export function StudentPage() {
  const { id = '' } = useParams();
  const student = useStudent(id);
  const [isEditing, setIsEditing] = useState(false);
  if (student.isPending) return <Loading what="the student" />;
  if (student.error) return <ErrorNotice error={student.error} onRetry={() => void student.refetch()} />;
  const { name, level, hand, coachNote, hasAccount } = student.data;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'flex-start', gap: 2, mt: 3, mb: 2, flexWrap: 'wrap' }}>
        <Box>
          <PageHeading>{name}</PageHeading>
          <Typography sx={{ color: 'text.secondary' }}>
            {levels[level]} · {hands[hand]}
            {!hasAccount && ' · has not signed in yet'}
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
          <Button component={Link} to={`/students/${id}/file`} variant="outlined">
            File
          </Button>
          <Button variant="outlined" onClick={() => setIsEditing(true)}>
            Change
          </Button>
        </Box>
      </Box>
      <WeekPanel key={id} studentId={id} />
      <Progress studentId={id} />
      {isEditing && <StudentDialog onClose={() => setIsEditing(false)} student={student.data} />}
    </>
  );
}
