import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { PageHeading } from '../../ui/PageHeading';
import { Key } from '../../ui/states';
import type { Bench } from './useBench';

interface Props {
  bench: Bench;
  onDraftOne: () => void;
  /** What is done with a plan as a whole; none where the text is somebody's session. */
  ofPlan: { onSet: () => void; onRemove: () => void } | undefined;
}

/** The plan's name, whether it is saved, and what is done with it as a whole. */
export function BenchHead({ bench, onDraftOne, ofPlan }: Props) {
  const { draft, change } = bench;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mt: 1.5, mb: 0.75, flexWrap: 'wrap' }}>
      <PageHeading>{draft.plan.title || 'New plan'}</PageHeading>
      <Typography
        role="status"
        data-testid="save-state"
        sx={{ color: bench.isDirty ? 'secondary.main' : 'text.secondary' }}
      >
        {bench.isSaving ? 'saving …' : bench.isDirty ? 'not saved yet' : bench.isSaved ? 'saved' : ''}
      </Typography>
      <Box className="no-print" sx={{ ml: 'auto', display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button disabled={draft.past.length === 0} onClick={() => change({ do: 'undo' })}>
          Undo<Key>Ctrl Z</Key>
        </Button>
        <Button disabled={draft.future.length === 0} onClick={() => change({ do: 'redo' })}>
          Redo<Key>Ctrl Y</Key>
        </Button>
        <Button variant="outlined" onClick={onDraftOne}>
          Draft one<Key>g</Key>
        </Button>
        {bench.isSaved && (
          <Button disabled={bench.isDirty} component={Link} to="/plans/new" state={{ copyOf: draft.plan }}>
            Copy
          </Button>
        )}
        {bench.isSaved && ofPlan && (
          <>
            <Button onClick={ofPlan.onRemove} disabled={bench.isDirty}>
              Delete plan
            </Button>
            <Button variant="outlined" disabled={bench.isDirty} onClick={ofPlan.onSet}>
              Set for students
            </Button>
          </>
        )}
        <Button variant="contained" onClick={bench.save} disabled={!bench.isDirty || bench.isSaving}>
          Save<Key>Ctrl S</Key>
        </Button>
      </Box>
    </Box>
  );
}
