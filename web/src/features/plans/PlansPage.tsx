import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { PageHeading } from '../../ui/PageHeading';
import { areas, count, dayName, minutes } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, ErrorNotice, Key, Loading } from '../../ui/states';
import { usePlans, type PlanOrder } from './queries';
import { DeletedLink } from '../../ui/deleted';

const orders: Record<PlanOrder, string> = {
  changed: 'changed last',
  used: 'used last',
  minutes: 'minutes',
  title: 'title',
};

/** All plans of the academy, to be found by words, student or area. */
export function PlansPage() {
  const [text, setText] = useState('');
  const [area, setArea] = useState<Schemas['Area'] | ''>('');
  const [order, setOrder] = useState<PlanOrder>('changed');
  const asked = { text: useDeferredValue(text.trim()), area, order };
  const plans = usePlans(asked);
  const found = plans.data?.pages.flatMap((page) => page.plans) ?? [];
  const isSearching = asked.text !== '' || area !== '';
  const navigate = useNavigate();
  useKeys({ n: () => void navigate('/plans/new') });
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mt: 3, mb: 2 }}>
        <PageHeading>Plans</PageHeading>
        <DeletedLink />
        <Button component={Link} to="/programmes" sx={{ ml: 'auto' }}>
          Programmes
        </Button>
        <Button component={Link} to="/plans/new" variant="contained">
          New plan<Key>n</Key>
        </Button>
      </Box>
      {plans.isPending && <Loading what="the plans" />}
      {plans.error && <ErrorNotice error={plans.error} onRetry={() => void plans.refetch()} />}
      {plans.data && found.length === 0 && !isSearching && (
        <Empty title="No plans yet">A plan is one visit: a purpose, and segments from warm-up to the course.</Empty>
      )}
      {(found.length > 0 || isSearching) && (
        <Box
          role="search"
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', sm: '1.6fr 1fr 1fr' },
            gap: 1.5,
            mb: 1.5,
            maxWidth: 820,
          }}
        >
          <Field
            label="Words or a student"
            value={text}
            onChange={(e) => setText(e.target.value)}
            inputProps={{ maxLength: 120 }}
          />
          <Choice
            label="Area"
            value={area}
            options={[{ value: '', label: 'all of the game' }, ...optionsOf(areas)]}
            onChange={setArea}
          />
          <Choice label="In order of" value={order} options={optionsOf(orders)} onChange={setOrder} />
        </Box>
      )}
      {plans.data && found.length === 0 && isSearching && (
        <Empty title="No plan like that">Fewer words find more.</Empty>
      )}
      <Box component="ul" aria-live="polite" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {found.map((plan) => (
          <PlanLine key={plan.id} plan={plan} />
        ))}
      </Box>
      {plans.hasNextPage && (
        <Button
          disabled={plans.isFetchingNextPage}
          onClick={() => void plans.fetchNextPage()}
          sx={{ mt: 2, ml: -1.25 }}
        >
          More plans
        </Button>
      )}
    </>
  );
}

function PlanLine({ plan }: { plan: Schemas['PlanSummary'] }) {
  return (
    <Box
      component="li"
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
        {plan.usedLast && (
          <Typography sx={{ color: 'text.secondary', fontSize: 14.5 }}>
            Last set for {dayName(plan.usedLast)}
            {plan.students.length > 0 &&
              `, ${plan.students.length > 3 ? count(plan.students.length, 'student') : plan.students.join(', ')}`}
          </Typography>
        )}
      </Box>
      <Typography>
        {minutes(plan.minutes)}
        <Box component="span" sx={{ display: 'block', color: 'text.secondary' }}>
          {count(plan.balls, 'ball')}
          {plan.holes > 0 && `, ${count(plan.holes, 'hole')}`}
        </Box>
      </Typography>
      <SessionStrip segments={plan.strip} shows="plan" label={plan.title} />
    </Box>
  );
}
