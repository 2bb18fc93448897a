import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { Schemas } from '../../api/client';
import { moment } from '../../ui/format';

interface Props {
  /** Whom the link lets in. */
  who: string;
  link: Schemas['InvitationLink'];
  onClose: () => void;
}

/** A one-time link, to be sent to whom it lets in. */
export function InvitationDialog({ who, link, onClose }: Props) {
  const url = window.location.origin + link.path;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="invite-title">
      <DialogTitle id="invite-title">A link for {who}</DialogTitle>
      <DialogContent>
        Send this link to {who} and to nobody else: whoever opens it first is in. It works once, until{' '}
        {moment(link.expiresAt)}.
        <Box
          component="output"
          data-testid="invitation-link"
          sx={{
            display: 'block',
            mt: 2,
            p: 1.5,
            bgcolor: 'background.default',
            borderRadius: 1,
            overflowWrap: 'anywhere',
            userSelect: 'all',
          }}
        >
          {url}
        </Box>
      </DialogContent>
      <DialogActions>
        {window.isSecureContext && <Button onClick={() => void navigator.clipboard.writeText(url)}>Copy</Button>}
        <Button onClick={onClose} variant="outlined">
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
