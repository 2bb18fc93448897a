import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { count, dayName, minutes } from '../../ui/format';
import { findingLevels } from '../../ui/findingLevels';
import { ErrorNotice, Loading } from '../../ui/states';

interface Props {
  week: string;
  students: readonly string[];
  /** What the check says of each week, as the sheet's rows show it. */
  checks: ReadonlyMap<string, Schemas['CheckedStudentWeek']>;
  onPublish: () => void;
  onClose: () => void;
}

/** What the students will see, and what holds the rest back, before anything is published. */
export function PublishDialog({ week, students, checks, onPublish, onClose }: Props) {
  const preview = useQuery({
    queryKey: ['weeks', 'preview', week, students],
    queryFn: () =>
      answer(
        api.POST('/api/weeks/{week}/publish', {
          params: { path: { week } },
          body: { students: [...students], isPreview: true },
        }),
      ),
    gcTime: 0,
  });
  const weeks = preview.data?.filter((w) => w.published.length > 0 || w.notPublished.length > 0) ?? [];
  const sessions = weeks.reduce((sum, w) => sum + w.published.length, 0);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="publish-title">
      <DialogTitle id="publish-title">
        {preview.data
          ? sessions > 0
            ? `Publish ${count(sessions, 'session')} for ${count(weeks.filter((w) => w.published.length > 0).length, 'student')}`
            : 'Nothing can be published'
          : 'Publish'}
      </DialogTitle>
      <DialogContent tabIndex={0} role="region" aria-label="What will be seen">
        {preview.isPending && <Loading what="what will be seen" />}
        {preview.error && <ErrorNotice error={preview.error} onRetry={() => void preview.refetch()} />}
        {preview.data && weeks.length === 0 && <div>There are no drafts. Everything that is set is published.</div>}
        {weeks.map((w) => (
          <Box key={w.studentId} component="section" aria-label={w.studentName} sx={{ mb: 1.5 }}>
            <Box sx={{ fontWeight: 640 }}>{w.studentName}</Box>
            {w.published.map((p) => (
              <div key={p.assignmentId}>
                {p.day ? dayName(p.day) : 'Any day'}: {p.title}, {minutes(p.minutes)}
                {p.requirement === 'extra' && ', extra'}
              </div>
            ))}
            <KeptBack kept={w.notPublished} />
            <Cautions check={checks.get(w.studentId)} />
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          // Takes the focus once there is something to publish.
          key={String(sessions > 0)}
          variant="contained"
          color="secondary"
          autoFocus
          disabled={sessions === 0}
          onClick={onPublish}
        >
          Publish
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Everything above a note that the row on the sheet shows: it holds nothing back, and is to be seen before it is published. */
function Cautions({ check }: { check: Schemas['CheckedStudentWeek'] | undefined }) {
  const found = [...(check?.week ?? []), ...(check?.sessions.flatMap((s) => s.findings) ?? [])].filter(
    (f) => f.level !== 'note',
  );
  return [...new Map(found.map((f) => [f.why, f])).values()].map((f) => (
    <Box key={f.why} sx={{ color: findingLevels[f.level].colour }}>
      {findingLevels[f.level].sign} {f.why}
    </Box>
  ));
}

/** What holds sessions back, each thing once. */
function KeptBack({ kept }: { kept: readonly Schemas['NotPublished'][] }) {
  if (kept.length === 0) return null;
  return (
    <Box sx={{ pl: 1.5, mt: 0.5, borderLeft: '4px solid', borderColor: 'error.main' }}>
      {kept.map((k) => (
        <div key={`${k.assignmentId} ${k.path} ${k.why}`}>
          <b>Stays a draft:</b> {k.title}
          {k.segment && `, “${k.segment}”`}: {k.why}
        </div>
      ))}
    </Box>
  );
}
