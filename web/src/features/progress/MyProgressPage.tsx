import Typography from '@mui/material/Typography';
import { usePerson } from '../../app/session';
import { Progress } from './Progress';

/** The student's own past weeks. */
export function MyProgressPage() {
  const person = usePerson();
  return (
    <>
      <Typography variant="h1" sx={{ my: 2 }}>
        My progress
      </Typography>
      <Progress studentId={person.studentId ?? ''} />
    </>
  );
}
