import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { thumb } from '../../app/theme';
import { answer, api, type Schemas } from '../../api/client';
import { Field } from '../../ui/Field';
import { minutes } from '../../ui/format';
import { Loading, ErrorNotice } from '../../ui/states';
import { useShelf } from '../drills/queries';

interface Props {
  place: Schemas['PlaceKind'];
  minutesLeft: number | null;
  equipment: Schemas['Equipment'][] | undefined;
  onTake: (drill: Schemas['DrillView']) => void;
  onAll: () => void;
}

/** The shelf beside the plan: what fits this place, this student and the time that is left, then everything else. */
export function DrillsThatFit({ place, minutesLeft, equipment, onTake, onAll }: Props) {
  const [text, setText] = useState('');
  const fitting = useShelf({
    text,
    place,
    minutes: minutesLeft !== null && minutesLeft > 0 ? minutesLeft : undefined,
    atHand: equipment?.join(','),
  });
  const all = useShelf({ text });
  const take = useMutation({
    mutationFn: (id: string) => answer(api.GET('/api/drills/{id}', { params: { path: { id } } })),
    onSuccess: onTake,
  });
  const error = all.error ?? fitting.error ?? take.error;
  if (error) return <ErrorNotice error={error} onRetry={() => void all.refetch()} />;
  if (!all.data || !fitting.data) return <Loading what="the shelf" />;
  const fits = new Set(fitting.data.map((d) => d.id));
  const others = all.data.filter((d) => !fits.has(d.id));
  const row = (drill: Schemas['DrillSummary']) => (
    <Box component="li" key={drill.id} sx={{ borderBottom: '1px solid', borderColor: 'line' }}>
      <Button
        fullWidth
        disabled={take.isPending}
        onClick={() => take.mutate(drill.id)}
        sx={{ justifyContent: 'space-between', textAlign: 'left', px: 0.5, minHeight: thumb(38), gap: 1 }}
      >
        <span>{drill.name}</span>
        <Box component="span" sx={{ color: 'text.secondary', fontWeight: 400, whiteSpace: 'nowrap' }}>
          {minutes(drill.usualMinutes)}
        </Box>
      </Button>
    </Box>
  );
  return (
    <Box component="section" aria-label="Drills" sx={{ minWidth: 0 }}>
      <Field
        label="Drills that fit"
        placeholder="Look for words"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxHeight: 420, overflowY: 'auto' }}>
        {fitting.data.map(row)}
        {fitting.data.length === 0 && (
          <Typography component="li" sx={{ py: 1, color: 'text.secondary' }}>
            Nothing fits what is left.
          </Typography>
        )}
        {others.length > 0 && (
          <Box component="li" sx={{ pt: 1.5, color: 'text.secondary', fontSize: 14 }}>
            The rest of the shelf
          </Box>
        )}
        {others.map(row)}
      </Box>
      <Button onClick={onAll} sx={{ mt: 0.5, ml: -1 }}>
        Search the whole shelf
      </Button>
    </Box>
  );
}
