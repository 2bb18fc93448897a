import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { usePerson } from '../../app/signIn';
import { ErrorNotice } from '../../ui/states';
import { useSaveRun, type Run } from './queries';
import { runInWords } from './runs';

/** For whom the programme runs, and how it is ended for them. */
export function Runs({ programmeId, runs, isSaved }: { programmeId: string; runs: readonly Run[]; isSaved: boolean }) {
  const { week } = usePerson();
  const save = useSaveRun();
  const until = (run: Run, end: string | null) =>
    save.mutate({
      id: run.id,
      version: run.version,
      input: { programmeId, studentId: run.studentId, squadId: run.squadId, start: run.start, until: end },
    });
  return (
    <Box component="section" aria-label="For whom it runs">
      <Typography variant="h2">For whom it runs</Typography>
      {runs.length === 0 && (
        <Box sx={{ color: 'text.secondary' }}>
          {isSaved ? 'Nobody yet.' : 'Save it first; then it can be started for a student or a squad.'}
        </Box>
      )}
      {runs.map((run) => (
        <Box key={run.id} sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          {runInWords(run)}
          {run.until === null ? (
            <Button disabled={save.isPending} onClick={() => until(run, run.start > week ? run.start : week)}>
              End it
            </Button>
          ) : (
            <Button disabled={save.isPending} onClick={() => until(run, null)}>
              Go on with it
            </Button>
          )}
        </Box>
      ))}
      {save.error && <ErrorNotice error={save.error} />}
    </Box>
  );
}
