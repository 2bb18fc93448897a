import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { thumb } from '../../app/theme';
import { phaseOrder, phases, PhaseSign } from '../../ui/phases';
import { Key } from '../../ui/states';

export const addKeys = { warmUp: 'w', block: 'b', random: 'r', onCourse: 'o', pause: 'p' } as const;

interface Props {
  onAdd: (of: keyof typeof addKeys) => void;
  onDrill: () => void;
}

/** One press for a segment of each kind. */
export function AddSegment({ onAdd, onDrill }: Props) {
  return (
    <Box
      className="no-print"
      role="group"
      aria-label="Add a segment"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, mb: 0.5 }}
    >
      {phaseOrder.map((phase) => (
        <Add key={phase} onPress={() => onAdd(phase)} of={addKeys[phase]}>
          <PhaseSign phase={phase} size={16} />
          <Box component="span" sx={{ ml: 0.75 }}>
            {phases[phase].name}
          </Box>
        </Add>
      ))}
      <Add onPress={() => onAdd('pause')} of={addKeys.pause}>
        Pause
      </Add>
      <Add onPress={onDrill} of="d">
        Drill
      </Add>
    </Box>
  );
}

function Add({ onPress, of, children }: { onPress: () => void; of: string; children: ReactNode }) {
  return (
    <Button size="small" variant="outlined" onClick={onPress} sx={{ px: 0.9, minHeight: thumb(32), fontSize: 13 }}>
      {children}
      <Key>{of}</Key>
    </Button>
  );
}
