import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { Problem, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { Chips } from '../../ui/Chips';
import { DraftNotices } from '../../ui/DraftNotices';
import { Choice, Field, optionsOf } from '../../ui/Field';
import {
  areas,
  bodyParts,
  clubGroups,
  drawings,
  equipment,
  feedbackSources,
  hiddenThings,
  intents,
  places,
  swingSizes,
} from '../../ui/format';
import { ListField } from '../../ui/ListField';
import { NumberField } from '../../ui/NumberField';
import { phaseOrder, phases } from '../../ui/phases';
import { Key, Loading, Trouble } from '../../ui/states';
import { Stepper } from '../../ui/Stepper';
import { Tick } from '../../ui/Tick';
import { useDraft } from '../../ui/useDraft';
import { DrillDrawing } from './DrillDrawing';
import { ProtocolFields } from './ProtocolFields';
import { useCheck, useDrill, useProtocols, useSaveDrill, type Drill } from './queries';
import { TryOut } from './TryOut';

const blank: Drill = {
  name: '',
  purpose: '',
  area: 'putting',
  skill: '',
  criterion: '',
  phases: ['block'],
  intents: ['skill'],
  places: ['puttingGreen'],
  usualMinutes: 10,
  usualBalls: 20,
  setUp: '',
  protocol: { kind: 'makeRate', attempts: 20, make: 'Inside' },
};

/** A new drill, a copy of one, or one being changed. */
export function DrillEditorPage() {
  const { id } = useParams();
  const [query] = useSearchParams();
  const from = query.get('from') ?? undefined;
  const source = useDrill(id ?? from);
  if ((id ?? from) && source.isPending) return <Loading what="the drill" />;
  if (source.error) return <Trouble error={source.error} onRetry={() => void source.refetch()} />;
  if (id && source.data) return <Editor key={id} id={id} start={source.data.drill} version={source.data.version} />;
  return (
    <Editor
      key={from ?? 'new'}
      id={undefined}
      start={source.data ? { ...source.data.drill, name: `${source.data.drill.name}, a copy` } : blank}
      version={undefined}
    />
  );
}

interface Props {
  id: string | undefined;
  start: Drill;
  version: number | undefined;
}

function Editor({ id, start, version }: Props) {
  const [newId] = useState(() => id ?? uuid());
  const draft = useDraft(`drill-${id ?? `new ${start.name}`}`, start, version);
  const { content: drill, set } = draft;
  const [shown, setShown] = useState(drill);
  const save = useSaveDrill(newId);
  const protocols = useProtocols();
  const check = useCheck({ drill: shown, rung: 0, seed: 1 });
  const navigate = useNavigate();
  const problem = save.error instanceof Problem ? save.error : undefined;
  const newer = problem?.status === 412 ? (problem.current as Schemas['DrillView']) : undefined;
  // A field that nobody has touched yet is not called wrong while it is empty.
  const errorAt = (path: string) =>
    problem?.fieldError(path) ??
    check.data?.errors.find((e) => e.path === path && (path.startsWith('protocol') || path.startsWith('ladder')))
      ?.message;

  useEffect(() => {
    const timer = setTimeout(() => setShown(drill), 150);
    return () => clearTimeout(timer);
  }, [drill]);

  const saveOver = (over: number | undefined) =>
    save.mutate(
      { drill, version: over },
      {
        onSuccess: (saved) => {
          draft.take(saved.drill, saved.version);
          void navigate(`/drills/${newId}`);
        },
      },
    );
  useKeys({ 'Ctrl+s': () => saveOver(draft.version) });

  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, mt: 3, mb: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ mr: 'auto' }}>
          {drill.name || 'New drill'}
        </Typography>
        <Button component={Link} to={id ? `/drills/${id}` : '/drills'}>
          Back
        </Button>
        <Button variant="contained" disabled={save.isPending} onClick={() => saveOver(draft.version)}>
          Save<Key>Ctrl S</Key>
        </Button>
      </Box>
      <DraftNotices
        wasRestored={draft.wasRestored}
        onDiscard={draft.discard}
        isStale={newer !== undefined}
        onTakeTheirs={() => {
          if (newer) draft.take(newer.drill, newer.version);
          save.reset();
        }}
        onOverwrite={() => saveOver(newer?.version)}
      />
      {save.error && !newer && <Trouble error={save.error} />}
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: 'minmax(0, 1.2fr) minmax(0, 1fr)' }, gap: 5 }}>
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
          <Words drill={drill} set={set} errorAt={errorAt} />
          <Where drill={drill} set={set} errorAt={errorAt} />
          <Equipment drill={drill} set={set} errorAt={errorAt} />
          <Body drill={drill} set={set} />
        </Box>
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
          <Typography variant="h2">How it is counted</Typography>
          <Choice
            label="Scored as"
            value={drill.protocol.kind}
            options={(protocols.data ?? []).map((p) => ({ value: p.kind, label: p.title }))}
            hint={protocols.data?.find((p) => p.kind === drill.protocol.kind)?.about}
            onChange={(kind) => {
              const chosen = protocols.data?.find((p) => p.kind === kind);
              if (chosen) set({ protocol: chosen.beginning, ladder: [] });
            }}
          />
          <ProtocolFields
            protocol={drill.protocol}
            path="protocol"
            errorAt={errorAt}
            onChange={(protocol) => set({ protocol })}
          />
          <LadderFields
            drill={drill}
            set={set}
            suggested={check.data?.reading.suggestedLadder ?? []}
            errorAt={errorAt}
          />
          <DrillDrawing drill={drill} />
          <Typography variant="h2">Try it</Typography>
          <TryOut drill={{ ...shown, ladder: [] }} rung={0} />
        </Box>
      </Box>
    </>
  );
}

interface PartProps {
  drill: Drill;
  set: (part: Partial<Drill>) => void;
  errorAt: (path: string) => string | undefined;
}

function Words({ drill, set, errorAt }: PartProps) {
  return (
    <>
      <Field label="Name" value={drill.name} error={errorAt('name')} onChange={(e) => set({ name: e.target.value })} />
      <Field
        label="What it is for"
        value={drill.purpose}
        error={errorAt('purpose')}
        onChange={(e) => set({ purpose: e.target.value })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '1fr 1fr' }, gap: 2 }}>
        <Choice label="Area" value={drill.area} options={optionsOf(areas)} onChange={(area) => set({ area })} />
        <Field
          label="Skill"
          placeholder="start line, pace, reading …"
          value={drill.skill}
          error={errorAt('skill')}
          onChange={(e) => set({ skill: e.target.value })}
        />
      </Box>
      <Field
        label="What counts as a success"
        value={drill.criterion}
        error={errorAt('criterion')}
        onChange={(e) => set({ criterion: e.target.value })}
      />
      <Field
        label="Set-up"
        multiline
        minRows={3}
        value={drill.setUp}
        error={errorAt('setUp')}
        onChange={(e) => set({ setUp: e.target.value })}
      />
      <ListField
        label="Cues, a line each"
        hint="In lead and trail words, one thought each."
        value={drill.cues ?? []}
        error={errorAt('cues')}
        onChange={(cues) => set({ cues })}
      />
      <ListField
        label="Cautions, a line each"
        value={drill.cautions ?? []}
        error={errorAt('cautions')}
        onChange={(cautions) => set({ cautions })}
      />
      <Field
        label="When the place is crowded"
        value={drill.whenCrowded ?? ''}
        error={errorAt('whenCrowded')}
        onChange={(e) => set({ whenCrowded: e.target.value })}
      />
    </>
  );
}

const phaseNames = Object.fromEntries(phaseOrder.map((p) => [p, phases[p].name])) as Record<Schemas['Phase'], string>;
const none = { value: '', label: '–' } as const;

function Where({ drill, set, errorAt }: PartProps) {
  return (
    <>
      <Chips
        label="Phases it suits"
        names={phaseNames}
        value={drill.phases}
        error={errorAt('phases')}
        onChange={(value) => set({ phases: value })}
      />
      <Chips
        label="Intents"
        names={intents}
        value={drill.intents}
        error={errorAt('intents')}
        onChange={(value) => set({ intents: value })}
      />
      <Chips
        label="Places"
        names={places}
        value={drill.places}
        error={errorAt('places')}
        onChange={(value) => set({ places: value })}
      />
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
        <Stepper
          label="Usual minutes"
          value={drill.usualMinutes}
          least={1}
          most={240}
          error={errorAt('usualMinutes')}
          onChange={(usualMinutes) => set({ usualMinutes })}
        />
        <Stepper
          label="Usual balls"
          value={drill.usualBalls ?? 0}
          most={400}
          error={errorAt('usualBalls')}
          onChange={(usualBalls) => set({ usualBalls })}
        />
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(150px, 1fr))', gap: 2 }}>
        <Choice
          label="Clubs"
          value={drill.clubGroup ?? 'any'}
          options={optionsOf(clubGroups)}
          onChange={(clubGroup) => set({ clubGroup })}
        />
        <Choice
          label="Swing"
          value={drill.swing ?? ''}
          options={[none, ...optionsOf(swingSizes)]}
          onChange={(swing) => set({ swing: swing || null })}
        />
        <Choice
          label="Feedback from"
          value={drill.feedback ?? ''}
          options={[none, ...optionsOf(feedbackSources)]}
          onChange={(feedback) => set({ feedback: feedback || null })}
        />
        <Choice
          label="Drawing"
          value={drill.drawing ?? 'none'}
          options={optionsOf(drawings)}
          onChange={(drawing) =>
            set({ drawing, gateMillimetres: drawing === 'gate' ? (drill.gateMillimetres ?? null) : null })
          }
        />
        {drill.drawing === 'gate' && (
          <NumberField
            label="Gate, mm"
            optional
            value={drill.gateMillimetres}
            error={errorAt('gateMillimetres')}
            onChange={(gateMillimetres) => set({ gateMillimetres })}
          />
        )}
      </Box>
      <Chips
        label="Hide while practising"
        names={hiddenThings}
        value={drill.hide ?? []}
        onChange={(hide) => set({ hide })}
      />
      <Tick
        label="Its repetitions count towards a swing change"
        checked={drill.countsTowardsSwingChange ?? false}
        onChange={(countsTowardsSwingChange) => set({ countsTowardsSwingChange })}
      />
    </>
  );
}

function Equipment({ drill, set, errorAt }: PartProps) {
  const needs = drill.equipment ?? [];
  return (
    <>
      <Chips
        label="Needs"
        names={equipment}
        value={needs.map((n) => n.item)}
        error={errorAt('equipment')}
        onChange={(items) =>
          set({ equipment: items.map((item) => needs.find((n) => n.item === item) ?? { item, substitute: '' }) })
        }
      />
      {needs.map((need, i) => (
        <Field
          key={need.item}
          label={`Instead of ${equipment[need.item].toLowerCase()}, at home`}
          placeholder="nothing does"
          value={need.substitute ?? ''}
          error={errorAt(`equipment[${i}].substitute`)}
          onChange={(e) =>
            set({ equipment: needs.map((n) => (n === need ? { ...n, substitute: e.target.value } : n)) })
          }
        />
      ))}
    </>
  );
}

function Body({ drill, set }: Omit<PartProps, 'errorAt'>) {
  const loads = drill.loads ?? [];
  return (
    <Chips
      label="Parts of the body it loads"
      names={bodyParts}
      value={loads.map((l) => l.part)}
      onChange={(parts) => set({ loads: parts.map((part) => loads.find((l) => l.part === part) ?? { part }) })}
    />
  );
}

function LadderFields({ drill, set, suggested, errorAt }: PartProps & { suggested: Schemas['Rung'][] }) {
  const ladder = drill.ladder ?? [];
  return (
    <Box role="group" aria-label="Ladder">
      <Box sx={{ fontSize: 14, fontWeight: 620, mb: 0.5 }}>Ladder, from easy to hard</Box>
      {ladder.map((rung, i) => (
        <Box key={i} sx={{ mb: 1 }}>
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'end' }}>
            <Box sx={{ flex: 1 }}>
              <Field
                label={`Step ${i + 1}`}
                value={rung.name}
                error={errorAt(`ladder[${i}].name`)}
                onChange={(e) => set({ ladder: ladder.map((r, j) => (j === i ? { ...r, name: e.target.value } : r)) })}
              />
            </Box>
            <Button
              onClick={() => set({ ladder: ladder.filter((_, j) => j !== i) })}
              aria-label={`Take out step ${i + 1}`}
            >
              Take out
            </Button>
          </Box>
          <details>
            <summary style={{ cursor: 'pointer' }}>Its parameters</summary>
            <ProtocolFields
              protocol={rung.protocol}
              path={`ladder[${i}].protocol`}
              errorAt={errorAt}
              onChange={(protocol) => set({ ladder: ladder.map((r, j) => (j === i ? { ...r, protocol } : r)) })}
            />
          </details>
        </Box>
      ))}
      <Button
        variant="outlined"
        size="small"
        onClick={() => set({ ladder: [...ladder, { name: `Step ${ladder.length + 1}`, protocol: drill.protocol }] })}
      >
        Another step
      </Button>
      {suggested.length > 0 && ladder.length === 0 && (
        <Button size="small" onClick={() => set({ ladder: suggested })}>
          Suggest {suggested.length} steps
        </Button>
      )}
      {errorAt('ladder') && (
        <Box role="alert" sx={{ fontSize: 13.5, mt: 0.5, color: 'error.main' }}>
          {errorAt('ladder')}
        </Box>
      )}
    </Box>
  );
}
