import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { CopyHow } from './useSheetActions';

/** How last week is copied where this week has sessions already. */
export function CopyDialog({ onCopy, onClose }: { onCopy: (how: CopyHow) => void; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="copy-title">
      <DialogTitle id="copy-title">Copy last week</DialogTitle>
      <DialogContent>
        Some of these weeks have sessions already. Published sessions stay in any case. No day gets the same plan twice.
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap', gap: 1 }}>
        <Button onClick={onClose}>Cancel</Button>
        <Button onClick={() => onCopy('add')}>Add sessions</Button>
        <Button onClick={() => onCopy('replace')}>Replace drafts</Button>
        <Button variant="contained" autoFocus onClick={() => onCopy('empty')}>
          Fill empty weeks
        </Button>
      </DialogActions>
    </Dialog>
  );
}
