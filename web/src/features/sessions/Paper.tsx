import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { domainNow, usePerson } from '../../app/signIn';
import { DayField } from '../../ui/DayField';
import { Field } from '../../ui/Field';
import { PageHeading } from '../../ui/PageHeading';
import { minutes, outcomes } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { PhaseSign } from '../../ui/phases';
import { Loading } from '../../ui/states';
import { hintOf, readCard } from '../drills/card';
import { displaysOf } from '../drills/flow';
import { planFrom, type PracticeSegment } from '../plans/benchState';
import type { NewEntry } from './log';
import type { Session } from './queries';
import { Scale } from './Scale';
import { InAnotherTab, SyncLine, SyncProblem } from './SyncLine';
import { useRunningLog, type OnServer } from './useRunningLog';

/** What the card says of one segment. */
interface Line {
  outcome?: Schemas['SegmentOutcome'];
  /** How much of it was done in part; no value where nobody knows. */
  percent?: number | null;
  balls?: number | null;
  attempts?: string;
}

const answers = ['done', 'partDone', 'skipped'] as const;

/** A session that was done on paper, typed in: segment by segment how it was left, balls, and the attempts of its drill. */
export function Paper({ session, onServer }: { session: Session; onServer: OnServer | undefined }) {
  const person = usePerson();
  const navigate = useNavigate();
  const log = useRunningLog(session.card, onServer);
  const plan = planFrom(session.plan);
  const practised = plan.segments.filter((s) => s.kind === 'practice');
  const [day, setDay] = useState(session.card.day && session.card.day < person.today ? session.card.day : person.today);
  const [lines, setLines] = useState<Record<string, Line>>({});
  const [rating, setRating] = useState<{
    effort?: number;
    quality?: number;
    confidence?: number;
    purposeMet?: boolean;
  }>({});
  const [note, setNote] = useState('');
  if (log.isElsewhere) return <InAnotherTab onTakeOver={log.takeOver} />;
  if (!log.isReady) return <Loading what="your log" />;
  const hasBegun = Object.keys(log.state.segments).length > 0;
  const set = (id: string, patch: Line) => setLines((old) => ({ ...old, [id]: { ...old[id], ...patch } }));
  // A card of holes is no line of attempts: of them only how it was left is typed in.
  const drillOf = (id: string) => session.drills.find((d) => d.segmentId === id && d.protocol.kind !== 'playedHoles');
  const readings = new Map(
    practised.flatMap((s) => {
      const drill = drillOf(s.id);
      return drill ? [[s.id, readCard(drill.flow, lines[s.id]?.attempts ?? '')] as const] : [];
    }),
  );
  const isReadable = [...readings.values()].every((r) => r.misfit === undefined);
  const isSaid = Object.values(lines).some((l) => l.outcome !== undefined);
  const dayFits = day !== '' && day <= person.today;

  const save = () => {
    // Paper knows no clock: the times are those of the plan, from nine in the morning or so as to be over by now.
    const whole = plan.segments.reduce((sum, s) => sum + s.minutes, 0) * 60_000;
    let at = Math.min(new Date(`${day}T09:00:00`).getTime(), domainNow() - whole);
    const when = () => new Date(at).toISOString();
    const entries: NewEntry[] = [{ kind: 'opened', recording: 'paper', at: when() }];
    for (const segment of practised) {
      const line = lines[segment.id];
      if (!line?.outcome) continue;
      const { id: segmentId } = segment;
      if (line.outcome !== 'skipped') {
        entries.push({ kind: 'entered', segmentId, at: when() });
        for (const input of readings.get(segmentId)?.inputs ?? [])
          entries.push({
            kind: 'answered',
            segmentId,
            flowVersion: drillOf(segmentId)?.flow.version ?? 1,
            input,
            at: when(),
          });
        if (line.balls) entries.push({ kind: 'counted', segmentId, balls: Math.round(line.balls), at: when() });
        at += segment.minutes * 60_000;
      }
      const percent = line.outcome === 'partDone' ? line.percent : null;
      entries.push({
        kind: 'settled',
        segmentId,
        outcome: line.outcome,
        at: when(),
        ...(percent ? { percent } : {}),
      });
    }
    entries.push({ kind: 'rated', note, ...rating, at: when() }, { kind: 'finished', at: when() });
    log.add(...entries);
    void navigate(`/practice/${session.card.assignmentId}`, { replace: true });
  };

  return (
    <Box sx={{ pt: 1.5, maxWidth: 620, mx: 'auto' }}>
      <Box sx={{ display: 'flex', alignItems: 'center', minHeight: 48 }}>
        <Button component={Link} to={`/practice/${session.card.assignmentId}`} sx={{ ml: -1.25, minHeight: 48 }}>
          Back
        </Button>
        <SyncLine log={log} hasBegun={hasBegun} />
      </Box>
      <SyncProblem log={log} isOver />
      <PageHeading>{plan.title}, from paper</PageHeading>
      {hasBegun ? (
        <Typography sx={{ mt: 2, fontSize: 18 }}>
          This session was begun on this device. Go on with it there, or look back on it.
        </Typography>
      ) : (
        <>
          <Box sx={{ maxWidth: 220, mt: 2 }}>
            <DayField
              label="Day"
              value={day}
              onChange={setDay}
              error={dayFits ? undefined : 'Today or a day before, please.'}
              max={person.today}
            />
          </Box>
          {practised.map((segment) => (
            <SegmentLine
              key={segment.id}
              segment={segment}
              line={lines[segment.id] ?? {}}
              drill={drillOf(segment.id)}
              reading={readings.get(segment.id)}
              onChange={(patch) => set(segment.id, patch)}
            />
          ))}
          <Box sx={{ display: 'grid', gap: 2, mt: 3 }}>
            <Box role="group" aria-label="Purpose met">
              <Box sx={{ fontWeight: 620, mb: 0.5 }}>{plan.purpose}</Box>
              <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.75 }}>
                {([true, false] as const).map((met) => (
                  <Button
                    key={String(met)}
                    variant={rating.purposeMet === met ? 'contained' : 'outlined'}
                    aria-pressed={rating.purposeMet === met}
                    onClick={() => setRating({ ...rating, purposeMet: met })}
                    sx={{ minHeight: 56, borderRadius: 2 }}
                  >
                    {met ? 'Met' : 'Not yet'}
                  </Button>
                ))}
              </Box>
            </Box>
            <Scale
              label="Quality"
              least={1}
              value={rating.quality}
              onChange={(quality) => setRating({ ...rating, quality })}
            />
            <Scale
              label="Confidence"
              least={1}
              value={rating.confidence}
              onChange={(confidence) => setRating({ ...rating, confidence })}
            />
            <Scale
              label="Effort"
              least={0}
              value={rating.effort}
              onChange={(effort) => setRating({ ...rating, effort })}
            />
            <Field
              label="Note"
              multiline
              minRows={2}
              value={note}
              onChange={(e) => setNote(e.target.value)}
              inputProps={{ maxLength: 2000 }}
            />
            <Button
              variant="contained"
              disabled={!isSaid || !isReadable || !dayFits}
              onClick={save}
              sx={{ minHeight: 64, fontSize: 19, borderRadius: 32 }}
            >
              Keep it
            </Button>
          </Box>
        </>
      )}
    </Box>
  );
}

interface SegmentLineProps {
  segment: PracticeSegment;
  line: Line;
  drill: Schemas['SessionDrill'] | undefined;
  reading: ReturnType<typeof readCard> | undefined;
  onChange: (patch: Line) => void;
}

function SegmentLine({ segment, line, drill, reading, onChange }: SegmentLineProps) {
  const isDone = line.outcome === 'done' || line.outcome === 'partDone';
  return (
    <Box role="group" aria-label={segment.title} sx={{ py: 1.5, borderBottom: '1px solid', borderColor: 'line' }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 0.75 }}>
        <PhaseSign phase={segment.phase} named size={18} />
        <b>{segment.title}</b>
        <Box component="span" sx={{ ml: 'auto', color: 'text.secondary' }}>
          {minutes(segment.minutes)}
        </Box>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 0.75 }}>
        {answers.map((outcome) => (
          <Button
            key={outcome}
            variant={line.outcome === outcome ? 'contained' : 'outlined'}
            aria-pressed={line.outcome === outcome}
            onClick={() => onChange({ outcome })}
            sx={{ minHeight: 56, borderRadius: 2, px: 0.5 }}
          >
            {outcomes[outcome]}
          </Button>
        ))}
      </Box>
      {line.outcome === 'partDone' && (
        <Box role="group" aria-label={`How much of ${segment.title}`} sx={{ mt: 1 }}>
          <Box sx={{ fontSize: 14, color: 'text.secondary', mb: 0.5 }}>How much of it?</Box>
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(4, 1fr)', gap: 0.75 }}>
            {([25, 50, 75, null] as const).map((percent) => (
              <Button
                key={String(percent)}
                variant={(line.percent ?? null) === percent ? 'contained' : 'outlined'}
                aria-pressed={(line.percent ?? null) === percent}
                onClick={() => onChange({ percent })}
                sx={{ minHeight: 56, borderRadius: 2, px: 0.5 }}
              >
                {percent === null ? 'No idea' : percent === 25 ? 'A quarter' : percent === 50 ? 'Half' : 'Most'}
              </Button>
            ))}
          </Box>
        </Box>
      )}
      {isDone && !drill && segment.balls > 0 && (
        <Box sx={{ maxWidth: 160, mt: 1 }}>
          <NumberField
            label="Balls"
            optional
            whole
            range={ranges.segmentBalls}
            value={line.balls}
            onChange={(balls) => onChange({ balls })}
          />
        </Box>
      )}
      {isDone && drill && reading && (
        <Box sx={{ mt: 1 }}>
          <Field
            label={`Attempts of “${drill.name}”`}
            multiline
            value={line.attempts ?? ''}
            onChange={(e) => onChange({ attempts: e.target.value })}
            hint={`Next: ${hintOf(reading.walk)}`}
            error={
              reading.misfit === undefined
                ? undefined
                : `“${reading.misfit}” does not fit here. Next: ${hintOf(reading.walk)}`
            }
          />
          {reading.inputs.length > 0 && segment.phase !== 'warmUp' && (
            <Box data-testid="card-reading" sx={{ color: 'text.secondary', mt: 0.5 }}>
              {displaysOf(drill.flow, reading.walk).join('; ')}
            </Box>
          )}
        </Box>
      )}
    </Box>
  );
}
