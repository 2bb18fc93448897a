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
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 2, my: 2 }}>
        <PageHeading sx={{ mr: 'auto', whiteSpace: 'nowrap' }}>My progress</PageHeading>
        <Box sx={{ display: 'flex', gap: 2 }}>
          <Link to="/my-rounds">My rounds</Link>
          <Link to="/my-report">Report</Link>
        </Box>
      </Box>
      {progress.data && <CompetitionLinks progress={progress.data} linkTo={(c) => `/my-competitions/${c}`} />}
      {progress.data && <GoalPath progress={progress.data} />}
      <Progress studentId={person.studentId ?? ''} isOwn />
    </>
  );
}
