import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { count, dayName } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import { PageHeading } from '../../ui/PageHeading';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { useTestDays } from './queries';
import { DeletedLink } from '../../ui/deleted';

const TestDayDialog = onDemand(() => import('./TestDayDialog').then((m) => m.TestDayDialog));

/** The test days of the academy, the one that is due first. */
export function TestDaysPage() {
  const tests = useTestDays();
  const [isMaking, setIsMaking] = useState(false);
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', flexWrap: 'wrap', columnGap: 2, mt: 3, mb: 2 }}>
        <PageHeading>Test days</PageHeading>
        <DeletedLink />
        <Typography sx={{ color: 'text.secondary' }}>the same drills every so many weeks, then against now</Typography>
        <Button variant="contained" onClick={() => setIsMaking(true)} sx={{ ml: 'auto' }}>
          New test day
        </Button>
      </Box>
      {tests.isPending && <Loading what="the test days" />}
      {tests.error && <ErrorNotice error={tests.error} onRetry={() => void tests.refetch()} />}
      {tests.data?.length === 0 && (
        <Empty title="No test days yet">
          A test day is a plan that stays as it is and comes back every so many weeks, for one student, several or a
          squad. You can score it for those without a phone.
        </Empty>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {tests.data?.map((t) => (
          <Box
            component="li"
            key={t.id}
            sx={{
              display: 'grid',
              gridTemplateColumns: { md: 'minmax(0, 1fr) minmax(0, 1fr) 230px' },
              columnGap: 4,
              rowGap: 0.5,
              alignItems: 'center',
              py: 2,
              borderBottom: '1px solid',
              borderColor: 'line',
            }}
          >
            <Box>
              <Link to={`/test-days/${t.id}`} style={{ fontWeight: 650, fontSize: 18 }}>
                {t.name}
              </Link>
              <Box sx={{ color: 'text.secondary' }}>
                {count(t.students, 'student')}, every {count(t.everyWeeks, 'week')}
              </Box>
            </Box>
            <SessionStrip size="tiny" segments={t.strip} shows="plan" label={t.name} />
            <Box>
              {t.isDue ? <b>Due now</b> : `Next on ${dayName(t.next)}`}
              <Box sx={{ color: 'text.secondary' }}>{t.lastSet ? `last on ${dayName(t.lastSet)}` : 'not held yet'}</Box>
            </Box>
          </Box>
        ))}
      </Box>
      {isMaking && <TestDayDialog onClose={() => setIsMaking(false)} />}
    </>
  );
}
