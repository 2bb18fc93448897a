import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as uuid } from 'uuid';
import { answer, api, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { usePerson } from '../../app/signIn';
import { DeletedLink } from '../../ui/deleted';
import { FileButtons } from '../../ui/FileButtons';
import { count } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Key, Loading } from '../../ui/states';
import { LostStrokes } from './LostStrokes';
import { useRefreshRounds, useRounds } from './queries';
import { RoundForm } from './RoundForm';
import { RoundLine } from './RoundLine';

const pageOf = 20;

/** A student's real rounds, and where strokes are lost in them: for the coach, and for the student's own. */
export function RoundsPage() {
  const { id } = useParams();
  const person = usePerson();
  const studentId = id ?? person.studentId ?? '';
  const [rows, setRows] = useState(pageOf);
  const rounds = useRounds(studentId, rows);
  const refresh = useRefreshRounds(studentId);
  /** The round that is written: an id that is not listed is a new one. */
  const [written, setWritten] = useState<string>();
  const add = () => setWritten(uuid());
  useKeys({ n: add });
  const view = rounds.data;
  const isNew = written !== undefined && !view?.rounds.some((r) => r.id === written);
  const form = (inHand?: Schemas['RoundView']) =>
    view &&
    written && (
      <RoundForm
        key={written}
        {...{ studentId, id: written }}
        view={inHand}
        courses={view.courses}
        today={person.today}
        onDone={() => setWritten(undefined)}
      />
    );
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mt: 3, mb: 1.5, flexWrap: 'wrap' }}>
        <PageHeading sx={{ mr: 'auto' }}>{id ? `${view?.studentName ?? ''}: rounds` : 'My rounds'}</PageHeading>
        {id && (
          <>
            <DeletedLink />
            <Button component={Link} to={`/students/${id}`}>
              Back
            </Button>
          </>
        )}
        <Button variant="contained" onClick={add} disabled={!view || isNew}>
          Add a round<Key>n</Key>
        </Button>
      </Box>
      {rounds.isPending && <Loading what="the rounds" />}
      {rounds.error && <ErrorNotice error={rounds.error} onRetry={() => void rounds.refetch()} />}
      {isNew && form()}
      {view?.count === 0 && !isNew && (
        <Empty title="No rounds yet">
          Type one in hole by hole, or take a file in. From three rounds on they say where strokes are lost.
        </Empty>
      )}
      {view && view.rounds.length > 0 && (
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { lg: 'minmax(0, 1fr) 440px' },
            columnGap: 5,
            '& > :last-child': { order: { xs: -1, lg: 0 } },
          }}
        >
          <Box component="section" aria-label="Rounds" sx={{ mt: 3 }}>
            <Typography variant="h2">{count(view.count, 'round')}</Typography>
            <Box component="ol" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
              {view.rounds.map((round) =>
                round.id === written ? (
                  <li key={round.id}>{form(round)}</li>
                ) : (
                  <RoundLine key={round.id} view={round} onChange={() => setWritten(round.id)} />
                ),
              )}
            </Box>
            {view.count > view.rounds.length && (
              <Button
                onClick={() => setRows(Math.min(1000, view.rounds.length + 5 * pageOf))}
                disabled={rounds.isFetching}
              >
                Show earlier ones
              </Button>
            )}
          </Box>
          <LostStrokes lost={view.lost} />
        </Box>
      )}
      {view && (
        <Box sx={{ mt: 2, display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }} className="no-print">
          <FileButtons
            fileName="rounds.json"
            download={() => answer(api.GET('/api/rounds/{studentId}/file', { params: { path: { studentId } } }))}
            upload={(content) =>
              answer(
                api.POST('/api/rounds/{studentId}/file', {
                  params: { path: { studentId } },
                  body: content as Schemas['RoundFile'],
                }),
              )
            }
            table={{
              fileName: 'rounds.csv',
              download: async () =>
                (await answer<unknown>(
                  api.GET('/api/rounds/{studentId}/csv', { params: { path: { studentId } }, parseAs: 'text' }),
                )) as string,
              upload: (text) =>
                answer(api.POST('/api/rounds/{studentId}/csv', { params: { path: { studentId } }, body: { text } })),
            }}
            onImported={() => void refresh()}
          />
        </Box>
      )}
    </>
  );
}
