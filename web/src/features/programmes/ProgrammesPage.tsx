import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link, useNavigate } from 'react-router';
import { useKeys } from '../../app/keys';
import { count } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Key, Loading } from '../../ui/states';
import { runInWords } from './runs';
import { useProgrammes } from './queries';
import { DeletedLink } from '../../ui/deleted';

/** The programmes of the academy, and for whom they run. */
export function ProgrammesPage() {
  const programmes = useProgrammes();
  const navigate = useNavigate();
  useKeys({ n: () => void navigate('/programmes/new') });
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', flexWrap: 'wrap', columnGap: 2, mt: 3, mb: 2 }}>
        <PageHeading>Programmes</PageHeading>
        <DeletedLink />
        <Button component={Link} to="/plans" sx={{ ml: 'auto' }}>
          Plans
        </Button>
        <Button component={Link} to="/programmes/new" variant="contained">
          New programme<Key>n</Key>
        </Button>
      </Box>
      {programmes.isPending && <Loading what="the programmes" />}
      {programmes.error && <ErrorNotice error={programmes.error} onRetry={() => void programmes.refetch()} />}
      {programmes.data?.length === 0 && (
        <Empty title="No programmes yet">
          A programme is the same few sessions week after week, with what changes in them, and one measure that it is to
          move.
        </Empty>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {programmes.data?.map((p) => (
          <Box
            key={p.id}
            component="li"
            sx={{
              display: 'grid',
              gridTemplateColumns: { md: 'minmax(0, 1.4fr) 200px minmax(0, 1fr)' },
              gap: { xs: 0.5, md: 4 },
              py: 2,
              borderBottom: '1px solid',
              borderColor: 'line',
            }}
          >
            <Box>
              <Link to={`/programmes/${p.id}`} style={{ fontWeight: 650, fontSize: 18 }}>
                {p.name}
              </Link>
              {p.purpose && <Box sx={{ color: 'text.secondary' }}>{p.purpose}</Box>}
            </Box>
            <Box>
              {count(p.weeks, 'week')}, {count(p.slots, 'session')} a week
            </Box>
            <Box>
              {p.runs.length === 0 && <Box sx={{ color: 'text.secondary' }}>Runs for nobody yet</Box>}
              {p.runs.map((run) => (
                <div key={run.id}>{runInWords(run)}</div>
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}
