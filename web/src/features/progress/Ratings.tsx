import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { count, dayName } from '../../ui/format';
import { DayAxis, placing, scaleOf, TimePlot } from '../../ui/TimePlot';

type Progress = Schemas['ProgressView'];

const kinds: Record<Schemas['RatingKind'], string> = {
  focus: 'Focus',
  quality: 'Quality',
  confidence: 'Confidence',
  enjoyment: 'Enjoyment',
  effort: 'Effort',
};

const ratedInWords = (dot: { day: string; value: number }) => `${dayName(dot.day)} ${dot.value}`;

/** Each session's ratings as dots, week means as a line, on one scale from 0 to 10; pain, excuses and competitions along it. */
export function Ratings({ progress }: { progress: Progress }) {
  const { weeks, sessions, ratings, today, competitions } = progress;
  const from = weeks[0]?.monday ?? today;
  const within = competitions.filter((c) => c.firstDay >= from && c.firstDay <= today);
  return (
    <Box component="section" aria-label="Self-ratings" sx={{ mt: 4 }}>
      <Typography variant="h2">Self-ratings</Typography>
      <Box sx={{ display: 'grid', gap: 1.5, mt: 1 }}>
        {ratings.map(({ kind, change }) => {
          const dots = sessions.flatMap((s) => {
            const value = s[kind];
            return value == null ? [] : [{ day: s.day, value, stretch: -1, isHollow: s.isHollow, isPaper: s.isPaper }];
          });
          return (
            <Box
              key={kind}
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '96px 1fr', md: '96px minmax(0, 1fr) minmax(0, 250px)' },
                columnGap: 1.5,
                alignItems: 'center',
              }}
            >
              <Box sx={{ fontSize: 15 }}>{kinds[kind]}</Box>
              <Box sx={{ pl: '22px', borderBottom: '1px solid', borderTop: '1px solid', borderColor: 'line' }}>
                <TimePlot
                  label={`${kinds[kind]}, 0 to 10: ${dots.map(ratedInWords).join(', ') || 'never rated'}`}
                  from={from}
                  to={today}
                  min={0}
                  max={10}
                  dots={dots.map((d, i) => ({ ...d, stretch: i }))}
                  means={weeks.map((w) => ({ day: w.monday, value: w.ratings[kind] }))}
                  competitions={within}
                  marks={[0, 10]}
                  height={46}
                />
              </Box>
              <Typography variant="body2" sx={{ color: 'text.secondary', gridColumn: { xs: '1 / -1', md: 'auto' } }}>
                {change.text}
              </Typography>
            </Box>
          );
        })}
        <Beside progress={progress} from={from} />
      </Box>
      <Typography sx={{ mt: 1 }}>{progress.honesty.text}</Typography>
      <Box component="details" sx={{ mt: 1 }}>
        <summary>The sessions behind it</summary>
        <Box component="ul" sx={{ columns: { sm: 2, lg: 3 }, pl: 2.5, mt: 1 }}>
          {sessions.toReversed().map((s) => (
            <li key={s.assignmentId}>
              <Link to={`/sessions/${s.assignmentId}`}>{dayName(s.day)}</Link>
              {s.quality != null && `: quality ${s.quality}`}
              {s.confidence != null && `, confidence ${s.confidence}`}
              {s.isHollow && ' (hollow)'}
            </li>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

/** What stands beside the ratings on the same axis: pain, excused weeks. */
function Beside({ progress, from }: { progress: Progress; from: string }) {
  const { sessions, weeks, today, competitions } = progress;
  const { across } = placing({ from, to: today, min: 0, max: 1 });
  const pains = sessions.filter((s) => s.pain != null);
  const excused = weeks.filter((w) => w.excused > 0);
  const inWords = [
    ...pains.map((s) => `pain ${s.pain} of 10 on ${dayName(s.day)}`),
    ...excused.map((w) => `${count(w.excused, 'session')} excused in the week of ${dayName(w.monday)}`),
  ].join('; ');
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '96px 1fr', md: '96px minmax(0, 1fr) minmax(0, 250px)' },
        columnGap: 1.5,
      }}
    >
      <Box sx={{ fontSize: 15 }}>Beside them</Box>
      <Box sx={{ pl: '22px' }}>
        <Box
          role="img"
          aria-label={inWords || 'No pain and nothing excused'}
          sx={{ position: 'relative', height: 22, fontSize: 13 }}
        >
          {excused.map((w) => (
            <Box
              key={w.monday}
              title={`${w.excused} excused`}
              sx={{ position: 'absolute', left: `${across(w.monday)}%`, top: 2, transform: 'translateX(-50%)' }}
            >
              ○{w.excused}
            </Box>
          ))}
          {pains.map((s) => (
            <Box
              key={s.assignmentId}
              title={`Pain ${s.pain} of 10`}
              sx={{
                position: 'absolute',
                left: `${across(s.day)}%`,
                top: 2,
                transform: 'translateX(-50%)',
                color: 'error.main',
                fontWeight: 650,
              }}
            >
              ✕{s.pain}
            </Box>
          ))}
        </Box>
        <DayAxis
          from={from}
          to={today}
          competitions={competitions.filter((c) => c.firstDay >= from && c.firstDay <= today)}
        />
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary', gridColumn: { xs: '1 / -1', md: 'auto' } }}>
        ✕ pain of 10, ○ sessions excused, ⚑ competitions
      </Typography>
    </Box>
  );
}

/** What was done of a week: a week without a figure has none, which is not the same as nothing. */
const doneInWords = ({ monday, completion, sessionsDone, sessions }: Schemas['WeekFigureView']) =>
  `${dayName(monday).slice(4)}: ` +
  (completion.fraction === null
    ? 'nothing counted'
    : `${Math.round(completion.fraction * 100)} %, ${completion.text}, ${sessionsDone} of ${sessions} sessions whole`);

const bands: Record<Schemas['LoadBand'], string> = {
  light: 'a light week',
  usual: 'usual',
  busy: 'a busy week',
  caution: 'a reason to look',
};

/** Each week's load over the mean of the four before it, in the band that is usual; and how much of what was set was done. */
export function Loads({ progress }: { progress: Progress }) {
  const { loads, weeks, today, loadBounds, competitions } = progress;
  const from = loads[0]?.monday ?? today;
  const played = competitions.filter((c) => c.firstDay >= from && c.firstDay <= today);
  const known = loads.filter((l) => l.ratio != null);
  const last = loads.at(-1);
  return (
    <Box component="section" aria-label="Load" sx={{ mt: 4 }}>
      <Typography variant="h2">Load</Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Effort times minutes, this week over the mean of the four before. Hatched is usual; above{' '}
        {loadBounds.cautionAbove} is a reason to look.
      </Typography>
      {known.length === 0 ? (
        <Typography sx={{ mt: 1 }}>Four weeks have to lie behind before anything can be said of load.</Typography>
      ) : (
        <Box sx={{ pl: '34px', mt: 1.5 }}>
          <TimePlot
            label={known
              .map((l) => `week of ${dayName(l.monday)}: ${l.ratio?.toFixed(1) ?? ''}, ${l.band ? bands[l.band] : ''}`)
              .join('; ')}
            from={from}
            to={today}
            {...scaleOf([0, loadBounds.cautionAbove, ...known.map((l) => l.ratio)], [0, 4])}
            dots={known.map((l) => ({
              day: l.monday,
              value: l.ratio ?? 0,
              stretch: 0,
              // The week is not over: what it comes to is not known.
              isHollow: l === last,
            }))}
            band={{ least: loadBounds.usualFrom, most: loadBounds.usualTo }}
            marks={[loadBounds.usualFrom, loadBounds.usualTo, loadBounds.cautionAbove]}
            competitions={played}
            height={110}
          />
          <DayAxis from={from} to={today} competitions={played} />
        </Box>
      )}
      {last?.ratio != null && last.band && (
        <Typography>
          This week so far {last.ratio.toFixed(1)} times the usual
          {last.band !== 'light' && last.band !== 'usual' && `: ${bands[last.band]}`}.
        </Typography>
      )}
      <Typography variant="h3" sx={{ mt: 2 }}>
        Done of what was set
      </Typography>
      <Box
        role="img"
        aria-label={`Completion by week. ${weeks.map(doneInWords).join('; ')}`}
        sx={{ display: 'flex', alignItems: 'flex-end', gap: '3px', height: 56, mt: 1, borderBottom: '1.5px solid' }}
      >
        {weeks.map((w) => (
          <Box
            key={w.monday}
            title={doneInWords(w)}
            sx={{
              flex: 1,
              height: `${Math.max(2, 100 * (w.completion.fraction ?? 0))}%`,
              bgcolor: w.completion.fraction === null ? 'transparent' : 'primary.main',
            }}
          />
        ))}
      </Box>
      <DayAxis from={from} to={today} competitions={played} />
    </Box>
  );
}
