import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../api/client';
import { DrillPicture } from '../drills/DrillPicture';
import { walkThrough } from '../drills/flow';
import { HoleCardView } from '../drills/HoleCardView';
import { Measures } from '../drills/Measures';
import { cardTitle } from './cardTitle';
import type { Session } from './queries';

type Result = Schemas['DrillResultView'];

/** What each drill gave, against what was asked and the times before, with a picture of its attempts. */
export function DrillResults({ session }: { session: Session }) {
  const { results } = session;
  if (results.length === 0) return null;
  return (
    <Box component="section" aria-label="Drills" sx={{ mt: 3 }}>
      <Typography variant="h2">Drills</Typography>
      {results.map((r) => (
        <Box
          key={`${r.logId} ${r.segmentId}`}
          data-testid="drill-result"
          sx={{
            py: 1.5,
            borderBottom: '1px solid',
            borderColor: 'line',
            display: 'grid',
            gridTemplateColumns: { md: '1fr 320px' },
            columnGap: 3,
          }}
        >
          <Box sx={{ minWidth: 0 }}>
            <Words session={session} result={r} />
          </Box>
          <Picture session={session} result={r} />
        </Box>
      ))}
      <AllTags results={results} />
    </Box>
  );
}

function Words({ session, result: r }: { session: Session; result: Result }) {
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography component="h3" variant="h3">
          {r.name}
        </Typography>
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {readings[r.status]}
          {r.goal && `, goal: ${r.goal}`}
          {r.notEnoughAttempts ? ', not enough attempts' : r.goalMet !== null && (r.goalMet ? ', met' : ', not yet')}
        </Box>
      </Box>
      <Typography>{r.text}</Typography>
      {r.lastTimes && <Typography sx={{ color: 'text.secondary' }}>{r.lastTimes}</Typography>}
      {r.card ? (
        <HoleCardView card={r.card} of={cardTitle(session, r.name)} beside={r.beside} />
      ) : (
        <Measures measures={r.measures} />
      )}
      {r.tags.length > 0 && <Typography sx={{ color: 'text.secondary' }}>Noticed: {inWords(r.tags)}</Typography>}
      {r.status === 'doesNotFit' && (
        <Box component="code" sx={{ display: 'block', mt: 0.5, overflowWrap: 'anywhere', fontSize: 14 }}>
          {r.inputs.map(raw).join(' · ')}
        </Box>
      )}
    </>
  );
}

/** The attempts as the student saw them; a warm-up has no picture, because it has no result. */
function Picture({ session, result }: { session: Session; result: Result }) {
  const drill = session.drills.find((d) => d.segmentId === result.segmentId);
  const segment = session.plan.segments.find((s) => s.id === result.segmentId);
  const isWarmUp = segment?.kind === 'practice' && segment.phase === 'warmUp';
  if (!drill || isWarmUp || result.status === 'doesNotFit') return null;
  const { flow, protocol, calls } = drill;
  const inputs = result.inputs;
  const walk = { ...walkThrough(flow, inputs), state: undefined };
  return (
    <Box sx={{ maxWidth: 320 }}>
      <DrillPicture {...{ protocol, flow, walk, inputs, calls }} isLeftHanded={session.hand === 'left'} />
    </Box>
  );
}

/** The tags of the whole session, added up. */
function AllTags({ results }: { results: Result[] }) {
  const counts = new Map<string, number>();
  for (const { tag, attempts } of results.flatMap((r) => r.tags)) counts.set(tag, (counts.get(tag) ?? 0) + attempts);
  if (counts.size === 0 || results.filter((r) => r.tags.length > 0).length < 2) return null;
  const tags = [...counts].map(([tag, attempts]) => ({ tag, attempts })).sort((a, b) => b.attempts - a.attempts);
  return <Typography sx={{ mt: 1.5 }}>Noticed in all: {inWords(tags)}</Typography>;
}

const inWords = (tags: Schemas['TagCount'][]) => tags.map((t) => `${t.tag} ${t.attempts}×`).join(', ');

const readings: Record<Schemas['ResultStatus'], string> = {
  nothing: 'nothing attempted',
  underWay: 'not finished',
  stopped: 'stopped early',
  complete: 'whole',
  doesNotFit: 'kept as recorded, not scored',
};

/** An input as it was recorded. */
const raw = (input: Schemas['DrillInput']) =>
  input.kind === 'choice'
    ? input.value
    : input.kind === 'number'
      ? String(input.tenths / 10)
      : input.kind === 'text'
        ? `“${input.text}”`
        : input.kind;
