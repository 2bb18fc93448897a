import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { dataRightsKeys } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { Field } from '../../ui/Field';
import { count, plusDays } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { useStudent, useStudentsChanged } from '../students/queries';

const tables = ['sessions', 'segments', 'results', 'ratings', 'rounds'] as const;

/** Everything of one student: out, for coaches, and deleted, for owners. */
export function DataPage() {
  const { id = '' } = useParams();
  const student = useStudent(id);
  const isOwner = usePerson().role === 'owner';
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mt: 3, mb: 2 }}>
        <PageHeading sx={{ mr: 'auto' }}>{student.data ? `${student.data.name}: data` : 'Data'}</PageHeading>
        <Button component={Link} to={`/students/${id}/file`}>
          Back
        </Button>
      </Box>
      {student.isPending && <Loading what="the student" />}
      {student.error && <ErrorNotice error={student.error} onRetry={() => void student.refetch()} />}
      {student.data && (
        <Box sx={{ display: 'grid', gridTemplateColumns: isOwner ? { md: '1fr 1.3fr' } : '1fr', gap: 6 }}>
          <Out id={id} isOwner={isOwner} />
          {isOwner && <Traces id={id} />}
        </Box>
      )}
    </>
  );
}

function Out({ id, isOwner }: { id: string; isOwner: boolean }) {
  const { today } = usePerson();
  return (
    <Box component="section" aria-label="Out">
      <Typography variant="h2">Out</Typography>
      <Typography sx={{ mb: 1 }}>
        The document is for programs. The tables are for a spreadsheet; they hold the last two years.
        {isOwner && ' The archive holds both, for all years, and every row that is kept, coaches’ own lines too.'}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gap: 1 }}>
        {isOwner && (
          <li>
            <a href={`/api/data-rights/students/${id}/everything.zip`} download>
              Everything to hand over, as an archive (ZIP)
            </a>
          </li>
        )}
        <li>
          <a href={`/api/exports/students/${id}`} download={`morning-round-${id}.json`}>
            What was practised, as one document (JSON)
          </a>
        </li>
        {tables.map((table) => (
          <li key={table}>
            <a href={`/api/exports/${table}.csv?student=${id}&from=${plusDays(today, -730)}`} download>
              {table.replace(/^./, (c) => c.toUpperCase())}, as CSV
            </a>
          </li>
        ))}
      </Box>
    </Box>
  );
}

const kinds: Record<Schemas['TraceKind'], [one: string, many?: string]> = {
  account: ['account'],
  file: ['file'],
  sessions: ['session'],
  logs: ['log of practice', 'logs of practice'],
  entries: ['entry of those logs', 'entries of those logs'],
  results: ['result of a drill', 'results of drills'],
  rounds: ['round'],
  words: ['week with a word', 'weeks with a word'],
  other: ['other row', 'other rows'],
};

const places: Record<Schemas['MentionKind'], string> = {
  plan: 'Plan',
  drill: 'Drill',
  programme: 'Programme',
  squad: 'Squad',
  testDay: 'Test day',
  place: 'Place',
  course: 'Course',
  student: 'File or note of',
  week: 'A word about a week of',
};

function Traces({ id }: { id: string }) {
  const traces = useQuery({
    queryKey: dataRightsKeys.of(id),
    queryFn: () => answer(api.GET('/api/data-rights/students/{studentId}', { params: { path: { studentId: id } } })),
  });
  return (
    <Box component="section" aria-label="Deleting">
      <Typography variant="h2">Deleted for good</Typography>
      {traces.isPending && <Loading what="what is kept" />}
      {traces.error && <ErrorNotice error={traces.error} onRetry={() => void traces.refetch()} />}
      {traces.data && (
        <>
          <Typography>
            What goes: {traces.data.rows.map((r) => count(r.count, ...kinds[r.kind])).join(', ')}. A guardian’s account
            goes along where no other child is here.
          </Typography>
          <Typography sx={{ mt: 1 }}>
            What stays: ids in the security log, which then lead nowhere, for as long as the academy keeps it; backups
            that were made before, until they are thrown away; what stands unsent on the student’s own phone.
          </Typography>
          <Typography variant="h3" sx={{ mt: 3 }}>
            Where others wrote of {traces.data.name}
          </Typography>
          <Mentions traces={traces.data} />
          <Forget id={id} name={traces.data.name} />
        </>
      )}
    </Box>
  );
}

function Mentions({ traces }: { traces: Schemas['Traces'] }) {
  if (traces.mentions.length === 0)
    return (
      <Box sx={{ mt: 1 }}>
        <Empty title="Nowhere that was found">
          Names and notes of others were searched for the whole and the first name.
        </Empty>
      </Box>
    );
  return (
    <>
      <Typography sx={{ color: 'text.secondary' }}>
        This stays as it is. A first name may be somebody else’s: look, and change what you want gone.
      </Typography>
      <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.5 }}>
        {traces.mentions.map((m, i) => (
          <li key={i}>
            {places[m.where]} <Link to={m.path}>{m.title}</Link>
          </li>
        ))}
      </Box>
      {traces.hasMoreMentions && <Typography>There are more; they show once some of these are changed.</Typography>}
    </>
  );
}

function Forget({ id, name }: { id: string; name: string }) {
  const [typed, setTyped] = useState('');
  const navigate = useNavigate();
  const changed = useStudentsChanged();
  const forget = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/data-rights/students/{studentId}/forgetting', {
          params: { path: { studentId: id } },
          body: { name: typed },
        }),
      ),
    onSuccess: async () => {
      void navigate('/tee-line');
      await changed();
    },
  });
  const named = forget.error instanceof Problem ? forget.error.fieldError('name') : undefined;
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        forget.mutate();
      }}
      sx={{ display: 'grid', gap: 2, mt: 3, maxWidth: 360 }}
    >
      <Typography>Nothing of this can be brought back, except from a backup.</Typography>
      <Field
        label={`Type ${name} to delete everything`}
        value={typed}
        autoComplete="off"
        onChange={(e) => setTyped(e.target.value)}
        error={named}
      />
      <Button
        type="submit"
        variant="contained"
        disabled={typed === '' || forget.isPending}
        sx={{ justifySelf: 'start' }}
      >
        Delete everything
      </Button>
      {forget.error && !named && <ErrorNotice error={forget.error} />}
    </Box>
  );
}
