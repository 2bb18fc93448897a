import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Schemas } from '../../api/client';
import { places } from '../../ui/format';
import { Notice } from '../../ui/LocalDraftNotices';
import type { Plan } from './benchState';

interface Props {
  drafted: Schemas['Drafted'];
  variant: number;
  plan: Plan;
  isDrafting: boolean;
  onVariant: (variant: number) => void;
  onPlace: (place: Schemas['PlaceKind']) => void;
  onClose: () => void;
}

/** Why the draft is as it is, and the way to another one and back; where there is none, why, and what would work. */
export function Drafted({ drafted, variant, plan, isDrafting, onVariant, onPlace, onClose }: Props) {
  if (!drafted.plan)
    return (
      <Box component="section" aria-label="Draft">
        <Notice text="Nothing honest can be drafted from these answers. What was on the bench stays.">
          {drafted.offers.map((o) => (
            <Button key={o.place} disabled={isDrafting} onClick={() => onPlace(o.place)}>
              Draft one: {places[o.place].toLowerCase()}
            </Button>
          ))}
          <Button onClick={onClose}>Close</Button>
        </Notice>
        <Box sx={{ mb: 1.5, fontSize: 14.5 }}>
          {[...drafted.compromises, ...drafted.offers.map((o) => o.text)].map((text) => (
            <div key={text}>{text}</div>
          ))}
        </Box>
      </Box>
    );
  const reasons = drafted.reasons.filter((r) => plan.segments.some((s) => s.id === r.segmentId));
  return (
    <Box component="section" aria-label="Draft">
      <Notice text={variant === 0 ? 'Drafted. Everything can be changed.' : `Draft ${variant + 1}.`}>
        {drafted.hasMoreVariants ? (
          <Button disabled={isDrafting} onClick={() => onVariant(variant + 1)}>
            Another
          </Button>
        ) : (
          <span>There is no other one for these answers.</span>
        )}
        {variant > 0 && (
          <Button disabled={isDrafting} onClick={() => onVariant(variant - 1)}>
            The one before
          </Button>
        )}
        <Button onClick={onClose}>Keep this one</Button>
      </Notice>
      <Box component="ol" sx={{ m: 0, mb: 1.5, pl: 2.5, fontSize: 14.5, columns: { md: 2 }, columnGap: 4 }}>
        {reasons.map((r) => (
          <li key={r.segmentId}>
            <b>{plan.segments.find((s) => s.id === r.segmentId)?.title}</b>: {r.why}
          </li>
        ))}
      </Box>
      {drafted.compromises.length > 0 && (
        <Box sx={{ mb: 1.5, fontSize: 14.5, color: 'secondary.main' }}>
          {drafted.compromises.map((c) => (
            <div key={c}>{c}</div>
          ))}
        </Box>
      )}
    </Box>
  );
}
