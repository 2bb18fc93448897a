import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { reviewKeys, weekViews } from '../../api/queryKeys';
import { useKeys } from '../../app/keys';
import { count } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Key, Loading } from '../../ui/states';
import { everybody } from '../students/WhoseButtons';
import { Stop } from './Stop';

/** The most students that one walk passes. */
const mostRows = 500;

/** The walk down the tee line: one stop a student, whoever needs a look first, until all are seen. */
export function WalkPage() {
  const [query] = useSearchParams();
  const walk = { rows: mostRows, ...(query.get('whose') === everybody && { everybody: true }) };
  // The order of a walk stays as it was begun: what is decided on the way moves nobody about.
  const line = useQuery({
    queryKey: [...reviewKeys.walk, walk],
    queryFn: () => answer(api.GET('/api/review/tee-line', { params: { query: walk } })),
    staleTime: Infinity,
    gcTime: 0,
  });
  if (line.isPending) return <Loading what="the tee line" />;
  if (line.error) return <ErrorNotice error={line.error} onRetry={() => void line.refetch()} />;
  if (line.data.rows.length === 0)
    return <Empty title="Nobody on the tee line yet">Add your first student on the tee line.</Empty>;
  return <Walk rows={line.data.rows} />;
}

type Row = Schemas['ReviewRow'];

/** The first stop from a place on that is neither seen nor somebody else's; −1 where there is none. */
const nextOf = (rows: readonly Row[], seen: ReadonlySet<string>, from: number) => {
  const open = (row: Row | undefined) => row && !seen.has(row.student.id) && !row.heldBy;
  const ahead = rows.findIndex((row, i) => i >= from && open(row));
  return ahead >= 0 ? ahead : rows.findIndex(open);
};

function Walk({ rows }: { rows: Row[] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [seen, setSeen] = useState<ReadonlySet<string>>(
    () => new Set(rows.filter((r) => r.isSeen).map((r) => r.student.id)),
  );
  const [at, setAt] = useState(() => nextOf(rows, seen, 0));
  // Whom another coach took since the walk began.
  const [taken, setTaken] = useState<ReadonlySet<string>>(new Set());
  const [passed, setPassed] = useState('');
  const row = rows[at];
  const studentId = row?.student.id ?? '';
  const path = { studentId };
  const held = useQuery({
    queryKey: [...reviewKeys.stop(studentId), 'held'],
    enabled: studentId !== '',
    queryFn: async () => {
      try {
        await answer(api.PUT('/api/review/stops/{studentId}/held', { params: { path } }));
      } catch (error) {
        if (!(error instanceof Problem && error.status === 409) || !row) throw error;
        const others = new Set([...taken, row.student.id]);
        setTaken(others);
        setPassed(`${row.student.name} was passed over: ${error.message}`);
        setAt((i) => nextOf(rows, new Set([...seen, ...others]), i + 1));
      }
      return true;
    },
    // A sign of life well before the ten minutes after which another coach may stop here.
    refetchInterval: 240_000,
    staleTime: 0,
    retry: false,
  });
  const marked = useMutation({
    mutationFn: ({ id, score }: { id: string; score: number }) =>
      answer(api.PUT('/api/review/stops/{studentId}/seen', { params: { path: { studentId: id } }, body: { score } })),
    onSuccess: () => Promise.all(weekViews.map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
  const release = (id: string) =>
    void api
      .DELETE('/api/review/stops/{studentId}/held', { params: { path: { studentId: id } } })
      .catch(() => undefined);
  const stopAt = (to: number) => {
    if (row) release(row.student.id);
    setAt(to);
  };
  const step = (by: number) => row && stopAt((at + by + rows.length) % rows.length);
  const goOn = (score: number) => {
    if (!row) return;
    const now = new Set([...seen, row.student.id]);
    marked.mutate({ id: row.student.id, score });
    setSeen(now);
    setPassed('');
    setAt((i) => nextOf(rows, new Set([...now, ...taken]), i + 1));
  };
  useKeys({
    ArrowRight: () => step(1),
    ArrowLeft: () => step(-1),
    Escape: () => {
      if (row) release(row.student.id);
      void navigate('/tee-line');
    },
  });
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mt: 3, mb: 1, flexWrap: 'wrap' }}>
        <PageHeading>{row ? row.student.name : `All ${rows.length} seen`}</PageHeading>
        <Typography sx={{ color: 'text.secondary' }}>
          {row && `stop ${at + 1} of ${rows.length}, ${seen.size} seen`}
        </Typography>
        <Box sx={{ ml: 'auto', display: 'flex', gap: 1 }}>
          {row && (
            <>
              <Button onClick={() => step(-1)}>
                Back<Key>←</Key>
              </Button>
              <Button onClick={() => step(1)}>
                Pass over<Key>→</Key>
              </Button>
            </>
          )}
          <Button component={Link} to="/tee-line" variant="outlined">
            Leave the walk<Key>Esc</Key>
          </Button>
        </Box>
      </Box>
      <Bays rows={rows} at={at} seen={seen} taken={taken} onStop={stopAt} />
      {passed && (
        <Typography role="status" sx={{ mb: 1 }}>
          {passed}
        </Typography>
      )}
      {marked.error && <ErrorNotice error={marked.error} onRetry={() => marked.mutate(marked.variables)} />}
      {row ? (
        held.error ? (
          <ErrorNotice error={held.error} onRetry={() => void held.refetch()} />
        ) : (
          <Stop key={studentId} studentId={studentId} onSeen={goOn} />
        )
      ) : (
        <Typography sx={{ mt: 2, fontSize: 18 }}>
          {seen.size === rows.length
            ? `That was the walk: ${count(rows.length, 'student')}, all seen this week.`
            : `${seen.size} seen; the others are being looked at by another coach.`}{' '}
          <Link to="/tee-line">Back to the tee line</Link>
        </Typography>
      )}
    </>
  );
}

/** The line of bays, small: where the walk is, who was seen, who is somebody else's just now. */
function Bays({
  rows,
  at,
  seen,
  taken,
  onStop,
}: {
  rows: readonly Row[];
  at: number;
  seen: ReadonlySet<string>;
  taken: ReadonlySet<string>;
  onStop: (at: number) => void;
}) {
  return (
    <Box
      role="group"
      aria-label={`Bays, ${seen.size} of ${rows.length} seen`}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: '10px 4px',
        alignItems: 'flex-end',
        borderBottom: '2.5px solid',
        overflowX: 'clip',
        mb: 2,
      }}
    >
      {rows.map((row, i) => (
        <Box
          key={row.student.id}
          component="button"
          type="button"
          // The arrow keys walk along the bays; Tab goes past them.
          tabIndex={-1}
          title={row.student.name}
          aria-label={`${row.student.name}${seen.has(row.student.id) ? ', seen' : ''}`}
          onClick={() => onStop(i)}
          sx={{
            flex: '1 1 14px',
            maxWidth: 46,
            height: i === at ? 28 : 18,
            border: '1.5px solid',
            p: 0,
            cursor: 'pointer',
            borderColor: 'primary.main',
            borderBottom: 0,
            position: 'relative',
            // The ground goes on under every row of bays, where a phone needs more than one.
            '&::after': {
              content: '""',
              position: 'absolute',
              insetInline: '-6px',
              top: '100%',
              borderTop: '2.5px solid',
              borderColor: 'text.primary',
            },
            borderStyle: row.heldBy || taken.has(row.student.id) ? 'dashed' : 'solid',
            bgcolor: seen.has(row.student.id) ? 'primary.main' : i === at ? 'background.paper' : 'transparent',
          }}
        />
      ))}
    </Box>
  );
}
