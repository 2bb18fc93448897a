import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link, useNavigate } from 'react-router';
import { useKeys } from '../../app/keys';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { PageHeading } from '../../ui/PageHeading';
import { areas, count, dayName, minutes } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Empty, Key, Loading, Trouble } from '../../ui/states';
import { usePlans } from './queries';

type Summary = Schemas['PlanSummary'];

const orders = {
  changed: { name: 'changed last', by: (a: Summary, b: Summary) => b.updatedAt.localeCompare(a.updatedAt) },
  used: { name: 'used last', by: (a: Summary, b: Summary) => (b.usedLast ?? '').localeCompare(a.usedLast ?? '') },
  minutes: { name: 'minutes', by: (a: Summary, b: Summary) => a.totals.minutes - b.totals.minutes },
  title: { name: 'title', by: (a: Summary, b: Summary) => a.title.localeCompare(b.title) },
} as const;

/** All plans of the academy, to be found by words, student or area. */
export function PlansPage() {
  const plans = usePlans();
  const [text, setText] = useState('');
  const [area, setArea] = useState<Schemas['Area'] | ''>('');
  const [order, setOrder] = useState<keyof typeof orders>('changed');
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = (plans.data ?? [])
    .filter((p) => words.every((w) => [p.title, p.purpose, ...p.students].join(' ').toLowerCase().includes(w)))
    .filter((p) => area === '' || p.areas.includes(area))
    .toSorted(orders[order].by);
  const navigate = useNavigate();
  useKeys({ n: () => void navigate('/plans/new') });
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mt: 3, mb: 2 }}>
        <PageHeading>Plans</PageHeading>
        <Button component={Link} to="/plans/new" variant="contained" sx={{ ml: 'auto' }}>
          New plan<Key>n</Key>
        </Button>
      </Box>
      {plans.isPending && <Loading what="the plans" />}
      {plans.error && <Trouble error={plans.error} onRetry={() => void plans.refetch()} />}
      {plans.data?.length === 0 && (
        <Empty title="No plans yet">A plan is one visit: a purpose, and segments from warm-up to the course.</Empty>
      )}
      {(plans.data?.length ?? 0) > 0 && (
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
          <Field label="Words or a student" value={text} onChange={(e) => setText(e.target.value)} />
          <Choice
            label="Area"
            value={area}
            options={[{ value: '', label: 'all of the game' }, ...optionsOf(areas)]}
            onChange={setArea}
          />
          <Choice
            label="In order of"
            value={order}
            options={(Object.keys(orders) as (keyof typeof orders)[]).map((o) => ({ value: o, label: orders[o].name }))}
            onChange={setOrder}
          />
        </Box>
      )}
      {plans.data && plans.data.length > 0 && found.length === 0 && (
        <Empty title="No plan like that">Fewer words find more.</Empty>
      )}
      <Box component="ul" aria-live="polite" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {found.map((plan) => (
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
              {plan.usedLast && (
                <Typography sx={{ color: 'text.secondary', fontSize: 14.5 }}>
                  Last set for {dayName(plan.usedLast)}
                  {plan.students.length > 0 &&
                    `, ${plan.students.length > 3 ? count(plan.students.length, 'student') : plan.students.join(', ')}`}
                </Typography>
              )}
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
