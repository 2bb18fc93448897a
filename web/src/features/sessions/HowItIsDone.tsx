import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { clubs, count } from '../../ui/format';
import { callInWords } from '../drills/calls';
import { DrillDrawing, pictured } from '../drills/DrillDrawing';
import type { PracticeSegment } from '../plans/benchState';
import { howLines } from './howLines';
import type { Session } from './queries';

interface Props {
  session: Pick<Session, 'drills' | 'hiding'>;
  segment: PracticeSegment;
}

/** Everything that is needed to do a segment alone: how it is laid out, what to think of, what counts, what to mind. */
export function HowItIsDone({ session, segment }: Props) {
  const drill = session.drills.find((d) => d.segmentId === segment.id);
  const whole = segment.drill?.drill;
  const calls = drill && drill.calls.length > 0 ? drill.calls : segment.calls;
  const lines = howLines(session, segment);
  return (
    <Box component="section" aria-label={`How it is done: ${segment.title}`} sx={{ mt: 1, mb: 1.5 }}>
      {whole && <DrillDrawing drill={pictured(whole)} />}
      {whole && <Typography sx={{ mt: 1 }}>{drill?.setUp ?? whole.setUp}</Typography>}
      {segment.parts.length > 0 && (
        <Box component="ol" aria-label="In parts" sx={{ m: 0, mt: 1, pl: 2.5 }}>
          {segment.parts.map((part) => (
            <li key={part.label}>
              {part.label}
              {part.balls ? `, ${count(part.balls, 'ball')}` : ''}
              {(part.clubs ?? []).length > 0 && `: ${(part.clubs ?? []).map((c) => clubs[c]).join(', ')}`}
            </li>
          ))}
        </Box>
      )}
      <Box
        component="dl"
        sx={{
          m: 0,
          mt: 1,
          display: 'grid',
          gridTemplateColumns: 'minmax(96px, max-content) 1fr',
          columnGap: 1.5,
          rowGap: 0.5,
          '& dt': { color: 'text.secondary', fontSize: 15 },
          '& dd': { m: 0 },
        }}
      >
        {lines.map(([name, said]) => (
          <Box key={name} sx={{ display: 'contents' }}>
            <dt>{name}</dt>
            <dd>{said}</dd>
          </Box>
        ))}
      </Box>
      {calls.length > 0 && (
        <>
          <Typography sx={{ mt: 1, color: 'text.secondary', fontSize: 15 }}>Calls, in order</Typography>
          <Box component="ol" aria-label="Calls" sx={{ m: 0, pl: 3.5, columns: { sm: 2 } }}>
            {calls.map((call, i) => (
              // A list of calls never changes its order, and the same call comes more than once.
              <li key={i}>{callInWords(call)}</li>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
