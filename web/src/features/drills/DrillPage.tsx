import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import {
  ages,
  areas,
  bodyParts,
  clubGroups,
  count,
  equipment,
  feedbackSources,
  hiddenThings,
  intents,
  keysOf,
  levels,
  loadWeights,
  minutes,
  places,
  swingSizes,
} from '../../ui/format';
import type { Schemas } from '../../api/client';
import { PageHeading } from '../../ui/PageHeading';
import { PhaseSign, phases } from '../../ui/phases';
import { Loading, ErrorNotice } from '../../ui/states';
import { DrillDrawing, pictured } from './DrillDrawing';
import { useDrill, useRemoveDrill, type Drill } from './queries';
import { TryOut } from './TryOut';

/** A drill's page: everything a coach needs to set it up, and the drill itself to try. */
export function DrillPage() {
  const { id = '' } = useParams();
  const view = useDrill(id);
  const remove = useRemoveDrill();
  const navigate = useNavigate();
  const [chosen, setChosen] = useState<number>();
  if (view.isPending) return <Loading what="the drill" />;
  if (view.error) return <ErrorNotice error={view.error} onRetry={() => void view.refetch()} />;
  const { drill, analysis } = view.data;
  const rung = chosen ?? analysis.ownRung ?? 0;
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, mt: 3, mb: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <Box sx={{ mr: 'auto' }}>
          <Typography sx={{ color: 'text.secondary' }}>
            <Link to="/drills">Drill shelf</Link> · {areas[drill.area]}, {drill.skill}
          </Typography>
          <PageHeading>{drill.name}</PageHeading>
          <Typography sx={{ fontSize: 18 }}>{drill.purpose}</Typography>
        </Box>
        <Box className="no-print" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Button
            onClick={() =>
              remove.mutate(
                { id, name: drill.name, version: view.data.version },
                { onSuccess: () => void navigate('/drills') },
              )
            }
          >
            Delete drill
          </Button>
          <Button component={Link} to={`/drills/new?from=${id}`} variant="outlined">
            Make a copy
          </Button>
          <Button component={Link} to={`/drills/${id}/edit`} variant="outlined">
            Change
          </Button>
        </Box>
      </Box>
      {remove.error && <ErrorNotice error={remove.error} />}
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: 'minmax(0, 1.15fr) minmax(0, 1fr)' }, gap: 5, mt: 2 }}>
        <About drill={drill} analysis={analysis} />
        <Box>
          <Typography variant="h2">How it is counted</Typography>
          <Typography sx={{ mt: 0.5 }}>
            {analysis.scoring}
            {analysis.plannedAttempts !== null && `, ${count(analysis.plannedAttempts, 'attempt')}`}. A success:{' '}
            {drill.criterion.charAt(0).toLowerCase() + drill.criterion.slice(1)}.
          </Typography>
          <Typography sx={{ color: 'text.secondary' }}>
            It gives {analysis.measures.map((m) => m.label).join(', ')}.
          </Typography>
          {(drill.ladder ?? []).length > 0 && (
            <Ladder drill={drill} steps={analysis.steps} value={rung} own={analysis.ownRung} onChange={setChosen} />
          )}
          <Typography variant="h2" sx={{ mt: 3, mb: 1 }}>
            Try it
          </Typography>
          <TryOut drill={drill} rung={rung} />
        </Box>
      </Box>
    </>
  );
}

/** The steps as a ladder, the easiest at the foot, and how often the one in hand is got through. */
function Ladder({
  drill,
  steps,
  value,
  own,
  onChange,
}: {
  drill: Drill;
  steps: Schemas['StepReach'][];
  value: number;
  own: number | null;
  onChange: (rung: number) => void;
}) {
  const reach = steps[value];
  return (
    <>
      <Box
        role="radiogroup"
        aria-label="Steps of the ladder"
        sx={{ mt: 2, borderLeft: '3px solid', borderRight: '3px solid', borderColor: 'text.primary', width: 300 }}
      >
        {(drill.ladder ?? [])
          .map((rung, i) => (
            <Box
              component="label"
              key={rung.name}
              sx={{
                display: 'flex',
                gap: 1,
                px: 1.5,
                height: 36,
                alignItems: 'center',
                borderBottom: '3px solid',
                borderColor: 'text.primary',
                bgcolor: i === value ? 'text.primary' : 'transparent',
                color: i === value ? 'background.paper' : 'text.primary',
                cursor: 'pointer',
                '&:has(:focus-visible)': { outline: '3px solid', outlineColor: 'text.primary', outlineOffset: 2 },
              }}
            >
              <input
                type="radio"
                name="rung"
                checked={i === value}
                onChange={() => onChange(i)}
                style={{ position: 'absolute', opacity: 0 }}
              />
              {rung.name}
              {i === own && <Box sx={{ ml: 'auto', fontSize: 13 }}>usual</Box>}
            </Box>
          ))
          .reverse()}
      </Box>
      {reach?.goal && (
        <Typography sx={{ mt: 1.5 }}>
          Asked on this step: {reach.goal}.
          {reach.chances.length > 0 && (
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {' '}
              Who makes {reach.chances.map((c) => c.share).join(', ')} of a hundred gets there{' '}
              {reach.chances.map((c) => c.percent).join(', ')} times in a hundred.
            </Box>
          )}
        </Typography>
      )}
    </>
  );
}

function About({ drill, analysis }: { drill: Drill; analysis: Schemas['DrillAnalysis'] }) {
  const needs = drill.equipment ?? [];
  const loads = drill.loads ?? [];
  return (
    <Box>
      <DrillDrawing drill={pictured(drill)} />
      <Typography sx={{ mt: 2, fontSize: 17 }}>{drill.setUp}</Typography>
      {(drill.cues ?? []).length > 0 && (
        <Box component="blockquote" sx={{ m: 0, mt: 1.5, pl: 2, borderLeft: '4px solid', borderColor: 'line' }}>
          {drill.cues?.map((cue) => (
            <div key={cue}>{cue}</div>
          ))}
        </Box>
      )}
      <Box
        component="dl"
        sx={{
          display: 'grid',
          gridTemplateColumns: '150px 1fr',
          rowGap: 0.75,
          columnGap: 2,
          mt: 2,
          '& dd': { m: 0 },
          '& dt': { color: 'text.secondary' },
        }}
      >
        <Fact name="Phases">
          <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
            {drill.phases.map((p) => (
              <Box key={p} sx={{ display: 'flex', gap: 0.5 }}>
                <PhaseSign phase={p} /> {phases[p].name}
              </Box>
            ))}
          </Box>
        </Fact>
        <Fact name="Intents">{drill.intents.map((i) => intents[i]).join(', ')}</Fact>
        <Fact name="Where">{drill.places.map((p) => places[p]).join(', ')}</Fact>
        <Fact name="Usually">
          {minutes(drill.usualMinutes)}
          {(drill.usualBalls ?? 0) > 0 && `, ${count(drill.usualBalls ?? 0, 'ball')}`}
        </Fact>
        <Fact name="Clubs">
          {clubGroups[drill.clubGroup ?? 'any']}
          {drill.swing && `, ${swingSizes[drill.swing].toLowerCase()}`}
        </Fact>
        {drill.feedback && <Fact name="Feedback from">{feedbackSources[drill.feedback]}</Fact>}
        {(drill.hide ?? []).length > 0 && (
          <Fact name="Hidden">{drill.hide?.map((h) => hiddenThings[h]).join(', ')}</Fact>
        )}
        {needs.length > 0 && (
          <Fact name="Needs">
            {needs.map((n) => (
              <div key={n.item}>
                {equipment[n.item]}
                {[...(n.or ?? []).map((item) => equipment[item].toLowerCase()), n.substitute ?? '']
                  .filter((other) => other !== '')
                  .map((other) => (
                    <Box key={other} component="span" sx={{ color: 'text.secondary' }}>
                      {' '}
                      or {other}
                    </Box>
                  ))}
              </div>
            ))}
          </Fact>
        )}
        {loads.length > 0 && (
          <Fact name="Loads">
            {loadLines(loads).map((line) => (
              <div key={line}>{line}</div>
            ))}
          </Fact>
        )}
        {(drill.levels ?? []).length > 0 && (
          <Fact name="Levels">{drill.levels?.map((l) => levels[l].toLowerCase()).join(', ')}</Fact>
        )}
        {(drill.ages ?? []).length > 0 && (
          <Fact name="Ages">{drill.ages?.map((a) => ages[a].toLowerCase()).join(', ')}</Fact>
        )}
        {analysis.gateDegrees !== null && (
          <Fact name="Gate">Lets {analysis.gateDegrees.toFixed(1)}° off the line through</Fact>
        )}
        {drill.countsTowardsSwingChange && <Fact name="Swing change">Its repetitions count</Fact>}
        {drill.whenCrowded && <Fact name="When crowded">{drill.whenCrowded}</Fact>}
      </Box>
      {(drill.cautions ?? []).length > 0 && (
        <Box sx={{ mt: 2, p: 2, bgcolor: 'background.paper', borderRadius: 2 }}>
          {drill.cautions?.map((c) => (
            <div key={c}>{c}</div>
          ))}
        </Box>
      )}
    </Box>
  );
}

/** What it asks of the body: the heavy loads in one line, the light ones in another. */
function loadLines(loads: Schemas['BodyLoad'][]): string[] {
  return keysOf(loadWeights).flatMap((weight) => {
    const parts = loads
      .filter((l) => (l.weight ?? 'heavy') === weight)
      .map((l) => `${l.side ? `${l.side} ` : ''}${bodyParts[l.part].toLowerCase()}`);
    return parts.length === 0 ? [] : [`${loadWeights[weight]} of ${parts.join(', ')}`];
  });
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}
