import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import type { RefObject } from 'react';
import { answer, api, changesVersion, newRow, type Schemas } from '../../api/client';
import { reviewKeys } from '../../api/queryKeys';
import { showAnswer } from '../../api/showAnswer';
import { Key } from '../../ui/states';
import { WordForm } from '../weeks/WordForm';

/** The coach's word to the week: what the student asked, the word, and the one answer to it. */
export function Word({
  studentId,
  word,
  box,
}: {
  studentId: string;
  word: Schemas['WeekWordView'];
  box: RefObject<HTMLInputElement | null>;
}) {
  const queries = useQueryClient();
  const key = reviewKeys.stop(studentId);
  return (
    <Box component="section" aria-label="Word">
      <Typography variant="h2">Your word</Typography>
      {word.question && (
        <Typography sx={{ mt: 0.5 }}>
          <b>Asked:</b> {word.question}
        </Typography>
      )}
      {word.answer ? (
        <>
          <Typography sx={{ mt: 0.5 }}>{word.word}</Typography>
          <Typography sx={{ mt: 0.5 }}>
            <b>Answered:</b> {word.answer}
          </Typography>
        </>
      ) : (
        <WordForm
          key={word.version}
          name={`word ${studentId} ${word.week}`}
          label="Your word"
          placeholder="A short word that stands at the student’s week"
          button={
            <>
              Say it
              <Key>w</Key>
            </>
          }
          text={word.word}
          version={word.version}
          box={box}
          send={(text) =>
            answer(
              api.PUT('/api/weeks/{week}/students/{studentId}/word', {
                params: { path: { week: word.week, studentId } },
                headers: word.version === 0 ? newRow : changesVersion(word.version),
                body: { text },
              }),
            )
          }
          onSent={(saved) =>
            void showAnswer<Schemas['StopView']>(queries, key, (view) => (view ? { ...view, word: saved } : view))
          }
          onRefused={() => void queries.invalidateQueries({ queryKey: key })}
        />
      )}
    </Box>
  );
}
