import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link, useNavigate } from 'react-router';
import { useKeys } from '../../app/keys';
import { count, minutes } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, Key, Loading, Trouble } from '../../ui/states';
import { usePlans } from './queries';

/** All plans of the academy, the one changed last first. */
export function PlansPage() {
  const plans = usePlans();
  const navigate = useNavigate();
  useKeys({ n: () => void navigate('/plans/new') });
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mt: 3, mb: 2 }}>
        <Typography variant="h1">Plans</Typography>
        <Button component={Link} to="/plans/new" variant="contained" sx={{ ml: 'auto' }}>
          New plan<Key>n</Key>
        </Button>
      </Box>
      {plans.isPending && <Loading what="the plans" />}
      {plans.error && <Trouble error={plans.error} onRetry={() => void plans.refetch()} />}
      {plans.data?.length === 0 && (
        <Empty title="No plans yet">A plan is one visit: a purpose, and segments from warm-up to the course.</Empty>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {plans.data?.map((plan) => (
          <Box
            component="li"
            key={plan.id}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1.3fr) 150px minmax(0, 1fr)' },
              gap: { xs: 1, md: 4 },
              alignItems: 'end',
              py: 2,
              borderBottom: '1px solid',
              borderColor: 'line',
            }}
          >
            <Box>
              <Link to={`/plans/${plan.id}`} style={{ fontWeight: 650, fontSize: 18 }}>
                {plan.title}
              </Link>
              <Typography sx={{ color: 'text.secondary' }}>
                {plan.purpose || 'No purpose yet'}
                {!plan.canPublish && ' · not ready to publish'}
              </Typography>
            </Box>
            <Typography>
              {minutes(plan.totals.minutes)}
              <br />
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {count(plan.totals.balls, 'ball')}
                {plan.totals.holes > 0 && `, ${count(plan.totals.holes, 'hole')}`}
              </Box>
            </Typography>
            <SessionStrip segments={plan.strip} shows="plan" label={plan.title} />
          </Box>
        ))}
      </Box>
    </>
  );
}
