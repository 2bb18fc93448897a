import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { count, intents, minutes, pace } from '../../ui/format';
import { phases, PhaseSign } from '../../ui/phases';

/** What the plan adds up to, as the server reckons it. */
export function Totals({ analysis: { totals, toPublish } }: { analysis: Schemas['PlanAnalysis'] }) {
  return (
    <Box
      component="section"
      aria-label="Totals"
      sx={{
        display: 'flex',
        columnGap: { xs: 2, md: 2.5 },
        rowGap: 1,
        flexWrap: 'wrap',
        py: 1.25,
        borderTop: '1px solid',
        borderBottom: '1px solid',
        borderColor: 'line',
      }}
    >
      <Figure
        name="In all"
        value={minutes(totals.minutes)}
        more={totals.pauseMinutes > 0 ? `${minutes(totals.pauseMinutes)} of them pause` : undefined}
      />
      <Figure
        name="Balls"
        value={String(totals.balls)}
        more={
          totals.balls !== totals.ballsBought
            ? `${totals.ballsBought} to buy`
            : totals.balls > 0
              ? 'all to buy'
              : undefined
        }
      />
      {totals.holes > 0 && <Figure name="Holes" value={String(totals.holes)} />}
      <Figure name="Pace" value={totals.ballsPerMinute === null ? '–' : pace(totals.ballsPerMinute)} />
      <Box sx={{ minWidth: 0 }}>
        <Name>After warm-up, by phase</Name>
        <Box sx={{ display: 'flex', columnGap: 1.25, flexWrap: 'wrap', fontSize: 14.5, lineHeight: '28px' }}>
          {totals.phases.map((share) => (
            <Box key={share.phase} sx={{ display: 'flex', gap: 0.5, alignItems: 'center' }}>
              <PhaseSign phase={share.phase} size={16} />
              {phases[share.phase].name}
              <b>
                {share.percentAfterWarmUp === null
                  ? minutes(share.minutes)
                  : `${Math.round(share.percentAfterWarmUp)} %`}
              </b>
            </Box>
          ))}
          {totals.phases.length === 0 && '–'}
        </Box>
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Name>By intent</Name>
        <Box sx={{ display: 'flex', columnGap: 1.25, flexWrap: 'wrap', fontSize: 14.5, lineHeight: '28px' }}>
          {totals.intents.length === 0
            ? '–'
            : totals.intents.map((s) => (
                <span key={s.intent}>
                  {intents[s.intent]} <b>{Math.round(s.percentAfterWarmUp)} %</b>
                </span>
              ))}
        </Box>
      </Box>
      {toPublish.length > 0 && (
        <Box sx={{ flexBasis: '100%', color: 'secondary.main' }}>
          Before it can be published: {[...new Set(toPublish.map((e) => e.message))].join(' ')}
          {toPublish.length > 3 && ` (${count(toPublish.length, 'thing')})`}
        </Box>
      )}
    </Box>
  );
}

function Name({ children }: { children: ReactNode }) {
  return <Box sx={{ fontSize: 13.5, color: 'text.secondary' }}>{children}</Box>;
}

function Figure({ name, value, more }: { name: string; value: string; more?: string | undefined }) {
  return (
    <Box>
      <Name>{name}</Name>
      <Box component="b" sx={{ fontSize: 19 }}>
        {value}
      </Box>
      {more && (
        <Box component="span" sx={{ ml: 1, fontSize: 13.5, color: 'text.secondary' }}>
          {more}
        </Box>
      )}
    </Box>
  );
}
