import Box from '@mui/material/Box';
import { count, minutes } from '../../ui/format';
import { SessionStrip } from '../../ui/SessionStrip';
import { Loading, ErrorNotice } from '../../ui/states';
import { planFrom, type Plan } from './benchState';
import { useTemplates } from './queries';

/** Plans to begin from, while there is nothing on the bench yet. */
export function Templates({ onTake }: { onTake: (plan: Plan) => void }) {
  const templates = useTemplates();
  if (templates.isPending) return <Loading what="the templates" />;
  if (templates.error) return <ErrorNotice error={templates.error} onRetry={() => void templates.refetch()} />;
  return (
    <Box component="section" aria-label="Templates" sx={{ mt: 2 }}>
      <Box sx={{ fontWeight: 650, mb: 1 }}>Or begin from one of these</Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(240px, 1fr))', gap: 1.5 }}>
        {templates.data.map(({ plan, totals, strip }) => (
          <Box
            component="button"
            type="button"
            key={plan.title}
            onClick={() => onTake(planFrom(plan))}
            sx={{
              font: 'inherit',
              color: 'inherit',
              textAlign: 'left',
              p: 1.5,
              border: '1px solid',
              borderColor: 'line',
              borderRadius: 2,
              bgcolor: 'background.paper',
              cursor: 'pointer',
              '&:hover': { borderColor: 'text.secondary' },
            }}
          >
            <Box sx={{ fontWeight: 620, mb: 0.25 }}>{plan.title}</Box>
            <Box sx={{ fontSize: 14, color: 'text.secondary', mb: 1 }}>
              {minutes(totals.minutes)}
              {totals.balls > 0 && `, ${count(totals.balls, 'ball')}`}
            </Box>
            <SessionStrip segments={strip} shows="plan" size="tiny" label={plan.title} />
          </Box>
        ))}
      </Box>
    </Box>
  );
}
