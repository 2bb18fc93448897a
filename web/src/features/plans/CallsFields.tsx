import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { planKeys } from '../../api/queryKeys';
import { Chips } from '../../ui/Chips';
import { Field } from '../../ui/Field';
import { clubs, percent, shapes } from '../../ui/format';
import { ErrorNotice } from '../../ui/states';
import type { PracticeSegment } from './benchState';

const most = 60;

/**
 * The calls of a random segment: drawn by seed from clubs, shapes and targets, looked at with how much they change, then
 * kept.
 */
export function CallsFields({
  segment,
  writtenFor,
  onChange,
}: {
  segment: PracticeSegment;
  writtenFor: Schemas['PlanContextView'] | undefined;
  onChange: (to: Partial<PracticeSegment>) => void;
}) {
  const [isOpen, setIsOpen] = useState(false);
  const [seed, setSeed] = useState(1);
  const [chosen, setChosen] = useState<Schemas['ShotShape'][]>(['straight', 'draw', 'fade']);
  const [targets, setTargets] = useState('');
  const protocol = {
    kind: 'calledShots' as const,
    clubs: segment.clubs,
    shapes: chosen,
    targets: targets
      .split(',')
      .map((t) => t.trim())
      .filter(Boolean)
      .slice(0, 8),
    calls: Math.max(1, Math.min(most, segment.balls)),
    // Neither heights nor a declared pattern are asked for here.
    heights: ['normal' as const],
    pattern: [],
    aims: [],
  };
  const drawn = useQuery({
    queryKey: planKeys.calls(protocol, seed),
    queryFn: ({ signal }) => answer(api.POST('/api/plans/calls', { body: { protocol, seed }, signal })),
    enabled: isOpen && segment.clubs.length > 0 && chosen.length > 0,
    placeholderData: (previous) => previous,
    staleTime: Infinity,
  });
  const kept = segment.calls;
  return (
    <Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button aria-expanded={isOpen} onClick={() => setIsOpen((o) => !o)} sx={{ ml: -1.25 }}>
          {kept.length > 0 ? `${kept.length} calls written down` : 'Write the calls down'}
        </Button>
        {kept.length > 0 && <Button onClick={() => onChange({ calls: [] })}>Leave them out</Button>}
      </Box>
      {isOpen && (
        <Box sx={{ display: 'grid', gap: 1.5, p: 1.5, border: '1px solid', borderColor: 'line', borderRadius: 2 }}>
          <Chips label="Shapes, as the player sees them" names={shapes} value={chosen} onChange={setChosen} />
          <Field
            label="Targets"
            hint="With commas between them; the awkward ones belong in."
            value={targets}
            onChange={(e) => setTargets(e.target.value)}
          />
          {writtenFor && <Awkward writtenFor={writtenFor} segment={segment} onChange={onChange} />}
          {segment.clubs.length === 0 && <Box>Choose the segment’s clubs first.</Box>}
          {drawn.error && <ErrorNotice error={drawn.error} />}
          {drawn.data && segment.clubs.length > 0 && (
            <>
              <Box sx={{ fontSize: 14.5, color: 'text.secondary' }} data-testid="variety">
                From call to call the club changes {percent(drawn.data.variety.club)}, the shape{' '}
                {percent(drawn.data.variety.shape)}
                {protocol.targets.length > 1 && `, the target ${percent(drawn.data.variety.target)}`} of the time.
              </Box>
              <Box component="ol" sx={{ m: 0, pl: 3, columns: 2, fontSize: 14.5, maxHeight: 200, overflowY: 'auto' }}>
                {drawn.data.calls.map((call, i) => (
                  <li key={i}>
                    {clubs[call.club]}, {shapes[call.shape].toLowerCase()}
                    {call.target && `, ${call.target}`}
                  </li>
                ))}
              </Box>
              <Box sx={{ display: 'flex', gap: 1 }}>
                <Button onClick={() => setSeed((s) => s + 1)}>Roll again</Button>
                <Button disabled={seed === 1} onClick={() => setSeed((s) => s - 1)}>
                  The list before
                </Button>
                <Button
                  variant="contained"
                  onClick={() => {
                    onChange({ calls: drawn.data.calls });
                    setIsOpen(false);
                  }}
                >
                  Take this list
                </Button>
              </Box>
            </>
          )}
        </Box>
      )}
    </Box>
  );
}

/** What the student would rather not be called, and so should be: clubs to bring in, sides to pick targets on. */
function Awkward({
  writtenFor,
  segment,
  onChange,
}: {
  writtenFor: Schemas['PlanContextView'];
  segment: PracticeSegment;
  onChange: (to: Partial<PracticeSegment>) => void;
}) {
  const missing = writtenFor.dislikedClubs.filter((c) => !segment.clubs.includes(c));
  const sides = writtenFor.dislikedSides.join(' and ');
  if (missing.length === 0 && !sides) return null;
  return (
    <Box sx={{ fontSize: 14.5 }}>
      Awkward for {writtenFor.name}, and so worth calling:{' '}
      {[missing.map((c) => clubs[c]).join(', '), sides && `targets on the ${sides}`].filter(Boolean).join('; ')}.{' '}
      {missing.length > 0 && (
        <Button size="small" onClick={() => onChange({ clubs: [...segment.clubs, ...missing] })}>
          Bring the clubs in
        </Button>
      )}
    </Box>
  );
}
