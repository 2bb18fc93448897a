import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { wordKeys } from '../../api/queryKeys';
import { useCachedQuery } from '../../app/useCachedQuery';
import { WordForm } from './WordForm';

/** What coach and student say about a week, on the student's page: a question, the coach's word, one answer. */
export function WeekWord({ studentId, week }: { studentId: string; week: string }) {
  const queries = useQueryClient();
  const key = wordKeys.one(studentId, week);
  const word = useCachedQuery(key, () =>
    answer(api.GET('/api/weeks/{week}/students/{studentId}/word', { params: { path: { week, studentId } } })),
  );
  if (!word.data) return null;
  const { version, question, word: said, saidBy, answer: answered } = word.data;
  const headers = version === 0 ? newRow : changesVersion(version);
  const took = (saved: Schemas['WeekWordView']) => queries.setQueryData(key, saved);
  const common = {
    version,
    isTall: true,
    onSent: took,
    onRefused: () => void queries.invalidateQueries({ queryKey: key }),
  };
  return (
    <Box component="section" aria-label="Word" sx={{ mt: 2 }}>
      {question && said && (
        <Typography>
          <b>You asked:</b> {question}
        </Typography>
      )}
      {said && (
        <Typography sx={{ pl: 1.5, mt: 1, borderLeft: '4px solid', borderColor: 'primary.main', fontSize: 18 }}>
          {said}
          <Box component="span" sx={{ display: 'block', fontSize: 14, color: 'text.secondary' }}>
            {saidBy}
          </Box>
        </Typography>
      )}
      {answered && (
        <Typography sx={{ mt: 1 }}>
          <b>You answered:</b> {answered}
        </Typography>
      )}
      {said && !answered && (
        <WordForm
          key={`answer ${version}`}
          name={`answer ${week}`}
          label="Your answer"
          placeholder="One answer, if you like"
          button="Answer"
          {...common}
          send={(text) =>
            answer(api.PUT('/api/weeks/{week}/answer', { params: { path: { week } }, headers, body: { text } }))
          }
        />
      )}
      {!said && (
        <WordForm
          key={`question ${version}`}
          name={`question ${week}`}
          label={question ? 'Put it otherwise' : 'Ask your coach'}
          placeholder="Something to ask your coach about this week"
          button={question ? 'Put it so' : 'Ask'}
          text={question}
          {...common}
          send={(text) =>
            answer(api.PUT('/api/weeks/{week}/question', { params: { path: { week } }, headers, body: { text } }))
          }
        />
      )}
    </Box>
  );
}
