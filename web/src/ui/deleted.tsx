import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useState, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';

/** Something that was just deleted, and how it is had back. */
interface Deleted {
  name: string;
  undo: () => Promise<unknown>;
}

let last: Deleted | undefined;
const listeners = new Set<() => void>();

function show(deleted: Deleted | undefined) {
  last = deleted;
  listeners.forEach((tell) => tell());
}

const subscribe = (tell: () => void) => {
  listeners.add(tell);
  return () => void listeners.delete(tell);
};

/** Restores what was deleted, under the id it had. */
export const restore = (kind: Schemas['DeletedKind'], id: string) =>
  answer(api.POST('/api/deleted/{kind}/{id}/restore', { params: { path: { kind, id } } }));

/** Says that something was deleted, with the way back. It is said until it is closed or something else is deleted. */
export const sayDeleted = (kind: Schemas['DeletedKind'], id: string, name: string) =>
  show({ name, undo: () => restore(kind, id) });

/** Likewise for what keeps no row of its own: it is made anew, under the same id. */
export const sayRemoved = (name: string, undo: () => Promise<unknown>) => show({ name, undo });

/** The message about what was deleted last. One for the whole application. */
export function DeletedMessage() {
  const deleted = useSyncExternalStore(subscribe, () => last);
  return deleted ? <Message key={deleted.name} deleted={deleted} /> : null;
}

function Message({ deleted }: { deleted: Deleted }) {
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
      <Button color="inherit" aria-label="Close this message" onClick={() => show(undefined)} sx={{ minWidth: 44 }}>
        ×
      </Button>
    </Box>
  );
}

/** The way to what was deleted lately. */
export const DeletedLink = () => <Link to="/deleted">Recently deleted</Link>;
