import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { reviewKeys } from '../../api/queryKeys';
import { useKeys } from '../../app/keys';
import { onDemand } from '../../ui/onDemand';
import { PageHeading } from '../../ui/PageHeading';
import { dayName, dueInWords, hands, levels, percent, statuses } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, Key, Loading, ErrorNotice } from '../../ui/states';
import { OpenPainList } from '../../ui/OpenPainList';
import { useTestDays } from '../testDays/queries';
import { everybody, WhoseButtons } from '../students/WhoseButtons';
import { TeeLine } from './TeeLine';

const StudentDialog = onDemand(() => import('../students/StudentDialog').then((m) => m.StudentDialog));

/** The most students that one answer tells of. */
const mostRows = 500;

/** The coach's home: the students as bays, in the order in which they need a look. */
export function TeeLinePage() {
  const [isWhole, setIsWhole] = useState(false);
  const [whose, setWhose] = useState('');
  const walk = { ...(isWhole && { rows: mostRows }), ...(whose === everybody && { everybody: true }) };
  const line = useQuery({
    queryKey: reviewKeys.teeLineOf(walk),
    queryFn: () => answer(api.GET('/api/review/tee-line', { params: { query: walk } })),
    placeholderData: (before) => before,
  });
  const tests = useTestDays();
  const due = tests.data?.filter((t) => t.isDue).length ?? 0;
  const [isAdding, setIsAdding] = useState(false);
  const [at, setAt] = useState(0);
  const navigate = useNavigate();
  const rows = line.data?.rows ?? [];
  const walkPath = whose === everybody ? `/walk?whose=${everybody}` : '/walk';
  useKeys({
    w: () => void navigate(walkPath),
    ArrowRight: () => setAt((i) => Math.min(rows.length - 1, i + 1)),
    ArrowLeft: () => setAt((i) => Math.max(0, i - 1)),
    Enter: () => {
      const bay = rows[at];
      if (bay) void navigate(`/students/${bay.student.id}`);
    },
  });

  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mt: 3, mb: 2, flexWrap: 'wrap' }}>
        <PageHeading>Tee line</PageHeading>
        <Typography sx={{ color: 'text.secondary' }}>
          {rows.length > 0 &&
            `${line.data?.students ?? rows.length} bays, whoever needs a look first; ${line.data?.seen ?? 0} seen this week`}
        </Typography>
        {line.data && line.data.counted.mine > 0 && line.data.counted.mine < line.data.counted.all && (
          <Box role="group" aria-label="Whose students">
            <WhoseButtons
              counted={line.data.counted}
              chosen={whose}
              onChoose={(next) => {
                setWhose(next);
                setAt(0);
              }}
            />
          </Box>
        )}
        <Box sx={{ ml: 'auto', display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          {rows.length > 0 && (
            <Button component={Link} to={walkPath} variant="contained">
              Walk the line<Key>w</Key>
            </Button>
          )}
          {rows.length > 0 && (
            <Button component={Link} to="/goals" variant="outlined">
              Goals
            </Button>
          )}
          {rows.length > 0 && (
            <Button component={Link} to="/test-days" variant="outlined">
              Test days
              {due > 0 && <Due>{`${due} due`}</Due>}
            </Button>
          )}
          <Button variant="outlined" onClick={() => setIsAdding(true)}>
            Add a student
          </Button>
        </Box>
      </Box>
      {line.isPending && <Loading what="the squad" />}
      {line.error && <ErrorNotice error={line.error} onRetry={() => void line.refetch()} />}
      {line.data && rows.length === 0 && (
        <Empty title="Nobody on the tee line yet">Add your first student, then send the link they sign in with.</Empty>
      )}
      {rows.length > 0 && (
        <>
          <TeeLine rows={rows} at={at} onStop={setAt} />
          {rows[at] && <Stop bay={rows[at]} />}
          <Squad rows={rows} />
          {line.data && line.data.students > rows.length && !(isWhole && !line.isFetching) && (
            <Button onClick={() => setIsWhole(true)} disabled={isWhole} sx={{ mt: 2 }}>
              {isWhole ? 'Getting the others …' : `Show the other ${line.data.students - rows.length}`}
            </Button>
          )}
        </>
      )}
      {isAdding && <StudentDialog onClose={() => setIsAdding(false)} />}
    </>
  );
}

/** The bay where the walk stopped: who stands there, why, and what was done lately. */
function Stop({ bay }: { bay: Schemas['ReviewRow'] }) {
  const { student, attention, last } = bay;
  return (
    <Box
      component="section"
      aria-live="polite"
      aria-label={student.name}
      sx={{
        display: 'grid',
        gridTemplateColumns: { md: '1.1fr 1fr 1fr' },
        gap: 4,
        py: 2.5,
        mb: 3,
        borderBottom: '1px solid',
        borderColor: 'line',
      }}
    >
      <Box>
        <Typography variant="h2">{student.name}</Typography>
        <Typography
          sx={{ color: attention.reasons[0]?.reason === 'pain' ? 'error.main' : 'secondary.main', fontWeight: 620 }}
        >
          {attention.reasons[0]?.evidenceText || attention.text}
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
          {levels[student.level]} · {hands[student.hand]}
        </Typography>
        <OpenPainList pains={bay.openPain} />
        {student.coachNote && <Typography sx={{ mt: 1 }}>{student.coachNote}</Typography>}
        <Button component={Link} to={`/students/${student.id}`} variant="contained" sx={{ mt: 2 }}>
          Open<Key>Enter</Key>
        </Button>
      </Box>
      <Box>
        <Typography variant="h3" sx={{ mb: 1 }}>
          This week{dueInWords(bay.thisWeek) && ` · ${dueInWords(bay.thisWeek)}`}
        </Typography>
        {bay.sessions.length === 0 && <Typography sx={{ color: 'text.secondary' }}>Nothing set.</Typography>}
        <Box sx={{ display: 'grid', gap: 1.25 }}>
          {bay.sessions.slice(0, 4).map((session) => (
            <Box
              key={session.assignmentId}
              sx={{ display: 'grid', gridTemplateColumns: '92px 1fr', gap: 1.5, alignItems: 'end' }}
            >
              <Typography variant="body2">
                {session.day ? dayName(session.day) : 'Any day'}
                <br />
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {statuses[session.status]}
                </Box>
              </Typography>
              <SessionStrip segments={session.strip} label={session.title} />
            </Box>
          ))}
        </Box>
      </Box>
      <Box>
        <Typography variant="h3" sx={{ mb: 1 }}>
          Last time
        </Typography>
        {last ? (
          <Box component={Link} to={`/sessions/${last.assignmentId}`} sx={{ display: 'block', textDecoration: 'none' }}>
            <Typography variant="body2" sx={{ mb: 0.5 }}>
              {last.practisedOn && dayName(last.practisedOn)} · {last.title} · {last.done}
            </Typography>
            <SessionStrip segments={last.strip} label={last.title} />
          </Box>
        ) : (
          <Typography sx={{ color: 'text.secondary' }}>No practice in the last four weeks.</Typography>
        )}
      </Box>
    </Box>
  );
}

/** A week of which nothing is due by today: nothing in it can be missing yet. */
const notDueYet = (fraction: number | null) =>
  fraction === null ? '–' : fraction === 0 ? 'nothing due yet' : `nothing due yet, ${percent(fraction)} done`;

/** Everybody in rows, with what each did lately. */
function Squad({ rows }: { rows: Schemas['ReviewRow'][] }) {
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        '& td, & th': {
          textAlign: 'left',
          py: 1,
          pr: { xs: 1, sm: 2 },
          borderBottom: '1px solid',
          borderColor: 'line',
          // A long name breaks rather than pushing the week off a phone.
          overflowWrap: { xs: 'anywhere', sm: 'normal' },
        },
        // On a phone the strip of the last session gives way; the session itself is a tap away.
        '& tr > :nth-of-type(4)': { display: { xs: 'none', sm: 'table-cell' } },
      }}
    >
      <Box component="thead" sx={{ color: 'text.secondary', fontSize: 14 }}>
        <tr>
          <th>Student</th>
          <th>Needs a look</th>
          <th>Last practised</th>
          <Box component="th" sx={{ width: { md: 220 } }}>
            That session
          </Box>
          <th>This week</th>
        </tr>
      </Box>
      <tbody>
        {rows.map(({ student, attention, last, thisWeek }) => (
          <tr key={student.id}>
            <td>
              <Link to={`/students/${student.id}`}>{student.name}</Link>
            </td>
            <td>{attention.text}</td>
            <td>{last?.practisedOn ? dayName(last.practisedOn) : '–'}</td>
            <td>{last ? <SessionStrip size="tiny" segments={last.strip} label={last.title} /> : '–'}</td>
            <td>{dueInWords(thisWeek) || notDueYet(thisWeek.fraction)}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

/** A mark on a button that takes no room, so that nothing moves when it comes. */
function Due({ children }: { children: string }) {
  return (
    <Box
      component="span"
      sx={{
        position: 'absolute',
        top: -9,
        right: 4,
        px: 0.75,
        fontSize: 12,
        lineHeight: 1.5,
        fontWeight: 650,
        borderRadius: 2,
        bgcolor: 'glow',
        border: '1px solid',
        borderColor: 'primary.main',
        color: 'text.primary',
      }}
    >
      {children}
    </Box>
  );
}
