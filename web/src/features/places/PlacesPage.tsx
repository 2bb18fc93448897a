import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { v7 as uuid } from 'uuid';
import { answer, api, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { FileButtons } from '../../ui/FileButtons';
import { PageHeading } from '../../ui/PageHeading';
import { clubs, count, dayName, equipment, minutes, places as placeKinds, surfaces } from '../../ui/format';
import { Empty, Key, Loading, ErrorNotice } from '../../ui/states';
import { bearingInWords, facingInWords } from './direction';
import { PlaceForm } from './PlaceForm';
import { usePlaces, useRefreshPlaces, useRemovePlace } from './queries';
import { DeletedLink } from '../../ui/deleted';

type PlaceView = Schemas['PlaceView'];

/** The academy's grounds: the list to the left, the one in hand to the right, drawn as whoever puts the page together has it. */
export function PlacesPage({ drawing }: { drawing: (place: PlaceView) => ReactNode }) {
  const places = usePlaces();
  const refresh = useRefreshPlaces();
  const [chosen, setChosen] = useState<string>();
  const [editing, setEditing] = useState<{ id: string; isNew: boolean }>();
  const add = () => setEditing({ id: uuid(), isNew: true });
  useKeys({ n: add });
  const current = places.data?.find((p) => p.id === chosen) ?? places.data?.[0];
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mt: 3, mb: 2, flexWrap: 'wrap' }}>
        <PageHeading sx={{ mr: 'auto' }}>Places</PageHeading>
        <DeletedLink />
        <Link to="/courses">Courses</Link>
        <FileButtons
          fileName="places.json"
          download={() => answer(api.GET('/api/places/file'))}
          upload={(content) => answer(api.POST('/api/places/file', { body: content as Schemas['PlaceFile'] }))}
          onImported={refresh}
        />
        <Button variant="contained" onClick={add}>
          New place<Key>n</Key>
        </Button>
      </Box>
      {places.isPending && <Loading what="the places" />}
      {places.error && <ErrorNotice error={places.error} onRetry={() => void places.refetch()} />}
      {places.data?.length === 0 && !editing && (
        <Empty title="No places yet">Range, greens, bunker, course: what is there, and what may not be done.</Empty>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: '280px minmax(0, 1fr)' }, gap: 5 }}>
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {places.data?.map((p) => (
            <Box component="li" key={p.id} sx={{ borderBottom: '1px solid', borderColor: 'line' }}>
              <Button
                onClick={() => {
                  setChosen(p.id);
                  setEditing(undefined);
                }}
                aria-pressed={p.id === current?.id && !editing}
                sx={{
                  width: '100%',
                  justifyContent: 'space-between',
                  textAlign: 'left',
                  textDecoration: 'none',
                  px: 1,
                  borderRadius: 1,
                  bgcolor: p.id === current?.id && !editing ? 'background.paper' : undefined,
                }}
              >
                {p.place.name}
                <Box component="span" sx={{ color: 'text.secondary', fontWeight: 450 }}>
                  {placeKinds[p.place.kind]}
                </Box>
              </Button>
            </Box>
          ))}
        </Box>
        {editing ? (
          <PlaceForm
            key={editing.id}
            id={editing.id}
            view={editing.isNew ? undefined : places.data?.find((p) => p.id === editing.id)}
            others={(places.data ?? []).filter((p) => p.id !== editing.id)}
            onClose={() => {
              setChosen(editing.id);
              setEditing(undefined);
            }}
          />
        ) : (
          current && (
            <About
              key={current.id}
              view={current}
              all={places.data ?? []}
              drawing={drawing(current)}
              onEdit={() => setEditing({ id: current.id, isNew: false })}
            />
          )
        )}
      </Box>
    </>
  );
}

function About({
  view,
  all,
  drawing,
  onEdit,
}: {
  view: PlaceView;
  all: PlaceView[];
  drawing: ReactNode;
  onEdit: () => void;
}) {
  const remove = useRemovePlace();
  const { place } = view;
  const walks = [
    ...(place.walks ?? []).map((w) => ({ to: all.find((p) => p.id === w.place), minutes: w.minutes })),
    ...all.flatMap((p) =>
      (p.place.walks ?? []).filter((w) => w.place === view.id).map((w) => ({ to: p, minutes: w.minutes })),
    ),
  ];
  const facts = [
    place.surface && surfaces[place.surface],
    place.facesDegrees !== null && place.facesDegrees !== undefined && `faces ${facingInWords(place.facesDegrees)}`,
    place.greenSpeedFeet &&
      `speed ${place.greenSpeedFeet} ft, measured ${place.greenSpeedOn ? dayName(place.greenSpeedOn) : ''}`,
    (place.forbiddenClubs ?? []).length > 0 &&
      `no ${place.forbiddenClubs?.map((c) => clubs[c].toLowerCase()).join(', ')}`,
    (place.equipment ?? []).length > 0 &&
      `there: ${place.equipment?.map((e) => equipment[e].toLowerCase()).join(', ')}`,
  ].filter((f) => typeof f === 'string');
  return (
    <Box component="section" aria-label={place.name}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="h2" sx={{ mr: 'auto' }}>
          {place.name}
        </Typography>
        <Button onClick={() => remove.mutate({ id: view.id, name: place.name, version: view.version })}>
          Delete place
        </Button>
        <Button variant="outlined" onClick={onEdit}>
          Change
        </Button>
      </Box>
      {remove.error && <ErrorNotice error={remove.error} />}
      {facts.map((fact) => (
        <Typography key={fact}>{fact.charAt(0).toUpperCase() + fact.slice(1)}</Typography>
      ))}
      {place.rules && (
        <Box component="blockquote" sx={{ m: 0, my: 1.5, pl: 2, borderLeft: '4px solid', borderColor: 'line' }}>
          {place.rules}
        </Box>
      )}
      <Box sx={{ mt: 2 }}>{drawing}</Box>
      {(place.targets ?? []).length > 0 && (
        <Typography sx={{ color: 'text.secondary', mt: 0.5 }}>
          {count(place.targets?.length ?? 0, 'target')}:{' '}
          {place.targets
            ?.map((t) => `${t.name}, ${bearingInWords(t.bearingDegrees ?? 0)} (${t.look || 'no look noted'})`)
            .join(', ')}
        </Typography>
      )}
      {walks.length > 0 && (
        <Typography sx={{ mt: 1.5 }}>
          {walks.map((w) => w.to && `${minutes(w.minutes)} to ${w.to.place.name}`).join(', ')}
        </Typography>
      )}
    </Box>
  );
}
