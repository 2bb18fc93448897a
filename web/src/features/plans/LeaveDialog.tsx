import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { Blocker } from 'react-router';

/** Before a page with unsaved changes is left. They are kept on this device either way. */
export function LeaveDialog({ blocker }: { blocker: Blocker }) {
  return (
    <Dialog open={blocker.state === 'blocked'} onClose={() => blocker.reset?.()} aria-labelledby="leave-title">
      <DialogTitle id="leave-title">Leave without saving?</DialogTitle>
      <DialogContent>Your changes stay on this device and come back when you open this plan again.</DialogContent>
      <DialogActions>
        <Button onClick={() => blocker.proceed?.()}>Leave</Button>
        <Button variant="contained" onClick={() => blocker.reset?.()}>
          Stay
        </Button>
      </DialogActions>
    </Dialog>
  );
}
