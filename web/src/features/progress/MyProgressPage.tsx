import { usePerson } from '../../app/signIn';
import { PageHeading } from '../../ui/PageHeading';
import { Progress } from './Progress';

/** The student's own past weeks. */
export function MyProgressPage() {
  const person = usePerson();
  return (
    <>
      <PageHeading sx={{ my: 2 }}>My progress</PageHeading>
      <Progress studentId={person.studentId ?? ''} />
    </>
  );
}
