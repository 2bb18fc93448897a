import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { thumb } from '../../app/theme';
import { answer, api, type Schemas } from '../../api/client';
import { ErrorNotice } from '../../ui/states';
import type { Search } from '../drills/queries';
import { Shelf } from '../drills/Shelf';

/** The shelf, to take a drill from into the plan. */
export function DrillDialog({
  onClose,
  onChoose,
}: {
  onClose: () => void;
  onChoose: (drill: Schemas['DrillView']) => void;
}) {
  const [search, setSearch] = useState<Search>({});
  const take = useMutation({
    mutationFn: (id: string) => answer(api.GET('/api/drills/{id}', { params: { path: { id } } })),
    onSuccess: onChoose,
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-labelledby="drill-title">
      <DialogTitle id="drill-title">A drill from the shelf</DialogTitle>
      <DialogContent>
        {take.error && <ErrorNotice error={take.error} />}
        <Shelf
          search={search}
          onSearch={setSearch}
          action={(drill, name) => (
            <Button
              onClick={() => take.mutate(drill.id)}
              disabled={take.isPending}
              sx={{ ml: -1.25, py: 0, minHeight: thumb(30), fontSize: 16 }}
            >
              {name}
            </Button>
          )}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
      </DialogActions>
    </Dialog>
  );
}
