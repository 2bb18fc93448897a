import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Key } from '../../ui/states';
import type { Said } from './useSheet';

/** How many refusals are told in full. */
const most = 5;

interface Props {
  said: Said | undefined;
  canUndo: boolean;
  isBusy: boolean;
  onUndo: () => void;
}

/** What the sheet did last, what it could not do and why, and the way back. */
export function SheetSaid({ said, canUndo, isBusy, onUndo }: Props) {
  return (
    <Box sx={{ minHeight: 40, display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
      <Button variant="outlined" onClick={onUndo} disabled={!canUndo || isBusy}>
        Undo<Key>Ctrl Z</Key>
      </Button>
      <Box role="status" sx={{ fontSize: 15 }}>
        {isBusy ? 'Working …' : said?.text}
      </Box>
      {said && said.refused.length > 0 && (
        <Box role="alert" sx={{ pl: 1.5, borderLeft: '4px solid', borderColor: 'error.main', fontSize: 15 }}>
          {said.refused.slice(0, most).map((why) => (
            <div key={why}>{why}</div>
          ))}
          {said.refused.length > most && <div>And {said.refused.length - most} more.</div>}
        </Box>
      )}
    </Box>
  );
}
