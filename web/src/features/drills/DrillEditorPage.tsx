import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { Problem, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { LocalDraftNotices } from '../../ui/LocalDraftNotices';
import { Choice } from '../../ui/Field';
import { PageHeading } from '../../ui/PageHeading';
import { Key, Loading, ErrorNotice } from '../../ui/states';
import { useLocalDraft } from '../../ui/useLocalDraft';
import { DrillDrawing, pictured } from './DrillDrawing';
import { ProtocolFields } from './ProtocolFields';
import { useCheck, useDrill, useProtocols, useSaveDrill, type Drill } from './queries';
import { TryOut } from './TryOut';
import { Body, Equipment, LadderFields, Where, Words } from './DrillFields';

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
  if (source.error) return <ErrorNotice error={source.error} onRetry={() => void source.refetch()} />;
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
  const draft = useLocalDraft(`drill-${id ?? `new ${start.name}`}`, start, version);
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
        <PageHeading sx={{ mr: 'auto' }}>{drill.name || 'New drill'}</PageHeading>
        <Button component={Link} to={id ? `/drills/${id}` : '/drills'}>
          Back
        </Button>
        <Button variant="contained" disabled={save.isPending} onClick={() => saveOver(draft.version)}>
          Save<Key>Ctrl S</Key>
        </Button>
      </Box>
      <LocalDraftNotices
        wasRestored={draft.wasRestored}
        wasDropped={draft.wasDropped}
        onDiscard={draft.discard}
        isStale={newer !== undefined}
        onTakeTheirs={() => {
          if (newer) draft.take(newer.drill, newer.version);
          save.reset();
        }}
        onOverwrite={() => saveOver(newer?.version)}
      />
      {save.error && !newer && <ErrorNotice error={save.error} />}
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
            suggested={check.data?.analysis.suggestedLadder ?? []}
            measures={check.data?.analysis.measures ?? []}
            errorAt={errorAt}
          />
          <DrillDrawing drill={pictured(drill)} />
          <Typography variant="h2">Try it</Typography>
          <TryOut drill={{ ...shown, ladder: [] }} rung={0} />
        </Box>
      </Box>
    </>
  );
}
