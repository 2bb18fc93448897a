import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import GlobalStyles from '@mui/material/GlobalStyles';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { usePerson } from '../../app/signIn';
import { Choice } from '../../ui/Field';
import { count } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { PaperSheet } from './PaperSheet';
import { PaperWeek } from './PaperWeek';
import { usePaper } from './queries';

const sizes = { a4: 'A4', letter: 'Letter' } as const;

/** Weeks and sessions on paper: a week on a page, then each session with boxes for its attempts. For one student or many. */
export function PrintPage() {
  const person = usePerson();
  const [address] = useSearchParams();
  const week = address.get('week') ?? person.week;
  const session = address.get('session');
  const students = address.get('students')?.split(',') ?? (person.studentId ? [person.studentId] : []);
  const paper = usePaper(week, students);
  const [size, setSize] = useState<keyof typeof sizes>('a4');
  const weeks = paper.data ?? [];
  const all = weeks.flatMap((w) => w.sessions);
  const shown = session === null ? all : all.filter((s) => s.card.assignmentId === session);
  return (
    <>
      <GlobalStyles styles={look} />
      <GlobalStyles styles={`@page { size: ${sizes[size]}; margin: 12mm }`} />
      <Box
        className="no-print"
        sx={{ display: 'flex', gap: 2, alignItems: 'end', flexWrap: 'wrap', mt: 2, mb: 3, maxWidth: 820 }}
      >
        <PageHeading sx={{ mr: 'auto' }}>On paper</PageHeading>
        <Box sx={{ width: 130 }}>
          <Choice
            label="Paper"
            value={size}
            options={[
              { value: 'a4', label: 'A4' },
              { value: 'letter', label: 'Letter' },
            ]}
            onChange={setSize}
          />
        </Box>
        <Button variant="contained" disabled={shown.length === 0} onClick={() => window.print()}>
          Print {count(shown.length, 'session')}
        </Button>
      </Box>
      {students.length === 0 && <Empty title="Nobody to print for">Choose students on the week sheet first.</Empty>}
      {students.length > 0 && paper.isPending && <Loading what="the sheets" />}
      {paper.error && <ErrorNotice error={paper.error} onRetry={() => void paper.refetch()} />}
      {paper.data && shown.length === 0 && (
        <Empty title="Nothing is published for this week">What is published can be printed.</Empty>
      )}
      <Box data-testid="paper" className="paper">
        {weeks
          .filter((w) => w.sessions.length > 0)
          .map((w) => (
            <Box key={w.studentId}>
              {session === null && <PaperWeek week={w} />}
              {w.sessions
                .filter((s) => session === null || s.card.assignmentId === session)
                .map((s) => (
                  <PaperSheet key={s.card.assignmentId} name={w.name} session={s} />
                ))}
            </Box>
          ))}
      </Box>
    </>
  );
}

/** Black on white, with the textures of the phases in the place of their tints. */
const look = {
  '.paper': {
    fontSize: 11.5,
    lineHeight: 1.3,
    color: '#000',
    maxWidth: 820,
    '& h1, & h2, & h3': { color: '#000' },
    '& .sheet': { breakAfter: 'page', marginBottom: 40 },
    '@media print': { maxWidth: 'none', '& .sheet': { marginBottom: 0 } },
    '& .part': { breakInside: 'avoid' },
    '& .box': {
      display: 'inline-flex',
      flexDirection: 'column',
      alignItems: 'center',
      width: 18,
      margin: '0 2px 1px 0',
      fontSize: 8,
      lineHeight: 1.1,
      '&::after': { content: '""', width: 16, height: 16, border: '1.2px solid #000' },
    },
    '& .line': { borderBottom: '1px solid #000', display: 'inline-block', minWidth: 60 },
  },
  // Paper has margins of its own.
  '@media print': { 'main:has(.paper)': { maxWidth: 'none !important', padding: '0 !important' } },
  'body:has(.paper) pattern': {
    '& rect': { fill: '#fff' },
    '& g': { stroke: '#000', color: '#000' },
  },
} as const;
