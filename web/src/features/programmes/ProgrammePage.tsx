import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useDeferredValue, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { ranges } from '../../api/ranges';
import { Problem, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { usePlans } from '../plans/queries';
import { Choice, Field } from '../../ui/Field';
import { LocalDraftNotices } from '../../ui/LocalDraftNotices';
import { NumberField } from '../../ui/NumberField';
import { onDemand } from '../../ui/onDemand';
import { PageHeading } from '../../ui/PageHeading';
import { ErrorNotice, Key, Loading } from '../../ui/states';
import { useLocalDraft } from '../../ui/useLocalDraft';
import { ChangeFields } from './ChangeFields';
import { GoalFields } from './GoalFields';
import { ProgrammeGrid, type Chosen } from './ProgrammeGrid';
import {
  useDrawing,
  useProgramme,
  useRemoveProgramme,
  useSaveProgramme,
  type Programme,
  type Run,
  type Slot,
} from './queries';
import { Runs } from './Runs';

const StartDialog = onDemand(() => import('./StartDialog').then((m) => m.StartDialog));

const blank: Programme = { name: '', purpose: '', weeks: 6, slots: [], lighterWeeks: [], goal: null };

/** A programme: weeks by sessions, what changes in them, what it is to move, for whom it runs. */
export function ProgrammePage() {
  const { id = 'new' } = useParams();
  const [newId] = useState(() => uuid());
  const found = useProgramme(id === 'new' ? undefined : id);
  // What was new stays on the page it was begun on when saving gives it an address.
  if (id === 'new' || id === newId)
    return <Editor key={newId} id={newId} start={blank} version={undefined} runs={found.data?.runs ?? []} />;
  if (found.isPending) return <Loading what="the programme" />;
  if (found.error) return <ErrorNotice error={found.error} onRetry={() => void found.refetch()} />;
  return <Editor key={id} id={id} start={found.data.programme} version={found.data.version} runs={found.data.runs} />;
}

interface Props {
  id: string;
  start: Programme;
  version: number | undefined;
  runs: readonly Run[];
}

function Editor({ id, start, version, runs }: Props) {
  const draft = useLocalDraft(`programme-${version === undefined ? 'new' : id}`, start, version);
  const { content: programme, set } = draft;
  const drawing = useDrawing(useDeferredValue(programme));
  const plans = usePlans({ text: '', area: '', order: 'used' });
  const save = useSaveProgramme(id);
  const remove = useRemoveProgramme();
  const navigate = useNavigate();
  const [chosen, setChosen] = useState<Chosen>();
  const [isStarting, setIsStarting] = useState(false);
  const problem = save.error instanceof Problem ? save.error : undefined;
  const newer = problem?.status === 412 ? (problem.current as Schemas['ProgrammeView']) : undefined;
  const errorAt = (path: string) => problem?.fieldError(path);
  const isSaved = draft.version !== undefined;

  const saveOver = (over: number | undefined) =>
    save.mutate(
      { programme, version: over },
      {
        onSuccess: (saved) => {
          draft.take(programme, saved.version);
          if (over === undefined) void navigate(`/programmes/${id}`, { replace: true });
        },
      },
    );
  useKeys({ 'Ctrl+s': () => saveOver(draft.version) });

  const changeSlot = (slotId: string, part: Partial<Slot>) =>
    set({ slots: programme.slots.map((s) => (s.id === slotId ? { ...s, ...part } : s)) });
  const options = plans.data?.pages.flatMap((page) => page.plans).map((p) => ({ value: p.id, label: p.title })) ?? [];

  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 1.5, mb: 1, flexWrap: 'wrap' }}>
        <PageHeading>{programme.name || 'New programme'}</PageHeading>
        <Box role="status" data-testid="save-state" sx={{ color: draft.isDirty ? 'secondary.main' : 'text.secondary' }}>
          {save.isPending ? 'saving …' : draft.isDirty ? 'not saved yet' : isSaved ? 'saved' : ''}
        </Box>
        <Box className="no-print" sx={{ ml: 'auto', display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          <Button component={Link} to="/programmes">
            All programmes
          </Button>
          {isSaved && (
            <>
              <Button
                disabled={draft.isDirty}
                onClick={() =>
                  remove.mutate(
                    { id, name: programme.name, version: draft.version ?? 0 },
                    { onSuccess: () => void navigate('/programmes') },
                  )
                }
              >
                Delete programme
              </Button>
              <Button variant="outlined" disabled={draft.isDirty} onClick={() => setIsStarting(true)}>
                Start it for somebody
              </Button>
            </>
          )}
          <Button
            variant="contained"
            disabled={!draft.isDirty || save.isPending}
            onClick={() => saveOver(draft.version)}
          >
            Save<Key>Ctrl S</Key>
          </Button>
        </Box>
      </Box>
      <LocalDraftNotices
        wasRestored={draft.wasRestored}
        wasDropped={draft.wasDropped}
        onDiscard={draft.discard}
        isStale={newer !== undefined}
        onTakeTheirs={() => {
          if (newer) draft.take(newer.programme, newer.version);
          save.reset();
        }}
        onOverwrite={() => saveOver(newer?.version)}
      />
      {save.error && !newer && <ErrorNotice error={save.error} />}
      {remove.error && <ErrorNotice error={remove.error} />}

      <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1fr 1.8fr 110px' }, gap: 2, mb: 2 }}>
        <Field
          label="Name"
          value={programme.name}
          error={errorAt('name')}
          onChange={(e) => set({ name: e.target.value })}
        />
        <Field
          label="Purpose"
          placeholder="What is different at the end of it?"
          value={programme.purpose ?? ''}
          error={errorAt('purpose')}
          onChange={(e) => set({ purpose: e.target.value })}
        />
        <NumberField
          label="Weeks"
          whole
          range={ranges.programmeWeeks}
          value={programme.weeks}
          error={errorAt('weeks')}
          onChange={(n) => set({ weeks: n ?? 1 })}
        />
      </Box>

      {drawing.error && <ErrorNotice error={drawing.error} onRetry={() => void drawing.refetch()} />}
      <ProgrammeGrid
        programme={programme}
        drawing={drawing.data}
        runs={runs}
        chosen={chosen}
        onChoose={setChosen}
        onLighter={(week) =>
          set({
            lighterWeeks: programme.lighterWeeks?.includes(week)
              ? programme.lighterWeeks.filter((w) => w !== week)
              : [...(programme.lighterWeeks ?? []), week].sort((a, b) => a - b),
          })
        }
        errorAt={(path) => errorAt(path) ?? drawing.data?.errors.find((e) => e.path === path)?.message}
      />
      <Box className="no-print" sx={{ maxWidth: 420, mt: 1.5, mb: 3 }}>
        <Choice
          label={programme.slots.length === 0 ? 'The first session of the week' : 'One more session a week'}
          value=""
          options={[{ value: '', label: plans.isPending ? 'fetching the plans …' : 'choose a plan' }, ...options]}
          error={errorAt('slots')}
          onChange={(planId) => {
            if (!planId) return;
            const slot: Slot = { id: uuid(), planId, requirement: 'must', order: null, fromWeek: 1, toWeek: null };
            set({ slots: [...programme.slots, slot] });
            setChosen({ slotId: slot.id, week: 1 });
          }}
        />
      </Box>

      <Box sx={{ display: 'grid', gridTemplateColumns: { md: 'minmax(0, 1.3fr) minmax(0, 1fr)' }, gap: 5 }}>
        <ChangeFields
          programme={programme}
          drawing={drawing.data}
          chosen={chosen}
          onChange={changeSlot}
          onRemove={(slotId) => {
            setChosen(undefined);
            set({ slots: programme.slots.filter((s) => s.id !== slotId) });
          }}
        />
        <Box sx={{ display: 'grid', gap: 3, alignContent: 'start' }}>
          <GoalFields
            goal={programme.goal ?? null}
            drawing={drawing.data}
            errorAt={errorAt}
            onChange={(goal) => set({ goal })}
          />
          <Runs programmeId={id} runs={runs} isSaved={isSaved} />
        </Box>
      </Box>
      {isStarting && (
        <StartDialog
          programmeId={id}
          name={programme.name}
          weeks={programme.weeks}
          onClose={() => setIsStarting(false)}
        />
      )}
    </>
  );
}
