import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { Choice } from '../../ui/Field';
import { ErrorNotice } from '../../ui/states';
import { useChangeState } from './peopleQueries';

interface Props {
  coach: Schemas['StaffView'];
  others: readonly Schemas['StaffView'][];
  onClose: () => void;
}

/** Takes a coach away for good, and asks who looks after the students then. */
export function TakeAwayDialog({ coach, others, onClose }: Props) {
  const me = usePerson();
  const change = useChangeState();
  const [handTo, setHandTo] = useState(me.accountId);
  const heirs = others.filter((o) => o.accountId !== coach.accountId && o.state === 'active');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="take-away-title">
      <DialogTitle id="take-away-title">Take {coach.name} away</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Box>
          The account goes for good, with its password, passkeys and calendar. What {coach.name} planned and wrote
          stays, with the name beside it. To keep the account, close it instead.
        </Box>
        <Choice
          label="Who looks after the students then"
          value={handTo}
          options={heirs.map((h) => ({ value: h.accountId, label: h.name }))}
          onChange={setHandTo}
        />
        {change.error && <ErrorNotice error={change.error} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          disabled={change.isPending}
          onClick={() => change.mutate({ id: coach.accountId, state: 'removed', handTo }, { onSuccess: onClose })}
        >
          Take away
        </Button>
      </DialogActions>
    </Dialog>
  );
}
