import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { moment } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { useSecurityLog } from './peopleQueries';
import { securityWords } from './securityWords';

/** What happened to accounts, the latest first. For owners. */
export function SecurityLogPage() {
  const log = useSecurityLog();
  const lines = log.data?.pages.flatMap((page) => page.lines) ?? [];
  const keptDays = log.data?.pages[0]?.keptDays;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mt: 3 }}>
        <PageHeading sx={{ mr: 'auto' }}>What happened</PageHeading>
        <Button component={Link} to="/people">
          Back
        </Button>
      </Box>
      {log.isPending && <Loading what="the log" />}
      {log.error && <ErrorNotice error={log.error} onRetry={() => void log.refetch()} />}
      {keptDays !== undefined && (
        <Typography sx={{ color: 'text.secondary', mb: 2 }}>
          Who came in, who failed to, who was invited and removed, and who read a minor’s care notes. A line is kept for{' '}
          {keptDays} days.
        </Typography>
      )}
      {log.data && lines.length === 0 && <Empty title="Nothing yet" />}
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0, maxWidth: 860 }}>
        {lines.map((line) => (
          <Line key={line.id} line={line} />
        ))}
      </Box>
      {log.hasNextPage && (
        <Button
          variant="outlined"
          onClick={() => void log.fetchNextPage()}
          disabled={log.isFetchingNextPage}
          sx={{ mt: 2 }}
        >
          {log.isFetchingNextPage ? 'Getting more …' : 'Show older'}
        </Button>
      )}
    </>
  );
}

function Line({ line }: { line: Schemas['SecurityLine'] }) {
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '150px 1fr auto' },
        columnGap: 2,
        py: 0.75,
        borderBottom: '1px solid',
        borderColor: 'divider',
      }}
    >
      <Box sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>{moment(line.at)}</Box>
      <Box>{securityWords(line)}</Box>
      <Box sx={{ color: 'text.secondary', fontSize: 14, overflowWrap: 'anywhere' }}>{line.address}</Box>
    </Box>
  );
}
