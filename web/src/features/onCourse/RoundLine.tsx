import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { count, dayName, signed } from '../../ui/format';
import type { RoundHole, RoundView } from './queries';

const against = (strokes: number) => (strokes === 0 ? 'level' : signed(strokes, 0));

/** A round as one line: when and where, what it came to, and its holes drawn over and under par. */
export function RoundLine({ view, onChange }: { view: RoundView; onChange: () => void }) {
  const { round, totals, makesSense } = view;
  const holes = round.holes ?? [];
  const counts = [
    totals.fairways && `${totals.fairways.count} of ${totals.fairways.of} fairways`,
    totals.greens !== null && `${totals.greens} of ${round.holesPlayed} greens`,
    totals.upAndDowns &&
      totals.upAndDowns.of > 0 &&
      `up and down ${totals.upAndDowns.count} of ${totals.upAndDowns.of}`,
    totals.putts !== null && `${totals.putts} putts`,
    (totals.penalties ?? 0) > 0 && count(totals.penalties ?? 0, 'penalty stroke'),
  ].filter(Boolean);
  return (
    <Box
      component="li"
      sx={{
        py: 1,
        borderTop: '1px solid',
        borderColor: 'line',
        display: 'grid',
        gridTemplateColumns: { xs: '1fr auto', md: '170px 90px minmax(0, 1fr) auto' },
        columnGap: 2,
        alignItems: 'center',
      }}
    >
      <Box>
        {dayName(round.day)}
        <Box sx={{ fontSize: 14, color: 'text.secondary' }}>
          {round.course}, {round.holesPlayed} holes
        </Box>
      </Box>
      <Box sx={{ textAlign: 'right', whiteSpace: 'nowrap' }}>
        <Box component="span" sx={{ fontSize: 22, fontWeight: 650 }}>
          {totals.score}
        </Box>{' '}
        {against(totals.score - totals.par)}
      </Box>
      <Box sx={{ minWidth: 0, gridColumn: { xs: '1 / -1', md: 'auto' } }}>
        {holes.length > 0 && <Holes holes={holes} />}
        <Box sx={{ fontSize: 14, color: 'text.secondary' }}>{counts.join(', ')}</Box>
        {makesSense === false && (
          <Box sx={{ fontSize: 14, color: 'secondary.main' }}>
            Fewer strokes than these greens and putts take, unless a green was reached early.
          </Box>
        )}
      </Box>
      <Button
        aria-label={`Change the round of ${dayName(round.day)}`}
        onClick={onChange}
        sx={{ gridColumn: { xs: '1 / -1', md: 'auto' }, justifySelf: 'start' }}
      >
        Change
      </Button>
    </Box>
  );
}

const step = 7;
const between = 17;

/** The holes in order: a stem up for every stroke over par, down for every one under, a dot where it was par. */
function Holes({ holes }: { holes: RoundHole[] }) {
  const over = holes.map((h) => h.score - h.par);
  const [most, least] = [Math.max(1, ...over), Math.min(0, ...over)];
  const [up, down] = [Math.min(4, most) * step + 4, -Math.max(-3, least) * step + 4];
  const width = holes.length * between + 4;
  return (
    <svg
      role="img"
      aria-label={`Hole by hole against par: ${over.map(against).join(', ')}`}
      width={width}
      height={up + down}
      viewBox={`0 ${-up} ${width} ${up + down}`}
      style={{ display: 'block', maxWidth: '100%' }}
    >
      <path d={`M0 0H${width}`} stroke="currentColor" opacity="0.35" />
      {over.map((strokes, i) => {
        const x = i * between + between / 2 + 1;
        const length = -Math.max(-3, Math.min(4, strokes)) * step;
        return strokes === 0 ? (
          <circle key={i} cx={x} cy="0" r="2" fill="currentColor" />
        ) : (
          <g key={i}>
            <path d={`M${x} 0V${length}`} stroke="currentColor" strokeWidth={strokes < 0 ? 5 : 2.5} />
            {strokes > 4 && <path d={`M${x - 3} ${length + 4}l3 -4 3 4`} fill="none" stroke="currentColor" />}
          </g>
        );
      })}
    </svg>
  );
}
