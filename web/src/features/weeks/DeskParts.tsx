import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { onDemand } from '../../ui/onDemand';
import { Key } from '../../ui/states';
import type { Desk } from './useDesk';

const PublishDialog = onDemand(() => import('./PublishDialog').then((m) => m.PublishDialog));
const CopyDialog = onDemand(() => import('./CopyDialog').then((m) => m.CopyDialog));
const PlansDrawer = onDemand(() => import('./PlansDrawer').then((m) => m.PlansDrawer));

/** What is done for all whose week is shown, or for those who are selected. */
export function DeskActs({ desk }: { desk: Desk }) {
  const { rows, actions, whom, showsPlans } = desk;
  const drafts = rows.flatMap((r) => r.sessions).filter((s) => !s.isPublished).length;
  return (
    <Box sx={{ display: 'flex', gap: 1, ml: 'auto', flexWrap: 'wrap' }}>
      <Button variant="outlined" onClick={actions.undo} disabled={!actions.canUndo || actions.isBusy}>
        Undo<Key>Ctrl Z</Key>
      </Button>
      <Button variant="outlined" onClick={desk.askCopy} disabled={actions.isBusy}>
        Copy last week<Key>l</Key>
      </Button>
      {rows.some((r) => r.programmes.length > 0) && (
        <Button variant="outlined" onClick={() => void actions.fill(whom)} disabled={actions.isBusy}>
          Programmes<Key>f</Key>
        </Button>
      )}
      <Button variant="outlined" onClick={() => void actions.place(whom)} disabled={actions.isBusy}>
        Place for me<Key>g</Key>
      </Button>
      <Button variant="outlined" onClick={() => desk.setShowsPlans(!showsPlans)} aria-pressed={showsPlans}>
        Plans<Key>d</Key>
      </Button>
      <Button
        variant="contained"
        color={drafts > 0 ? 'secondary' : 'primary'}
        onClick={() => desk.setPublishing(whom)}
        disabled={actions.isBusy || rows.length === 0}
      >
        Publish{drafts > 0 ? ` ${drafts}` : ''}
        <Key>p</Key>
      </Button>
    </Box>
  );
}

/** The drawer of plans, while it is open. */
export function DeskDrawer({ desk }: { desk: Desk }) {
  return desk.showsPlans && <PlansDrawer desk={desk} />;
}

/** What would be published and what is held back, while that is asked for. */
export function DeskPublishing({ desk }: { desk: Desk }) {
  const { week, publishing, setPublishing, actions, copying, setCopying, checks } = desk;
  if (copying)
    return (
      <CopyDialog
        onClose={() => setCopying(undefined)}
        onCopy={(how) => {
          setCopying(undefined);
          void actions.copyLastWeek(copying, how);
        }}
      />
    );
  return (
    publishing && (
      <PublishDialog
        week={week}
        students={publishing}
        checks={checks}
        onClose={() => setPublishing(undefined)}
        onPublish={() => {
          setPublishing(undefined);
          void actions.publish(publishing);
        }}
      />
    )
  );
}
