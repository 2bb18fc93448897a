import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../api/client';
import { StrokeBars } from '../../ui/StrokeBars';

type Part = Schemas['PartOfRounds'];

const names: Record<Schemas['LosingPart'], string> = {
  greens: 'Greens',
  upAndDowns: 'Up and down',
  putting: 'Putts on greens hit',
  penalties: 'Penalties',
};

/** A figure as rounds count it: a share of the greens that were missed, putts a green, or so many in eighteen holes. */
const shown = (part: Schemas['LosingPart'], n: number) =>
  part === 'upAndDowns' ? `${Math.round(100 * n)} %` : n.toFixed(part === 'putting' ? 2 : 1);

function figures({ part, now, before, usual, count, of }: Part) {
  const told = [`${shown(part, now)} (${count} in ${of})`];
  if (before !== null) told.push(`before ${shown(part, before)}`);
  told.push(`usual ${shown(part, usual)}`);
  return told.join(', ');
}

/** Where strokes are lost, against what is usual at the level: the sentence first, the parts as bars below. */
export function LostStrokes({ lost }: { lost: Schemas['LostStrokesView'] }) {
  return (
    <Box component="section" aria-label="Where strokes are lost" sx={{ maxWidth: 620, mt: { xs: 2, lg: 3 } }}>
      <Typography variant="h2">Where strokes are lost</Typography>
      <Typography sx={{ mt: 0.5 }}>{lost.text}</Typography>
      {lost.parts.length > 0 && (
        <>
          <Box sx={{ mt: 1 }}>
            <StrokeBars
              decimals={1}
              rows={lost.parts.map((p) => ({ name: names[p.part], strokes: -p.strokes, note: figures(p) }))}
            />
          </Box>
          <Box sx={{ mt: 0.5, fontSize: 14, color: 'text.secondary' }}>
            Strokes in 18 holes over the last {lost.rounds} rounds, against what is usual at this level as we remember
            it. To the left is lost.
          </Box>
        </>
      )}
    </Box>
  );
}
