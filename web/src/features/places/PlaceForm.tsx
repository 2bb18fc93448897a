import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { ranges } from '../../api/ranges';
import { Problem, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { usePerson } from '../../app/signIn';
import { Chips } from '../../ui/Chips';
import { DayField } from '../../ui/DayField';
import { LocalDraftNotices } from '../../ui/LocalDraftNotices';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { clubs, equipment, places as placeKinds, surfaces } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { Key, ErrorNotice } from '../../ui/states';
import { useLocalDraft } from '../../ui/useLocalDraft';
import { facingOptions } from './direction';
import { useSavePlace, type Place } from './queries';
import { Targets } from './Targets';

type PlaceView = Schemas['PlaceView'];

interface Props {
  id: string;
  view: PlaceView | undefined;
  others: PlaceView[];
  onClose: () => void;
}

const none = { value: '', label: '–' } as const;

/** Writes a place. What belongs to another kind of place is left behind when the kind changes. */
export function PlaceForm({ id, view, others, onClose }: Props) {
  const { today } = usePerson();
  const start: Place = view?.place ?? { name: '', kind: 'range' };
  const draft = useLocalDraft(`place-${view ? id : 'new'}`, start, view?.version);
  const { content: place, set } = draft;
  const save = useSavePlace(id);
  const problem = save.error instanceof Problem ? save.error : undefined;
  const newer = problem?.status === 412 ? (problem.current as PlaceView) : undefined;
  const errorAt = (path: string) => problem?.fieldError(path);
  const submit = (version: number | undefined) =>
    save.mutate(
      { place, version },
      {
        onSuccess: (saved) => {
          draft.take(saved.place, saved.version);
          onClose();
        },
      },
    );
  useKeys({ 'Ctrl+s': () => submit(draft.version) });
  const isRange = place.kind === 'range';
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e: React.SyntheticEvent) => {
        e.preventDefault();
        submit(draft.version);
      }}
      sx={{ display: 'grid', gap: 2 }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Typography variant="h2" sx={{ mr: 'auto' }}>
          {place.name || 'New place'}
        </Typography>
        <Button onClick={onClose}>Cancel</Button>
        <Button type="submit" variant="contained" disabled={save.isPending}>
          Save<Key>Ctrl S</Key>
        </Button>
      </Box>
      <LocalDraftNotices
        wasRestored={draft.wasRestored}
        wasDropped={draft.wasDropped}
        onDiscard={draft.discard}
        isStale={newer !== undefined}
        onTakeTheirs={() => {
          if (newer) draft.take(newer.place, newer.version);
          save.reset();
        }}
        onOverwrite={() => submit(newer?.version ?? draft.version)}
      />
      {save.error && !newer && <ErrorNotice error={save.error} />}
      <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '2fr 1fr 1fr' }, gap: 2 }}>
        <Field
          label="Name"
          value={place.name}
          error={errorAt('name')}
          onChange={(e) => set({ name: e.target.value })}
        />
        <Choice
          label="Kind"
          value={place.kind}
          options={optionsOf(placeKinds)}
          onChange={(kind) =>
            set({
              kind,
              ...(kind !== 'range' && { surface: null, targets: [], facesDegrees: null, carriesFurtherPercent: 0 }),
              ...(kind !== 'puttingGreen' && { greenSpeedFeet: null, greenSpeedOn: null }),
            })
          }
        />
        {isRange && (
          <Choice
            label="Surface"
            value={place.surface ?? ''}
            options={[none, ...optionsOf(surfaces)]}
            onChange={(surface) => set({ surface: surface || null })}
          />
        )}
        {isRange && (
          <Choice
            label="Faces"
            value={String(place.facesDegrees ?? '')}
            options={[none, ...facingOptions(place.facesDegrees)]}
            error={errorAt('facesDegrees')}
            onChange={(degrees) => set({ facesDegrees: degrees === '' ? null : Number(degrees) })}
          />
        )}
        {isRange && (
          <NumberField
            label="Carries further by"
            unit="%"
            whole
            range={ranges.longerPercent}
            hint="Wind, height, slope: as you know it. 0 says nothing."
            value={place.carriesFurtherPercent ?? 0}
            error={errorAt('carriesFurtherPercent')}
            onChange={(percent) => set({ carriesFurtherPercent: percent ?? 0 })}
          />
        )}
        {place.kind === 'puttingGreen' && (
          <>
            <NumberField
              label="Green speed"
              unit="ft"
              range={ranges.greenSpeedFeet}
              optional
              value={place.greenSpeedFeet}
              error={errorAt('greenSpeedFeet')}
              onChange={(greenSpeedFeet) =>
                set({ greenSpeedFeet, greenSpeedOn: greenSpeedFeet === null ? null : (place.greenSpeedOn ?? today) })
              }
            />
            <DayField
              label="Measured on"
              value={place.greenSpeedOn ?? ''}
              error={errorAt('greenSpeedOn')}
              onChange={(day) => set({ greenSpeedOn: day || null })}
            />
          </>
        )}
      </Box>
      <Field
        label="The place’s own rules"
        multiline
        minRows={2}
        value={place.rules ?? ''}
        error={errorAt('rules')}
        onChange={(e) => set({ rules: e.target.value })}
      />
      <Chips
        label="Clubs that may not be hit here"
        names={clubs}
        value={place.forbiddenClubs ?? []}
        onChange={(forbiddenClubs) => set({ forbiddenClubs })}
      />
      <Chips
        label="What lies ready"
        names={equipment}
        value={place.equipment ?? []}
        onChange={(items) => set({ equipment: items })}
      />
      {isRange && <Targets place={place} set={set} errorAt={errorAt} today={today} />}
      {others.length > 0 && <Walks id={id} place={place} others={others} set={set} errorAt={errorAt} />}
    </Box>
  );
}

interface PartProps {
  place: Place;
  set: (part: Partial<Place>) => void;
  errorAt: (path: string) => string | undefined;
}

/** A way needs to be noted on one side only. */
function noted(other: PlaceView, id: string): string | undefined {
  const walk = other.place.walks?.find((w) => w.place === id);
  return walk && `${walk.minutes} min, noted there`;
}

function Walks({ id, place, others, set, errorAt }: PartProps & { id: string; others: PlaceView[] }) {
  const walks = place.walks ?? [];
  return (
    <Box role="group" aria-label="Walks">
      <Typography variant="h3" sx={{ mb: 1 }}>
        Minutes to walk to
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', gap: 1.5 }}>
        {others.map((o) => {
          const i = walks.findIndex((w) => w.place === o.id);
          return (
            <NumberField
              key={o.id}
              label={o.place.name}
              hint={noted(o, id)}
              unit="min"
              whole
              range={ranges.walkMinutes}
              optional
              value={walks[i]?.minutes}
              error={i >= 0 ? errorAt(`walks[${i}].minutes`) : undefined}
              onChange={(n) =>
                set({
                  walks: [
                    ...walks.filter((w) => w.place !== o.id),
                    ...(n === null ? [] : [{ place: o.id, minutes: Math.round(n) }]),
                  ],
                })
              }
            />
          );
        })}
      </Box>
    </Box>
  );
}
