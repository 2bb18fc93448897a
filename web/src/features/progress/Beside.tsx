import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { areas, intents, minutes } from '../../ui/format';
import { phases } from '../../ui/phases';

type Progress = Schemas['ProgressView'];

/** How a skill fares when the shot changes: two lanes on one scale, each with its doubt in words. */
export function CarryOver({ progress: { carryOver } }: { progress: Progress }) {
  return (
    <Box component="section" aria-label="Carry-over">
      <Typography variant="h2">From block to the course</Typography>
      {carryOver.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing was counted by the same criterion in block and in random, so that nothing can be set side by side.
        </Typography>
      )}
      {carryOver.map((c) => (
        <Box key={`${c.skill} ${c.criterion} ${c.phase}`} sx={{ mt: 1.5 }}>
          <Typography variant="h3">
            {c.skill || (c.area ? areas[c.area] : '')}
            <Box component="span" sx={{ fontWeight: 400, color: 'text.secondary', fontSize: 14 }}>
              {' '}
              {c.criterion}
            </Box>
          </Typography>
          {[['block', c.block] as const, [c.phase, c.other] as const].map(([phase, made]) => (
            <Lane key={phase} name={phases[phase].name} made={made} />
          ))}
          <Typography variant="body2">{c.text}</Typography>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            From{' '}
            {c.sessions.slice(0, 4).map((id, i) => (
              <span key={id}>
                {i > 0 && ', '}
                <Link to={`/sessions/${id}`}>session {i + 1}</Link>
              </span>
            ))}
            {c.sessions.length > 4 && ` and ${c.sessions.length - 4} more`}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

function Lane({ name, made }: { name: string; made: Schemas['CountOf'] }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '80px 1fr 70px',
        gap: 1,
        alignItems: 'center',
        fontSize: 14,
        my: 0.25,
      }}
    >
      <span>{name}</span>
      <Box aria-hidden sx={{ height: 12, border: '1px solid', borderColor: 'primary.main', borderRadius: 6 }}>
        <Box
          sx={{ height: '100%', borderRadius: 6, bgcolor: 'primary.main', width: `${(100 * made.count) / made.of}%` }}
        />
      </Box>
      <span>
        {made.count} of {made.of}
      </span>
    </Box>
  );
}

const tagGroups: Record<Schemas['TagGroup'], string> = {
  contact: 'Contact',
  line: 'Line',
  cause: 'Cause',
  routine: 'Routine',
};

/** Tags and misses of the last twelve weeks, added up. */
export function Noticed({ progress: { noticed, beliefs } }: { progress: Progress }) {
  const { misses, tags } = noticed;
  const texts = noticed.texts ?? [];
  return (
    <Box component="section" aria-label="Tags and misses">
      <Typography variant="h2">Tags and misses</Typography>
      {tags.length === 0 && texts.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>
          Nothing was tapped about single attempts in these weeks.
        </Typography>
      )}
      {misses.left + misses.right + misses.tooShort + misses.tooLong > 0 && <MissCross misses={misses} />}
      {texts.map((text) => (
        <Typography key={text} variant="body2">
          {text}
        </Typography>
      ))}
      {tags.length > 0 && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          {(Object.keys(tagGroups) as Schemas['TagGroup'][])
            .map((group) => [group, tags.filter((t) => t.group === group)] as const)
            .filter(([, of]) => of.length > 0)
            .map(([group, of]) => `${tagGroups[group]}: ${of.map((t) => `${t.tag} ${t.attempts}`).join(', ')}`)
            .join('. ')}
          . Of {noticed.attempts} attempts in drills with tags.
        </Typography>
      )}
      {beliefs.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 2 }}>
            Believed and measured
          </Typography>
          {beliefs.map((text) => (
            <Typography key={text} variant="body2">
              {text}
            </Typography>
          ))}
        </>
      )}
    </Box>
  );
}

/** Where balls missed, as a cross around the target: the longer an arm, the more. */
function MissCross({ misses }: { misses: Schemas['MissCounts'] }) {
  const most = Math.max(misses.left, misses.right, misses.tooShort, misses.tooLong, 1);
  const arm = (n: number) => 4 + (44 * n) / most;
  const [w, h] = [260, 130];
  return (
    <svg
      width={w}
      height={h}
      viewBox={`0 0 ${w} ${h}`}
      role="img"
      aria-label={`${misses.left} left, ${misses.right} right, ${misses.tooShort} short, ${misses.tooLong} long`}
      style={{ display: 'block', maxWidth: '100%' }}
    >
      <g stroke="currentColor" strokeWidth="7" strokeLinecap="round" opacity=".85">
        <path d={`M${130 - 12} 65h${-arm(misses.left)}`} />
        <path d={`M${130 + 12} 65h${arm(misses.right)}`} />
        <path d={`M130 77v${arm(misses.tooShort) * 0.7}`} />
        <path d={`M130 53v${-arm(misses.tooLong) * 0.7}`} />
      </g>
      <circle cx="130" cy="65" r="6" fill="none" stroke="currentColor" strokeWidth="1.5" />
      <g fontSize="13" fill="currentColor">
        <text x={130 - 24 - arm(misses.left)} y="69" textAnchor="end">
          {misses.left} left
        </text>
        <text x={130 + 24 + arm(misses.right)} y="69">
          {misses.right} right
        </text>
        <text x="140" y="14">
          {misses.tooLong} long
        </text>
        <text x="140" y="126">
          {misses.tooShort} short
        </text>
      </g>
    </svg>
  );
}

/** What the minutes went into, by part of the game, by phase, by what they were for. */
export function Minutes({ progress: { minutes: spent } }: { progress: Progress }) {
  const lists = [
    ['By part of the game', spent.areas.map((a) => [areas[a.kind], a.minutes] as const)],
    ['By phase', spent.phases.map((p) => [phases[p.kind].name, p.minutes] as const)],
    ['By what they were for', spent.intents.map((i) => [intents[i.kind], i.minutes] as const)],
  ] as const;
  return (
    <Box component="section" aria-label="Minutes" sx={{ mt: 4 }}>
      <Typography variant="h2">Minutes in these weeks</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr 1fr' }, gap: 3, mt: 1 }}>
        {lists.map(([title, rows]) => (
          <Box key={title}>
            <Typography variant="h3">{title}</Typography>
            {rows.length === 0 && <Typography sx={{ color: 'text.secondary' }}>None.</Typography>}
            {rows.map(([name, n]) => (
              <Box
                key={name}
                sx={{
                  display: 'grid',
                  gridTemplateColumns: '96px 1fr 70px',
                  gap: 1,
                  alignItems: 'center',
                  fontSize: 14,
                }}
              >
                <span>{name}</span>
                <Box
                  aria-hidden
                  sx={{
                    height: 9,
                    bgcolor: 'primary.main',
                    borderRadius: 4,
                    width: `${(100 * n) / Math.max(...rows.map((r) => r[1]))}%`,
                  }}
                />
                <Box component="span" sx={{ textAlign: 'right' }}>
                  {minutes(n)}
                </Box>
              </Box>
            ))}
          </Box>
        ))}
      </Box>
      {spent.shares.length > 0 && (
        <Box sx={{ mt: 2, maxWidth: 620 }}>
          <Typography variant="h3">Beside the approach</Typography>
          {spent.shares.map((s) => (
            <Share key={s.name} share={s} />
          ))}
        </Box>
      )}
      {spent.lost.length > 0 && (
        <Box sx={{ mt: 2, maxWidth: 620 }}>
          <Typography variant="h3">Beside where strokes are lost</Typography>
          {spent.lost.map((l) => (
            <Box key={l.text} sx={{ mt: 0.5, fontSize: 15 }}>
              <Bar percent={l.percent} />
              {l.text}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

/** A part of a hundred, and the band it is asked to lie in. */
function Bar({ percent, band }: { percent: number; band?: { least: number; most: number } }) {
  return (
    <Box aria-hidden sx={{ position: 'relative', height: 14, border: '1px solid', borderColor: 'line', my: 0.25 }}>
      {band && (
        <Box
          sx={{
            position: 'absolute',
            left: `${band.least}%`,
            width: `${band.most - band.least}%`,
            top: 0,
            bottom: 0,
            border: '1px dashed',
            background: (theme) =>
              `repeating-linear-gradient(115deg, ${theme.palette.primary.main}40 0 1px, transparent 1px 6px)`,
          }}
        />
      )}
      <Box
        sx={{ position: 'absolute', left: 0, top: '3px', bottom: '3px', width: `${percent}%`, bgcolor: 'primary.main' }}
      />
    </Box>
  );
}

function Share({ share: { text, percent, least, most } }: { share: Schemas['PractisedShare'] }) {
  return (
    <Box sx={{ mt: 0.5, fontSize: 15 }}>
      <Bar percent={percent} band={{ least, most }} />
      {text}
    </Box>
  );
}
