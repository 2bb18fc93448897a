import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { reviewKeys } from '../../api/queryKeys';
import { count, dayName, percent } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { scaleOf } from '../../ui/TimePlot';
import { unitBehind } from '../progress/Curves';
import { everybody, WhoseButtons } from '../students/WhoseButtons';

/** Who is where on their own goal, by name, each on a scale of their own: nobody stands before anybody else. */
export function GoalsPage() {
  const [whose, setWhose] = useState('');
  const query = whose === everybody ? { everybody: true } : {};
  const goals = useQuery({
    queryKey: reviewKeys.goals(query),
    queryFn: () => answer(api.GET('/api/review/goals', { params: { query } })),
    placeholderData: (before) => before,
  });
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mt: 3, mb: 2, flexWrap: 'wrap' }}>
        <PageHeading>Goals</PageHeading>
        <Typography sx={{ color: 'text.secondary' }}>everybody on their own path, by name</Typography>
        {goals.data && goals.data.counted.mine > 0 && goals.data.counted.mine < goals.data.counted.all && (
          <Box role="group" aria-label="Whose students">
            <WhoseButtons counted={goals.data.counted} chosen={whose} onChoose={setWhose} />
          </Box>
        )}
        <Box sx={{ ml: 'auto' }}>
          <DataOut />
        </Box>
      </Box>
      {goals.isPending && <Loading what="the goals" />}
      {goals.error && <ErrorNotice error={goals.error} onRetry={() => void goals.refetch()} />}
      {goals.data?.rows.length === 0 && <Empty title="Nobody here yet">Add your first student on the tee line.</Empty>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {goals.data?.rows.map((row) => (
          <Box
            component="li"
            key={row.studentId}
            sx={{
              display: 'grid',
              gridTemplateColumns: { md: '170px minmax(0, 1.1fr) minmax(0, 1fr)' },
              columnGap: 3,
              rowGap: 0.5,
              alignItems: 'center',
              py: 1.5,
              borderBottom: '1px solid',
              borderColor: 'line',
            }}
          >
            <Link to={`/students/${row.studentId}`}>{row.name}</Link>
            {row.goal ? <Path goal={row.goal} /> : <Box sx={{ color: 'text.secondary' }}>No goal with a number.</Box>}
            <Box sx={{ fontSize: 15 }}>
              {row.goal && <div>{row.goal.text}</div>}
              <Box sx={{ color: 'text.secondary' }}>
                {row.judgedDrills > 0
                  ? `${row.betterDrills} of ${count(row.judgedDrills, 'recent drill')} improving`
                  : 'No recent drill has enough results for a trend'}
                {row.doneShare !== null && ` · ${percent(row.doneShare)} of four weeks done`}
              </Box>
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}

/** From the start to the band, on one line: a ring where it began, a bar as wide as the doubt where it is. */
function Path({ goal }: { goal: Schemas['GoalStanding'] }) {
  const { start, now, doubt, least, most } = goal;
  const scale = scaleOf([start, now, doubt?.low, doubt?.high, least, most]);
  const at = (n: number) => (100 * (Math.min(scale.max, Math.max(scale.min, n)) - scale.min)) / (scale.max - scale.min);
  const unit = unitBehind(goal.unit);
  const [from, to] = [at(least ?? scale.min), at(most ?? scale.max)];
  return (
    <Box>
      <Box sx={{ fontSize: 14, display: 'flex', justifyContent: 'space-between', gap: 1 }}>
        <span>{goal.what}</span>
        <Box component="span" sx={{ color: 'text.secondary' }}>
          {[least, most].filter((n) => n !== null).join(' to ')}
          {unit}
          {goal.by && ` by ${dayName(goal.by).slice(4)}`}
        </Box>
      </Box>
      <Box
        role="img"
        aria-label={`${goal.what}: ${start === null ? '' : `began at ${start}${unit}; `}${goal.text}`}
        sx={{
          position: 'relative',
          height: 26,
          '&::before': {
            content: '""',
            position: 'absolute',
            inset: '12px 0 auto',
            borderTop: '1px solid',
            borderColor: 'line',
          },
        }}
      >
        <Box
          sx={{
            position: 'absolute',
            left: `${from}%`,
            width: `${to - from}%`,
            top: 4,
            height: 17,
            border: '1px dashed',
            background: (theme) =>
              `repeating-linear-gradient(115deg, ${theme.palette.primary.main}40 0 1px, transparent 1px 6px)`,
          }}
        />
        {start !== null && (
          <Box
            sx={{
              position: 'absolute',
              left: `${at(start)}%`,
              top: 7,
              width: 11,
              height: 11,
              ml: '-5.5px',
              borderRadius: '50%',
              border: '2px solid',
              bgcolor: 'background.default',
            }}
          />
        )}
        {doubt && (
          <Box
            sx={{
              position: 'absolute',
              left: `${at(doubt.low)}%`,
              width: `${Math.max(0.5, at(doubt.high) - at(doubt.low))}%`,
              top: 8,
              height: 9,
              borderRadius: 5,
              bgcolor: 'glow',
              border: '1px solid',
              borderColor: 'primary.main',
            }}
          />
        )}
        {now !== null && (
          <Box
            sx={{
              position: 'absolute',
              left: `${at(now)}%`,
              top: 3,
              width: 3,
              height: 19,
              ml: '-1.5px',
              bgcolor: 'primary.main',
            }}
          />
        )}
      </Box>
    </Box>
  );
}

const tables = ['students', 'sessions', 'segments', 'results', 'ratings', 'rounds'] as const;

/** The tables that go out, of the last twelve weeks; docs/data-dictionary.md says what stands in them. */
function DataOut() {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button variant="outlined" onClick={(e) => setAnchor(e.currentTarget)} aria-haspopup="menu">
        Data
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {tables.map((table) => (
          <MenuItem
            key={table}
            component="a"
            href={`/api/exports/${table}.csv`}
            download
            onClick={() => setAnchor(null)}
          >
            {table} as CSV, twelve weeks
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
