import Box from '@mui/material/Box';
import { TinyStrip } from '../../ui/TinyStrip';
import { minutes } from '../../ui/format';
import type { Schemas } from '../../api/client';
import type { Programme, Run } from './queries';

/** A session of a programme in one of its weeks. */
export interface Chosen {
  slotId: string;
  week: number;
}

interface Props {
  programme: Programme;
  drawing: Schemas['ProgrammeDrawing'] | undefined;
  runs: readonly Run[];
  chosen: Chosen | undefined;
  onChoose: (chosen: Chosen) => void;
  onLighter: (week: number) => void;
  errorAt: (path: string) => string | undefined;
}

const bare = {
  border: 0,
  background: 'none',
  font: 'inherit',
  color: 'inherit',
  cursor: 'pointer',
  p: 0.5,
  textAlign: 'left',
  width: '100%',
  minHeight: 44,
  display: 'block',
} as const;

/** The weeks as bays along a line, each with its sessions as long as they last, and what changes where it changes. */
export function ProgrammeGrid({ programme, drawing, runs, chosen, onChoose, onLighter, errorAt }: Props) {
  const longest = Math.max(1, ...(drawing?.weeks.flatMap((w) => w.sessions.map((s) => s.minutes)) ?? []));
  const errors = programme.slots.flatMap((slot, i) =>
    ['planId', 'order', 'fromWeek', 'toWeek', 'changes'].flatMap((field) => {
      const error = errorAt(`slots[${i}].${field}`);
      return error ? [`${titleOf(drawing, slot.id)}: ${error}`] : [];
    }),
  );
  return (
    <>
      <Box
        component="ol"
        aria-label="Week by week"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(128px, 1fr))',
          rowGap: 2,
        }}
      >
        {drawing?.weeks.map(({ week, minutes: planned, sessions }) => {
          const isLighter = programme.lighterWeeks?.includes(week) ?? false;
          return (
            <Box
              key={week}
              component="li"
              sx={{
                minWidth: 0,
                borderTop: '2px solid',
                borderColor: 'text.primary',
                borderLeft: '1px solid',
                borderLeftColor: 'line',
                bgcolor: isLighter ? 'rgba(30,59,48,.06)' : undefined,
              }}
            >
              <Box
                component="button"
                type="button"
                aria-pressed={isLighter}
                title="Lighter: shorter sessions, nothing extra"
                onClick={() => onLighter(week)}
                sx={bare}
              >
                <b>Week {week}</b>
                <Box sx={{ fontSize: 13.5, color: 'text.secondary' }}>
                  {minutes(planned)}
                  {isLighter && ', lighter'}
                </Box>
                {runs
                  .filter((run) => run.week === week)
                  .map((run) => (
                    <Box key={run.id} sx={{ fontSize: 13.5, fontWeight: 620 }}>
                      ▾ {run.name}
                    </Box>
                  ))}
              </Box>
              {programme.slots.map((slot) => {
                const session = sessions.find((s) => s.slotId === slot.id);
                const isChosen = chosen?.slotId === slot.id && chosen.week === week;
                return (
                  <Box
                    key={slot.id}
                    component="button"
                    type="button"
                    aria-pressed={isChosen}
                    aria-label={inWords(titleOf(drawing, slot.id), week, session)}
                    onClick={() => onChoose({ slotId: slot.id, week })}
                    sx={{
                      ...bare,
                      boxShadow: (theme) => (isChosen ? `inset 0 0 0 2px ${theme.palette.text.primary}` : 'none'),
                    }}
                  >
                    <Box sx={{ fontSize: 13, lineHeight: 1.25, color: session ? undefined : 'text.secondary' }}>
                      {titleOf(drawing, slot.id)}
                      {session ? slot.requirement === 'extra' && ', extra' : ': not this week'}
                    </Box>
                    {session && (
                      <Box sx={{ width: `${(100 * session.minutes) / longest}%` }}>
                        <TinyStrip segments={session.strip} />
                      </Box>
                    )}
                    {session?.changed.map((text) => (
                      <Box
                        key={text}
                        sx={{ fontSize: 12.5, lineHeight: 1.25, fontWeight: 620, overflowWrap: 'anywhere' }}
                      >
                        {text}
                      </Box>
                    ))}
                  </Box>
                );
              })}
            </Box>
          );
        })}
      </Box>
      {programme.slots.length === 0 && (
        <Box sx={{ py: 2, color: 'text.secondary' }}>
          No sessions yet: choose the plan that every week comes back to.
        </Box>
      )}
      {[...errors, errorAt('lighterWeeks')].filter(Boolean).map((error) => (
        <Box key={error} sx={{ color: 'error.main' }}>
          {error}
        </Box>
      ))}
    </>
  );
}

/** The title of a slot's plan. */
function titleOf(drawing: Schemas['ProgrammeDrawing'] | undefined, slotId: string): string {
  const title = drawing?.slots.find((s) => s.slotId === slotId)?.title;
  return title === '' ? 'A plan that is gone' : (title ?? 'Session');
}

function inWords(title: string, week: number, session: Schemas['DrawnSession'] | undefined): string {
  const changed = session?.changed.length ? `, ${session.changed.join(', ')}` : '';
  return `${title}, week ${week}: ${session ? minutes(session.minutes) : 'none'}${changed}`;
}
