import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { lengthUnits } from '../../ui/format';

type Card = Schemas['CardView'];
type HoleCard = Schemas['HoleCardView'];

const shown = (n: number, isExpected = false) =>
  isExpected ? n.toFixed(1) : String(Math.round(n * 10) / 10).replace('-', '−');

/** A number with its sign, as strokes are gained and lost. */
const signed = (n: number, decimals = 2) => {
  const text = Math.abs(n).toFixed(decimals);
  return Number(text) === 0 ? text : n < 0 ? `−${text}` : `+${text}`;
};

const against = (score: number, par: number, isExpected: boolean) => {
  const over = score - par;
  return over === 0 ? 'level' : signed(over, isExpected ? 1 : 0);
};

const partNames: Record<Schemas['StrokesPart'], string> = {
  offTheTee: 'Off the tee',
  approach: 'To the green',
  aroundTheGreen: 'Around the green',
  putting: 'Putting',
};

const ofCount = ({ count, of }: Schemas['CountOf']) => (of === 0 ? '–' : `${count} of ${of}`);

/** What was played, hole by hole as it would stand on paper, what it adds up to, and where strokes were gained and lost. */
export function HoleCardView({ card }: { card: Card }) {
  const isExpected = card.puttsAreExpected;
  return (
    <Box data-testid="hole-card" sx={{ mt: 1, breakInside: 'avoid' }}>
      <Box
        component="table"
        sx={{
          borderCollapse: 'collapse',
          width: '100%',
          maxWidth: 460,
          '& th, & td': { py: 0.4, px: 0.75, textAlign: 'right', borderBottom: '1px solid', borderColor: 'line' },
          '& th:first-of-type': { textAlign: 'left', pl: 0 },
          '& thead th': { fontWeight: 500, color: 'text.secondary', fontSize: 14 },
        }}
      >
        <Box component="caption" sx={{ textAlign: 'left', fontWeight: 620, pb: 0.5 }}>
          The card{isExpected && ', with the putts that are usual from there (≈)'}
        </Box>
        <thead>
          <tr>
            <th scope="col">Hole</th>
            <th scope="col">Par</th>
            <th scope="col">Score</th>
            <th scope="col">Putts</th>
            <th scope="col">Fairway</th>
            <th scope="col">Green</th>
          </tr>
        </thead>
        <tbody>
          {card.holes.map((hole, i) => (
            <Row key={`${i} ${hole.number}`} hole={hole} isExpected={isExpected} />
          ))}
        </tbody>
        <tfoot>
          <Box component="tr" sx={{ fontWeight: 650 }}>
            <th scope="row">{card.over < card.holes.length ? `${card.over} out` : 'In all'}</th>
            <td>{card.par}</td>
            <td>
              {isExpected && '≈ '}
              {shown(card.score, isExpected)} ({against(card.score, card.par, isExpected)})
            </td>
            <td>
              {isExpected && '≈ '}
              {shown(card.putts, isExpected)}
            </td>
            <td>{ofCount(card.fairways)}</td>
            <td>{ofCount(card.greens)}</td>
          </Box>
        </tfoot>
      </Box>
      <Box sx={{ mt: 0.75 }}>
        Up and down {ofCount(card.upAndDowns)}
        {card.penalties > 0 && `, ${card.penalties} penalty ${card.penalties === 1 ? 'stroke' : 'strokes'}`}
      </Box>
      {card.gained.length > 0 && (
        <Gained gained={card.gained} leavesOut={card.holes.filter((h) => h.isPickedUp).length} />
      )}
    </Box>
  );
}

function Row({ hole, isExpected }: { hole: HoleCard; isExpected: boolean }) {
  return (
    <tr>
      <th scope="row" style={{ fontWeight: 500 }}>
        {hole.number}
        <Box component="span" sx={{ color: 'text.secondary', fontSize: 14 }}>
          {' '}
          {Math.round(hole.length.value)} {lengthUnits[hole.length.unit]}
        </Box>
      </th>
      <td>{hole.par}</td>
      <td>
        {hole.score === null ? (
          'putt waits'
        ) : (
          <>
            <b>{shown(hole.score, isExpected)}</b>
            {hole.isPickedUp && <Box component="span"> picked up</Box>}
          </>
        )}
      </td>
      <td>{hole.putts === null ? '–' : shown(hole.putts, isExpected)}</td>
      <td>{hole.fairwayHit === null ? '–' : hole.fairwayHit ? 'yes' : (hole.teeShotMissed ?? 'no')}</td>
      <td>{hole.greenInRegulation === null ? '–' : hole.greenInRegulation ? 'yes' : 'no'}</td>
    </tr>
  );
}

/** Strokes gained as bars to either side of nothing; the parts add up to the whole. */
function Gained({ gained, leavesOut }: { gained: Card['gained']; leavesOut: number }) {
  const whole = gained.reduce((sum, g) => sum + g.strokes, 0);
  const longest = Math.max(1, ...gained.map((g) => Math.abs(g.strokes)));
  const rows = [
    ...gained.map((g) => ({ name: partNames[g.part], strokes: g.strokes })),
    { name: 'In all', strokes: whole },
  ];
  return (
    <Box sx={{ mt: 1.5, maxWidth: 460 }}>
      <Box sx={{ fontWeight: 620 }}>Strokes gained</Box>
      <Box
        component="dl"
        sx={{ m: 0, mt: 0.5, display: 'grid', gridTemplateColumns: 'auto 1fr auto', columnGap: 1, rowGap: 0.5 }}
      >
        {rows.map(({ name, strokes }, i) => (
          <Box
            key={name}
            sx={{
              display: 'contents',
              '& > *': { fontWeight: i === gained.length ? 650 : 400 },
            }}
          >
            <dt>{name}</dt>
            <Box
              component="dd"
              aria-hidden
              sx={{
                m: 0,
                alignSelf: 'center',
                height: 14,
                position: 'relative',
                borderLeft: '1px solid transparent',
                '&::before': {
                  content: '""',
                  position: 'absolute',
                  insetBlock: -3,
                  left: '50%',
                  width: '1.5px',
                  bgcolor: 'text.primary',
                },
                '&::after': {
                  content: '""',
                  position: 'absolute',
                  insetBlock: 0,
                  ...(strokes < 0 ? { right: '50%' } : { left: '50%' }),
                  width: `${(50 * Math.min(longest, Math.abs(strokes))) / longest}%`,
                  border: '1.5px solid',
                  borderColor: 'text.primary',
                  bgcolor: strokes < 0 ? 'transparent' : 'text.primary',
                  boxSizing: 'border-box',
                  display: Math.abs(strokes) < 0.005 ? 'none' : 'block',
                },
              }}
            />
            <Box component="dd" sx={{ m: 0, textAlign: 'right' }}>
              {signed(strokes)}
            </Box>
          </Box>
        ))}
      </Box>
      <Box sx={{ mt: 0.5, fontSize: 14, color: 'text.secondary' }}>
        Against what a professional takes from there, by a published table as we remember it: look at which part stands
        out, not at the whole.
        {leavesOut > 0 && ` ${leavesOut === 1 ? 'A hole' : `${leavesOut} holes`} picked up left out.`}
      </Box>
    </Box>
  );
}
