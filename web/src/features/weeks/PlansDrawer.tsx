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
import type { Cell } from './sheet';
import { DraftForSheet } from './DraftForSheet';
import { cellAt } from './SheetGrid';

interface Props {
  /** Puts a plan into a cell, or without one into those that are selected. */
  onPut: (planId: string, cell?: Cell) => void;
  /** Where a press of the button puts it. */
  target: string;
  /** For whom that is: a draft is made for them. */
  students: readonly string[];
  onClose: () => void;
}

/** Plans to put on the sheet: by dragging one into a cell, or into what is selected. */
export function PlansDrawer({ onPut, target, students, onClose }: Props) {
  const [text, setText] = useState('');
  const plans = usePlans({ text: useDeferredValue(text.trim()), area: '', order: 'used' });
  const found = plans.data?.pages.flatMap((page) => page.plans) ?? [];
  return (
    <Box
      component="aside"
      aria-label="Plans"
      sx={{ width: { xs: '100%', md: 250 }, flex: 'none', overflow: 'auto', pl: 1, pr: 0.5 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="h3" component="h2">
          Plans
        </Typography>
        <Button onClick={onClose} sx={{ ml: 'auto' }}>
          Close
        </Button>
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        Drag one into a cell, or put it in for {target}.
      </Typography>
      <DraftForSheet students={students} onDrafted={onPut} />
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
                if (cell) onPut(plan.id, cell);
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
          <Button onClick={() => onPut(plan.id)} sx={{ ml: -1.25 }} aria-label={`Put ${plan.title} in for ${target}`}>
            Put in
          </Button>
        </Box>
      ))}
      {plans.hasNextPage && <Button onClick={() => void plans.fetchNextPage()}>More plans</Button>}
    </Box>
  );
}
