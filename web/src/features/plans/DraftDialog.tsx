import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { Problem, type Schemas } from '../../api/client';
import { Chips } from '../../ui/Chips';
import { Choice, optionsOf } from '../../ui/Field';
import { approaches, areas, places } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { ErrorNotice } from '../../ui/states';

interface Props {
  constraints: Schemas['PlanConstraints'];
  error: Error | null;
  isDrafting: boolean;
  onDraft: (request: Schemas['DraftRequest']) => void;
  onClose: () => void;
}

/** A few answers for a whole plan. */
export function DraftDialog({ constraints, error, isDrafting, onDraft, onClose }: Props) {
  const [minutes, setMinutes] = useState<number | null>(constraints.minutes ?? 60);
  const [balls, setBalls] = useState<number | null>(constraints.balls ?? 100);
  const [where, setWhere] = useState<Schemas['PlaceKind'][]>(['range']);
  const [area, setArea] = useState<Schemas['Area'] | ''>('');
  const [approach, setApproach] = useState<Schemas['Approach'] | ''>(constraints.approach ?? '');
  const problem = error instanceof Problem ? error : undefined;
  const at = (field: string) => problem?.fieldError(`request.${field}`);
  const isSaidAtFields = ['minutes', 'balls', 'places'].some(at);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="draft-title">
      <DialogTitle id="draft-title">Draft one</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1.5 }}>
          <NumberField label="Minutes" value={minutes} onChange={setMinutes} error={at('minutes')} />
          <NumberField label="Range balls" value={balls} onChange={setBalls} error={at('balls')} />
          <Choice
            label="About"
            value={area}
            options={[{ value: '', label: 'what the student finds weak' }, ...optionsOf(areas)]}
            onChange={setArea}
          />
          <Choice
            label="Approach"
            value={approach}
            options={[{ value: '', label: 'the student’s, or three parts' }, ...optionsOf(approaches)]}
            onChange={setApproach}
          />
        </Box>
        <Chips label="Where" names={places} value={where} onChange={setWhere} error={at('places')} />
        {error && !isSaidAtFields && <ErrorNotice error={error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          disabled={isDrafting}
          onClick={() =>
            onDraft({
              minutes: Math.round(minutes ?? 0),
              balls: Math.round(balls ?? 0),
              places: where,
              area: area || null,
              approach: approach || null,
              hot: constraints.hot ?? false,
              windFromDegrees: constraints.windFromDegrees ?? null,
              warmedUpBefore: constraints.warmedUpBefore ?? false,
              variant: 0,
            })
          }
        >
          Draft
        </Button>
      </DialogActions>
    </Dialog>
  );
}
