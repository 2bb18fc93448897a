import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { followPointer } from '../../ui/dragging';
import { Field } from '../../ui/Field';
import { minutes } from '../../ui/format';
import { ErrorNotice, Loading } from '../../ui/states';
import { TinyStrip } from '../../ui/TinyStrip';
import { usePlans } from '../plans/queries';
import { findingLevels } from '../../ui/findingLevels';
import { DraftForSheet } from './DraftForSheet';
import { useFindingsOn } from './queries';
import { dayOf } from './sheet';
import type { Desk } from './useDesk';
import { cellAt } from './useGrid';

/** Plans to put on the sheet: by dragging one into a cell, or into what is selected. */
export function PlansDrawer({ desk }: { desk: Desk }) {
  const { putPlan, target } = desk;
  const [text, setText] = useState('');
  const [looked, setLooked] = useState<string>();
  const plans = usePlans({ text: useDeferredValue(text.trim()), area: '', order: 'used' });
  const found = plans.data?.pages.flatMap((page) => page.plans) ?? [];
  return (
    <Box
      component="section"
      aria-label="Plans"
      sx={{ width: { xs: '100%', md: 250 }, flex: 'none', overflow: 'auto', pl: 1, pr: 0.5 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h3" component="h2">
          Plans
        </Typography>
        <Button onClick={() => desk.setShowsPlans(false)} sx={{ ml: 'auto' }}>
          Close
        </Button>
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        Drag one into a cell, or put it in for {target}.
      </Typography>
      <DraftForSheet students={desk.chosen} onDrafted={putPlan} />
      <Field label="Words" value={text} onChange={(e) => setText(e.target.value)} inputProps={{ maxLength: 120 }} />
      {plans.isPending && <Loading what="the plans" />}
      {plans.error && <ErrorNotice error={plans.error} onRetry={() => void plans.refetch()} />}
      {plans.data && found.length === 0 && (
        <Box sx={{ mt: 1 }}>
          {text ? 'No plan has these words. ' : 'There is no plan yet. '}
          <Link to="/plans/new">Write one</Link>.
        </Box>
      )}
      {found.map((plan) => (
        <Box
          key={plan.id}
          onPointerDown={(start: React.PointerEvent) => {
            if (start.button !== 0 || (start.target as HTMLElement).closest('button')) return;
            followPointer(
              start,
              () => undefined,
              (e) => {
                const cell = e.type === 'pointercancel' ? undefined : cellAt(e);
                if (cell) putPlan(plan.id, cell);
              },
            );
          }}
          sx={{
            py: 1,
            borderBottom: '1px solid',
            borderColor: 'line',
            cursor: 'grab',
            userSelect: 'none',
            fontSize: 14,
          }}
        >
          <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
            <Box sx={{ fontWeight: 620, minWidth: 0, overflowWrap: 'anywhere' }}>{plan.title}</Box>
            <Box sx={{ ml: 'auto', whiteSpace: 'nowrap', color: 'text.secondary' }}>{minutes(plan.minutes)}</Box>
          </Box>
          <TinyStrip segments={plan.strip} label={plan.title} />
          <Button onClick={() => putPlan(plan.id)} sx={{ ml: -1.25 }} aria-label={`Put ${plan.title} in for ${target}`}>
            Put in
          </Button>
          {desk.isOne && desk.row && (
            <Button
              aria-expanded={looked === plan.id}
              aria-label={`Would ${plan.title} fit ${target}?`}
              onClick={() => setLooked(looked === plan.id ? undefined : plan.id)}
            >
              Would it fit?
            </Button>
          )}
          {looked === plan.id && desk.isOne && desk.row && (
            <Fit
              week={desk.week}
              studentId={desk.row.studentId}
              planId={plan.id}
              day={dayOf(desk.sheet.monday, desk.selection.at.column)}
            />
          )}
        </Box>
      ))}
      {plans.hasNextPage && <Button onClick={() => void plans.fetchNextPage()}>More plans</Button>}
    </Box>
  );
}

/** What the check says of a plan for a student on a day, before it is put there. */
function Fit({
  week,
  studentId,
  planId,
  day,
}: {
  week: string;
  studentId: string;
  planId: string;
  day: string | null;
}) {
  const findings = useFindingsOn(studentId, week, planId, day);
  if (findings.isPending) return <Loading what="the check" />;
  if (findings.error) return <ErrorNotice error={findings.error} onRetry={() => void findings.refetch()} />;
  return (
    <Box component="ul" aria-label="To look at" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {findings.data.length === 0 && <li>Yes: nothing speaks against it.</li>}
      {findings.data.slice(0, 6).map((f, i) => (
        <li key={`${f.id} ${f.segmentId ?? ''} ${i}`}>
          <b>{findingLevels[f.level].name}</b>: {f.why}
        </li>
      ))}
    </Box>
  );
}
