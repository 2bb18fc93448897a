import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { wordKeys } from '../../api/queryKeys';
import { showAnswer } from '../../api/showAnswer';
import { onDemand } from '../../ui/onDemand';
import { useCachedQuery } from '../../app/useCachedQuery';

const WordForm = onDemand(() => import('./WordForm').then((m) => m.WordForm<Schemas['WeekWordView']>));

/** What coach and student say about a week, on the student's page: a question, the coach's word, one answer. */
export function WeekWord({ studentId, week }: { studentId: string; week: string }) {
  const queries = useQueryClient();
  const [isWriting, setIsWriting] = useState(false);
  const key = wordKeys.one(studentId, week);
  const word = useCachedQuery(key, () =>
    answer(api.GET('/api/weeks/{week}/students/{studentId}/word', { params: { path: { week, studentId } } })),
  );
  if (!word.data) return null;
  const { version, question, word: said, saidBy, answer: answered } = word.data;
  const headers = version === 0 ? newRow : changesVersion(version);
  const took = (saved: Schemas['WeekWordView']) => {
    void showAnswer(queries, key, saved);
    setIsWriting(false);
  };
  const common = {
    version,
    isTall: true,
    onSent: took,
    onRefused: () => void queries.invalidateQueries({ queryKey: key }),
  };
  return (
    <Box component="section" aria-label="Word" sx={{ mt: 2 }}>
      {question && (
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
      {!isWriting && !answered && (
        <Button onClick={() => setIsWriting(true)} sx={{ minHeight: 56, ml: -1 }}>
          {said ? 'Answer' : question ? 'Put it otherwise' : 'Ask your coach'}
        </Button>
      )}
      {isWriting && said && !answered && (
        <WordForm
          key={`answer ${version}`}
          name={`answer ${week}`}
          label="Your answer"
          placeholder="One answer, if you like"
          button="Send"
          {...common}
          send={(text) =>
            answer(api.PUT('/api/weeks/{week}/answer', { params: { path: { week } }, headers, body: { text } }))
          }
        />
      )}
      {isWriting && !said && (
        <WordForm
          key={`question ${version}`}
          name={`question ${week}`}
          label="Your question"
          placeholder="Something to ask your coach about this week"
          button="Send"
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
