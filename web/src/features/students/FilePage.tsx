import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, changesVersion, Problem, type Schemas } from '../../api/client';
import { studentKeys } from '../../api/queryKeys';
import { showAnswer } from '../../api/showAnswer';
import { useKeys } from '../../app/keys';
import { usePerson } from '../../app/signIn';
import { PageHeading } from '../../ui/PageHeading';
import { moment, seasons } from '../../ui/format';
import { onDemand } from '../../ui/onDemand';
import { LocalDraftNotices } from '../../ui/LocalDraftNotices';
import { Key, Loading, ErrorNotice } from '../../ui/states';
import { useLocalDraft } from '../../ui/useLocalDraft';
import { CoachFields, coachFieldNames } from './CoachFields';
import { CoachSummary } from './CoachSummary';
import { OwnFields, ownFieldNames } from './OwnFields';
import { useStudent } from './queries';

const StudentAccount = onDemand(() => import('../accounts/StudentAccount').then((m) => m.StudentAccount));

type FileView = Schemas['StudentFileView'];

/** What stands in a file about a student's guardians; a feature above this one shows it. */
export type GuardiansPart = React.ComponentType<{ studentId: string; name: string }>;

/** What of the weeks falls on days away; it is put together with the file by the router. */
export type DaysAwayPart = React.ComponentType<{ studentId: string; version: number }>;

/** A student's file: as the coach keeps it, and as the student sees it and keeps their own part. */
export function FilePage({ Guardians, DaysAway }: { Guardians?: GuardiansPart; DaysAway?: DaysAwayPart }) {
  const { id } = useParams();
  const person = usePerson();
  const studentId = id ?? person.studentId ?? '';
  const file = useQuery({
    queryKey: studentKeys.file(studentId),
    queryFn: () => answer(api.GET('/api/students/{id}/file', { params: { path: { id: studentId } } })),
    staleTime: Infinity,
  });
  const student = useStudent(studentId);
  if (file.isPending) return <Loading what="the file" />;
  if (file.error) return <ErrorNotice error={file.error} onRetry={() => void file.refetch()} />;
  return (
    <FileForm
      key={studentId}
      view={file.data}
      name={student.data?.name ?? ''}
      Guardians={Guardians}
      DaysAway={DaysAway}
      title={person.role === 'student' ? 'My file' : `${student.data?.name ?? ''}: file`}
      back={person.role === 'student' ? undefined : `/students/${studentId}`}
    />
  );
}

const named = (part: string, names: Record<string, string>) =>
  Object.entries(names).map(([field, name]) => [`${part}.${field}`, name] as const);

/** What a field of the file is called where changes are listed. */
const fieldNames = new Map<string, string>([
  ['coach', 'handed over'],
  ...named('own', ownFieldNames),
  ...named('coach', coachFieldNames),
]);

interface FormProps {
  view: FileView;
  name: string;
  title: string;
  back: string | undefined;
  Guardians: GuardiansPart | undefined;
  DaysAway: DaysAwayPart | undefined;
}

function FileForm({ view, name, title, back, Guardians, DaysAway }: FormProps) {
  const queries = useQueryClient();
  const [current, setCurrent] = useState(view);
  const draft = useLocalDraft(`file-${view.studentId}`, view.file, view.version);
  const { content: file, isDirty } = draft;
  const save = useMutation({
    mutationFn: (version: number) =>
      answer(
        api.PUT('/api/students/{id}/file', {
          params: { path: { id: view.studentId } },
          body: file,
          headers: changesVersion(version),
        }),
      ),
    onSuccess: (saved) => {
      setCurrent(saved);
      draft.take(saved.file, saved.version);
      return showAnswer(queries, studentKeys.file(view.studentId), saved);
    },
  });
  const problem = save.error instanceof Problem ? save.error : undefined;
  const newer = problem?.status === 412 ? (problem.current as FileView) : undefined;
  const errorAt = (path: string) => problem?.fieldError(path);
  useKeys({ 'Ctrl+s': () => isDirty && save.mutate(draft.version ?? 0) });
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, mt: 3, mb: 1, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <PageHeading>{title}</PageHeading>
        <Typography
          role="status"
          data-testid="file-state"
          sx={{ color: isDirty ? 'secondary.main' : 'text.secondary', mr: 'auto' }}
        >
          {save.isPending ? 'saving …' : isDirty ? 'not saved yet' : current.version > 0 ? 'saved' : ''}
        </Typography>
        {back && (
          <Button component={Link} to={back}>
            Back
          </Button>
        )}
        <Button
          variant="contained"
          disabled={!isDirty || save.isPending}
          onClick={() => save.mutate(draft.version ?? 0)}
          sx={{ '@media (pointer: coarse)': { minHeight: 56 } }}
        >
          Save<Key>Ctrl S</Key>
        </Button>
      </Box>
      <Typography sx={{ color: 'text.secondary' }}>
        {seasons[current.season]}
        {!current.mayBePublishedTo && ' · nothing can be published before a guardian has consented'}
      </Typography>
      <Typography sx={{ mb: 2 }}>
        {current.lostStrokes} <Link to={back ? `${back}/rounds` : '/my-rounds'}>Rounds</Link>
      </Typography>
      <LocalDraftNotices
        wasRestored={draft.wasRestored}
        wasDropped={draft.wasDropped}
        onDiscard={draft.discard}
        isStale={newer !== undefined}
        onTakeTheirs={() => {
          if (newer) {
            setCurrent(newer);
            draft.take(newer.file, newer.version);
          }
          save.reset();
        }}
        onOverwrite={() => save.mutate(newer?.version ?? 0)}
      />
      {save.error && !newer && <ErrorNotice error={save.error} />}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: current.canChangeAll ? { md: '1.15fr 1fr' } : '1fr',
          gap: 5,
          '& > *': { minWidth: 0 },
        }}
      >
        {current.canChangeAll && (
          <CoachFields
            studentId={view.studentId}
            coach={file.coach ?? {}}
            unit={file.own?.units === 'metres' ? 'metres' : 'yards'}
            bodyParts={current.bodyParts}
            gaps={current.gridGaps}
            errorAt={errorAt}
            onChange={(coach) => draft.set({ coach })}
          />
        )}
        <Box>
          {DaysAway && <DaysAway studentId={view.studentId} version={current.version} />}
          <OwnFields
            title={current.canChangeAll ? 'What the student keeps' : 'What is mine to keep'}
            own={file.own ?? {}}
            errorAt={errorAt}
            onChange={(own) => draft.set({ own })}
          />
          {!current.canChangeAll && <CoachSummary coach={file.coach ?? {}} />}
          {current.canChangeAll && Guardians && current.isMinor && <Guardians studentId={view.studentId} name={name} />}
          {current.canChangeAll && <StudentAccount studentId={view.studentId} name={name} />}
          <Changes view={current} />
        </Box>
      </Box>
    </>
  );
}

function Changes({ view }: { view: FileView }) {
  return (
    <Box component="section" aria-label="Changes" sx={{ mt: 4 }}>
      <Typography variant="h2">Who changed what</Typography>
      {view.changes.length === 0 && (
        <Typography sx={{ color: 'text.secondary' }}>Nothing has been written yet.</Typography>
      )}
      <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.5 }}>
        {view.changes.map((c) => (
          <li key={c.at}>
            {moment(c.at)}, {c.name}: {c.fields.map((f) => fieldNames.get(f) ?? f).join(', ')}
          </li>
        ))}
      </Box>
    </Box>
  );
}
