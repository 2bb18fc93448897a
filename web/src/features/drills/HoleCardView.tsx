import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef } from 'react';
import type { Schemas } from '../../api/client';
import { lengthUnits, signed } from '../../ui/format';
import { printAlone } from '../../ui/printAlone';
import { StrokeBars } from '../../ui/StrokeBars';

type Card = Schemas['CardView'];
type Beside = Schemas['FigureBeside'];
type HoleCard = Schemas['HoleCardView'];

const shown = (n: number, isExpected = false) =>
  isExpected ? n.toFixed(1) : String(Math.round(n * 10) / 10).replace('-', '−');

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

interface Props {
  card: Card;
  /** Whose it is, what was played and when, as it stands above the card on paper. */
  of: string;
  beside?: Beside[];
}

const noneBeside: Beside[] = [];

/** What was played, hole by hole as it would stand on paper, what it adds up to, and where strokes were gained and lost. */
export function HoleCardView({ card, of, beside = noneBeside }: Props) {
  const isExpected = card.puttsAreExpected;
  const whole = useRef<HTMLElement>(null);
  return (
    <Box data-testid="hole-card" ref={whole} sx={{ mt: 1, breakInside: 'avoid' }}>
      <Box
        sx={{ display: 'none', fontWeight: 650, mb: 1, '@media print': { '.printed-part > &': { display: 'block' } } }}
      >
        {of}
      </Box>
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
      {beside.length > 0 && <BesideOthers beside={beside} holes={card.over} isExpected={isExpected} />}
      {card.gained.length > 0 && (
        <Gained gained={card.gained} leavesOut={card.holes.filter((h) => h.isPickedUp).length} />
      )}
      <Button className="no-print" onClick={() => whole.current && printAlone(whole.current)} sx={{ mt: 1, ml: -1 }}>
        Print the card
      </Button>
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

const figureNames: Record<Schemas['CardFigure'], string> = {
  toPar: 'Against par',
  fairways: 'Fairways',
  greens: 'Greens',
  upAndDowns: 'Up and down',
  putts: 'Putts',
  penalties: 'Penalties',
};

/** What a figure is, on a card or in rounds: a share, strokes against par, or a number with a decimal where it is a mean. */
function figure(kind: Schemas['CardFigure'], n: number | null, decimals: number) {
  if (n === null) return '–';
  if (kind === 'toPar') return signed(n, decimals);
  return kind === 'fairways' || kind === 'greens' || kind === 'upAndDowns' ? `${Math.round(n)} %` : n.toFixed(decimals);
}

/** The card beside the same holes last time, and beside real rounds for as many holes. */
function BesideOthers({ beside, holes, isExpected }: { beside: Beside[]; holes: number; isExpected: boolean }) {
  const hasLast = beside.some((b) => b.lastTime !== null);
  const hasRounds = beside.some((b) => b.inRounds !== null);
  return (
    <Box
      component="table"
      sx={{
        mt: 1.5,
        borderCollapse: 'collapse',
        width: '100%',
        maxWidth: 460,
        '& th, & td': { py: 0.3, px: 0.75, textAlign: 'right' },
        '& th:first-of-type': { textAlign: 'left', pl: 0, fontWeight: 400 },
        '& thead th': { fontWeight: 500, color: 'text.secondary', fontSize: 14 },
      }}
    >
      <Box component="caption" sx={{ textAlign: 'left', fontWeight: 620, pb: 0.5 }}>
        Beside {[hasLast && 'the same holes last time', hasRounds && 'real rounds'].filter(Boolean).join(' and ')}
      </Box>
      <thead>
        <tr>
          <th scope="col">
            {holes} {holes === 1 ? 'hole' : 'holes'}
          </th>
          <th scope="col">Here</th>
          {hasLast && <th scope="col">Last time</th>}
          {hasRounds && <th scope="col">Real rounds</th>}
        </tr>
      </thead>
      <tbody>
        {beside.map((b) => (
          <tr key={b.figure}>
            <th scope="row">{figureNames[b.figure]}</th>
            <td>{figure(b.figure, b.now, isExpected ? 1 : 0)}</td>
            {hasLast && <td>{figure(b.figure, b.lastTime, isExpected ? 1 : 0)}</td>}
            {hasRounds && <td>{figure(b.figure, b.inRounds, 1)}</td>}
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

/** Strokes gained by part; the parts add up to the whole. */
function Gained({ gained, leavesOut }: { gained: Card['gained']; leavesOut: number }) {
  const whole = gained.reduce((sum, g) => sum + g.strokes, 0);
  return (
    <Box sx={{ mt: 1.5, maxWidth: 460 }}>
      <Box sx={{ fontWeight: 620 }}>Strokes gained</Box>
      <StrokeBars
        rows={[
          ...gained.map((g) => ({ name: partNames[g.part], strokes: g.strokes })),
          { name: 'In all', strokes: whole, isSum: true },
        ]}
      />
      <Box sx={{ mt: 0.5, fontSize: 14, color: 'text.secondary' }}>
        Against what a professional takes from there, by a published table as we remember it: look at which part stands
        out, not at the whole.
        {leavesOut > 0 && ` ${leavesOut === 1 ? 'A hole' : `${leavesOut} holes`} picked up left out.`}
      </Box>
    </Box>
  );
}
