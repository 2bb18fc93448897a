import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useId } from 'react';
import { Problem, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { DayField } from '../../ui/DayField';
import { Choice, Field } from '../../ui/Field';
import { LocalDraftNotices } from '../../ui/LocalDraftNotices';
import { ErrorNotice, Key } from '../../ui/states';
import { useLocalDraft } from '../../ui/useLocalDraft';
import { useRemoveRound, useSaveRound, type Round, type RoundView } from './queries';
import { freshHoles, freshTotals } from './rounds';
import { RoundHoles } from './RoundHoles';
import { TotalsFields } from './TotalsFields';

interface Props {
  studentId: string;
  id: string;
  /** No value for a round that is not saved yet. */
  view: RoundView | undefined;
  courses: Schemas['PlayedCourse'][];
  today: string;
  onDone: () => void;
}

const lengths = [
  { value: '9', label: '9 holes' },
  { value: '18', label: '18 holes' },
] as const;
const ways = [
  { value: 'holes', label: 'hole by hole' },
  { value: 'totals', label: 'what it came to' },
] as const;

/** A round as it is typed in: hole by hole, or only what it came to. */
export function RoundForm({ studentId, id, view, courses, today, onDone }: Props) {
  const last = courses[0];
  const played = last?.pars.length ? last.pars.length : 18;
  const start: { id: string; round: Round } = {
    id,
    round: view?.round ?? {
      day: today,
      course: last?.name ?? '',
      holesPlayed: played,
      noted: null,
      holes: freshHoles(played, last?.pars),
    },
  };
  const draft = useLocalDraft(`round-${view ? id : `new-${studentId}`}`, start, view?.version);
  // A draft keeps its id: sent again after an answer was lost, it is the same round.
  const { id: ownId, round } = draft.content;
  const set = (part: Partial<Round>) => draft.set({ round: { ...round, ...part } });
  const take = (saved: RoundView) => draft.take({ id: saved.id, round: saved.round }, saved.version);
  const save = useSaveRound(studentId, ownId);
  const remove = useRemoveRound(studentId);
  const problem = save.error instanceof Problem ? save.error : undefined;
  const newer = problem?.status === 412 ? (problem.current as RoundView) : undefined;
  const errorAt = (path: string) => problem?.fieldError(path);
  const listId = useId();
  const holes = round.holes ?? [];
  const way = holes.length > 0 ? 'holes' : 'totals';
  const parsOn = (course: string) => courses.find((c) => c.name.toLowerCase() === course.trim().toLowerCase())?.pars;
  const submit = (version: number | undefined) =>
    save.mutate(
      { round, version },
      {
        onSuccess: (saved) => {
          take(saved);
          onDone();
        },
      },
    );
  useKeys({ 'Ctrl+s': () => submit(draft.version) });
  return (
    <Box
      component="form"
      noValidate
      aria-label={view ? 'Change a round' : 'A round'}
      onSubmit={(e: React.SyntheticEvent) => {
        e.preventDefault();
        submit(draft.version);
      }}
      sx={{ display: 'grid', gap: 1.5, my: 2, minWidth: 0, maxWidth: 620 }}
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: '1fr 1.4fr' }, gap: 1.5 }}>
        <DayField label="Day" value={round.day} error={errorAt('day')} onChange={(day) => set({ day })} />
        <Field
          label="Course"
          value={round.course}
          error={errorAt('course')}
          inputProps={{ list: listId, maxLength: 80 }}
          onChange={(e) => {
            const course = e.target.value;
            const pars = parsOn(course);
            // The pars of a course that was played before, while nothing else is typed.
            const isUntouched = holes.every((h) => h.score === 0);
            set(
              pars && pars.length > 0 && way === 'holes' && isUntouched
                ? { course, holesPlayed: pars.length, holes: freshHoles(pars.length, pars) }
                : { course },
            );
          }}
        />
        <datalist id={listId}>
          {courses.map((c) => (
            <option key={c.name} value={c.name} />
          ))}
        </datalist>
        <Choice
          label="Holes"
          value={round.holesPlayed === 9 ? '9' : '18'}
          options={lengths}
          error={errorAt('holesPlayed')}
          onChange={(n) => {
            const holesPlayed = Number(n);
            set({ holesPlayed, holes: way === 'holes' ? freshHoles(holesPlayed, parsOn(round.course), holes) : [] });
          }}
        />
        <Choice
          label="Noted"
          value={way}
          options={ways}
          onChange={(to) =>
            set(
              to === 'holes'
                ? { holes: freshHoles(round.holesPlayed, parsOn(round.course)), noted: null }
                : { holes: [], noted: freshTotals(holes, round.holesPlayed) },
            )
          }
        />
      </Box>
      <LocalDraftNotices
        wasRestored={draft.wasRestored}
        wasDropped={draft.wasDropped}
        onDiscard={draft.discard}
        isStale={newer !== undefined}
        onTakeTheirs={() => {
          if (newer) take(newer);
          save.reset();
        }}
        onOverwrite={() => submit(newer?.version ?? draft.version)}
      />
      {save.error && !newer && <ErrorNotice error={save.error} />}
      {remove.error && <ErrorNotice error={remove.error} />}
      {way === 'holes' ? (
        <RoundHoles holes={holes} errorAt={errorAt} onChange={(changed) => set({ holes: changed })} />
      ) : (
        round.noted && <TotalsFields noted={round.noted} errorAt={errorAt} onChange={(noted) => set({ noted })} />
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained" disabled={save.isPending || !draft.isDirty}>
          Save<Key>Ctrl S</Key>
        </Button>
        <Button
          onClick={() => {
            draft.discard();
            onDone();
          }}
        >
          Cancel
        </Button>
        {view && (
          <Button
            onClick={() => remove.mutate(view, { onSuccess: () => onDone() })}
            disabled={remove.isPending}
            sx={{ ml: 'auto' }}
          >
            Delete round
          </Button>
        )}
      </Box>
    </Box>
  );
}
