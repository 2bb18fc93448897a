import Box from '@mui/material/Box';
import { useLiveQuery } from 'dexie-react-hooks';
import { isUnsent, orNothing, deviceStore } from '../../app/deviceStore';
import { count } from '../../ui/format';

/** That work is still on this device and not sent, before anybody signs in. Whose it is is nobody else’s business. */
export function WhatIsKept() {
  const logs = useLiveQuery(() => orNothing(deviceStore.logs.filter(isUnsent).toArray())) ?? [];
  if (logs.length === 0) return null;
  return (
    <Box role="status" sx={{ mt: 3, p: 2, bgcolor: 'background.paper', borderRadius: 2, fontSize: 15 }}>
      {logs.map((log) => (
        <div key={log.localId}>
          {count(log.count - log.sent, 'entry', 'entries')} of a session kept on this device. Sent when whoever
          practised it signs in here.
        </div>
      ))}
    </Box>
  );
}
