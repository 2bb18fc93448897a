import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { useStudents } from '../students/queries';
import { drillKeys } from '../../api/queryKeys';
import { Choice } from '../../ui/Field';
import { ErrorNotice } from '../../ui/states';
import { withoutLastAttempt, type DrillInput } from './flow';
import { FlowRun } from './FlowRun';
import { Measures } from './Measures';
import { useCheck, type Drill, type Protocol } from './queries';

const noStudent = { value: '', label: 'nobody in particular' };

/** The drill as a student would run it, on the page: nothing of it is kept. */
export function TryOut({ drill, rung }: { drill: Drill; rung: number }) {
  const [seed, setSeed] = useState(1);
  const [studentId, setStudentId] = useState('');
  const [tried, setTried] = useState<{ of: string; inputs: DrillInput[] }>({ of: '', inputs: [] });
  const students = useStudents();
  const check = useCheck({ drill, rung, seed, studentId: studentId || null });
  if (check.error) return <ErrorNotice error={check.error} onRetry={() => void check.refetch()} />;
  const { flow, missing, protocol, calls = [] } = check.data ?? {};
  // What was tried belongs to the drill as it was then; another parameter begins anew.
  const of = JSON.stringify([protocol, seed]);
  const inputs = tried.of === of ? tried.inputs : [];
  const keep = (next: DrillInput[]) => setTried({ of, inputs: next });
  return (
    <Box sx={{ maxWidth: 460 }}>
      <Choice
        label="As"
        value={studentId}
        options={[noStudent, ...(students.data ?? []).map((s) => ({ value: s.id, label: s.name }))]}
        onChange={setStudentId}
      />
      {missing && (
        <Typography role="status" sx={{ mt: 1.5 }}>
          {missing} Choose a student whose file has it, or write numbers into the drill.
        </Typography>
      )}
      {check.data && check.data.errors.length > 0 && (
        <Typography sx={{ mt: 1.5 }}>It can be tried out once its fields are right.</Typography>
      )}
      {flow && protocol && (
        <Box
          sx={{ mt: 2, p: 2, border: '1px solid', borderColor: 'line', borderRadius: 2, bgcolor: 'background.paper' }}
        >
          <FlowRun
            flow={flow}
            inputs={inputs}
            protocol={protocol}
            calls={calls}
            isLeftHanded={(students.data ?? []).find((s) => s.id === studentId)?.hand === 'left'}
            onInput={(input) => keep([...inputs, input])}
            onUndo={() => keep(withoutLastAttempt(inputs))}
          />
          <Result protocol={protocol} seed={seed} inputs={inputs} />
          <Button onClick={() => setSeed((s) => s + 1)}>Begin again</Button>
        </Box>
      )}
    </Box>
  );
}

/** What the server makes of what was tried. */
function Result({ protocol, seed, inputs }: { protocol: Protocol; seed: number; inputs: DrillInput[] }) {
  const scored = useQuery({
    queryKey: drillKeys.score(protocol, seed, inputs),
    queryFn: ({ signal }) => answer(api.POST('/api/drills/score', { body: { protocol, seed, inputs }, signal })),
    placeholderData: (previous) => previous,
    gcTime: 10_000,
  });
  if (scored.error) return <ErrorNotice error={scored.error} />;
  if (!scored.data) return null;
  return (
    <Box sx={{ mt: 1.5, pt: 1.5, borderTop: '1px solid', borderColor: 'line' }} data-testid="trial-result">
      <Typography sx={{ fontWeight: 620 }}>{scored.data.text}</Typography>
      <Measures measures={scored.data.measures} />
    </Box>
  );
}
