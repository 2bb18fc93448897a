import Box from '@mui/material/Box';
import { Link } from 'react-router';
import { usePerson } from '../../app/signIn';
import { PageHeading } from '../../ui/PageHeading';
import { Progress } from './Progress';

/** The student's own past weeks. */
export function MyProgressPage() {
  const person = usePerson();
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, my: 2 }}>
        <PageHeading sx={{ mr: 'auto' }}>My progress</PageHeading>
        <Link to="/my-rounds">My rounds</Link>
      </Box>
      <Progress studentId={person.studentId ?? ''} />
    </>
  );
}
