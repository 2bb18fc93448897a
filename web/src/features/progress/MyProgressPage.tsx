import Box from '@mui/material/Box';
import { Link } from 'react-router';
import { usePerson } from '../../app/signIn';
import { PageHeading } from '../../ui/PageHeading';
import { CompetitionLinks } from './CompetitionLinks';
import { GoalPath } from './GoalPath';
import { Progress, useProgress } from './Progress';

/** The student's own past weeks. */
export function MyProgressPage() {
  const person = usePerson();
  const progress = useProgress(person.studentId ?? '');
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, my: 2 }}>
        <PageHeading sx={{ mr: 'auto' }}>My progress</PageHeading>
        <Link to="/my-rounds">My rounds</Link>
        <Link to="/my-report">Report</Link>
      </Box>
      {progress.data && <CompetitionLinks progress={progress.data} linkTo={(c) => `/my-competitions/${c}`} />}
      {progress.data && <GoalPath progress={progress.data} />}
      <Progress studentId={person.studentId ?? ''} isOwn />
    </>
  );
}
