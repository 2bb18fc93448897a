import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { lengthUnits } from '../../ui/format';
import { GreenDrawing, HoleDrawing, isPlace, type DrawnHole } from '../courses/HoleDrawing';
import type { NewAnswer } from './FlowQuestion';
import { offersOf, type DrillInput, type Flow, type Walk } from './flow';

type Laid = Schemas['LaidHoles'];

interface Props {
  laid: Laid;
  flow: Flow;
  walk: Walk;
  inputs: readonly DrillInput[];
  /** What a press on the drawing answers; none where it only shows. */
  onAnswer?: ((answer: NewAnswer) => void) | undefined;
}

/** An edge of a fairway as it is read off the range. */
const edgeWords = (edge: Schemas['FairwayEdge'] | null | undefined) => (edge ? edge.targets.join(' / ') : '');

/** A laid hole as it is drawn. */
export const drawnOf = ({ left, right, across, fairway, ...hole }: Schemas['LaidHole']): DrawnHole => ({
  ...hole,
  left: left ?? null,
  right: right ?? null,
  across: across ?? null,
  ...(fairway?.left && fairway.right && { edges: { left: edgeWords(fairway.left), right: edgeWords(fairway.right) } }),
});

const shortWords: Record<string, string> = {
  roughLeft: 'rough',
  roughRight: 'rough',
  sandLeft: 'sand',
  sandRight: 'sand',
  treesLeft: 'trees',
  treesRight: 'trees',
  waterLeft: 'water',
  waterRight: 'water',
  outLeft: 'out',
  outRight: 'out',
  waterAcross: 'water',
  sandAcross: 'sand',
  shortOfGreen: 'short',
  leftShort: 'short',
  leftOfGreen: 'left',
  rightOfGreen: 'right',
  overGreen: 'over',
  greenSand: 'bunker',
  greenWater: 'water',
  holed: 'holed',
};

/** The hole that is played, where the ball lies, and, while it is asked, where it may have gone. */
export function HolePicture({ laid, flow, walk, inputs, onAnswer }: Props) {
  const { registers, state } = walk;
  if (state?.at?.step === 'putt') return <Waiting laid={laid} walk={walk} />;
  const hole = laid.holes[registers.hole ?? 0];
  if (!hole || !state) return null;
  const unit = lengthUnits[laid.unit];
  const left = registers.left === undefined ? hole.length : registers.left / 10;
  const drawn = drawnOf(hole);
  const label = `Hole ${hole.number}, par ${hole.par}, ${hole.length} ${unit}; ${left} ${unit} left`;
  const places =
    state.at?.step === 'finish' && onAnswer
      ? offersOf(flow, walk).map(({ value }) => ({ value, label: shortWords[value] ?? value }))
      : [];
  const press = (value: string) => onAnswer?.({ kind: 'choice', value });
  const club = inputs.at(-1);
  const carry = club?.kind === 'choice' ? laid.numbers.find((n) => n.value === club.value)?.carry : undefined;
  // Where the last ball that was told of lies, once its number was given; a tee shot has none, nor has one played again.
  const told =
    (registers.shot ?? 0) > 0
      ? inputs.findLast((i, at) => i.kind === 'choice' && isPlace(i.value) && at + 1 < inputs.length)
      : undefined;
  return places.some((p) => p.value === 'green') ? (
    <GreenDrawing hole={drawn} places={places} onPlace={press} label={label} />
  ) : (
    <HoleDrawing
      hole={drawn}
      left={left}
      lies={told?.kind === 'choice' ? told.value : undefined}
      landing={carry ? hole.length - left + carry : undefined}
      places={places}
      onPlace={press}
      label={label}
    />
  );
}

const sorts = ['birdie or better', 'par', 'bogey', 'more'];

/** The putts that wait, in the order in which they are holed out. */
function Waiting({ laid, walk }: { laid: Laid; walk: Walk }) {
  const { registers } = walk;
  // A number above zero says what a hole's first putt is for; those of the holes already putted come before the one in hand.
  const kind = registers._kind ?? 0;
  const now = registers.puttHole ?? 0;
  const putts = laid.holes
    .map((hole, i) => ({ hole, i, sort: (registers[`_want${i}`] ?? 0) - 1, feet: (registers[`_feet${i}`] ?? 0) / 10 }))
    .filter((p) => p.sort >= 0)
    .sort((a, b) => a.sort - b.sort || a.i - b.i);
  return (
    <Box component="ol" aria-label="Putts that wait" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {putts.map(({ hole, i, sort, feet }) => {
        const isDone = sort < kind || (sort === kind && i < now);
        return (
          <Box
            component="li"
            key={i}
            aria-current={i === now ? 'step' : undefined}
            sx={{
              display: 'flex',
              gap: 1,
              px: 1,
              py: 0.5,
              borderRadius: 1,
              fontWeight: i === now ? 650 : 400,
              color: isDone ? 'text.secondary' : 'text.primary',
              bgcolor: i === now ? 'background.default' : undefined,
            }}
          >
            <Box component="span" sx={{ minWidth: 64 }}>
              hole {hole.number}
            </Box>
            <Box component="span" sx={{ flex: 1 }}>
              for {sorts[sort]}
            </Box>
            <span>{isDone ? 'in' : `${feet} ft`}</span>
          </Box>
        );
      })}
    </Box>
  );
}
