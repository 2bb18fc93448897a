import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Deleted } from './deleted';

/** Says what was deleted, with the way back. */
export function Message({ deleted, onClose }: { deleted: Deleted; onClose: () => void }) {
  const queries = useQueryClient();
  const [state, setState] = useState<'deleted' | 'restoring' | 'restored'>('deleted');
  const [error, setError] = useState<string>();
  const undo = async () => {
    setState('restoring');
    setError(undefined);
    try {
      await deleted.undo();
      setState('restored');
      await queries.invalidateQueries();
    } catch (thrown) {
      setState('deleted');
      setError(thrown instanceof Error ? thrown.message : 'Couldn’t restore it. Try again.');
    }
  };
  return (
    <Box
      role="status"
      data-testid="deleted"
      className="no-print"
      sx={{
        position: 'fixed',
        left: 16,
        bottom: 16,
        zIndex: 20,
        maxWidth: 'calc(100vw - 32px)',
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        pl: 2,
        pr: 1,
        py: 0.75,
        borderRadius: 2,
        bgcolor: 'text.primary',
        color: 'background.paper',
        boxShadow: 3,
      }}
    >
      <span>{error ?? `“${deleted.name}” ${state === 'restored' ? 'restored' : 'deleted'}.`}</span>
      {state !== 'restored' && (
        <Button color="inherit" disabled={state === 'restoring'} onClick={() => void undo()} sx={{ fontWeight: 700 }}>
          Undo
        </Button>
      )}
      <Button color="inherit" aria-label="Close this message" onClick={onClose} sx={{ minWidth: 44 }}>
        ×
      </Button>
    </Box>
  );
}
