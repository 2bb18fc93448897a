import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Problem, type Schemas } from '../../api/client';
import { competitionKeys, studentKeys } from '../../api/queryKeys';
import { showAnswer } from '../../api/showAnswer';
import { Chips } from '../../ui/Chips';
import { Field } from '../../ui/Field';
import { areas } from '../../ui/format';
import { LocalDraftNotices } from '../../ui/LocalDraftNotices';
import { ErrorNotice } from '../../ui/states';
import { useLocalDraft } from '../../ui/useLocalDraft';
import { debriefOf, OthersWrote, saveDebrief } from './debriefs';

/** What held and what did not: written by student or coach into the file, whatever else changes there meanwhile. */
export function Debrief({ studentId, competition }: { studentId: string; competition: Schemas['Competition'] }) {
  const queries = useQueryClient();
  const draft = useLocalDraft(`debrief-${competition.id}`, debriefOf(competition), 0);
  const { content, isDirty } = draft;
  const save = useMutation({
    mutationFn: async ({ over }: { over: boolean }) => {
      const saved = await saveDebrief(studentId, competition, content, over);
      await showAnswer(queries, studentKeys.file(studentId), saved);
      return content;
    },
    onSuccess: async (saved) => {
      draft.take(saved, 0);
      await queries.invalidateQueries({ queryKey: competitionKeys.one(studentId, competition.id) });
    },
  });
  const theirs = save.error instanceof OthersWrote ? save.error.theirs : undefined;
  const problem = save.error instanceof Problem ? save.error : undefined;
  const pick = (part: 'held' | 'didNotHold') => (value: Schemas['Area'][]) => {
    const other = part === 'held' ? 'didNotHold' : 'held';
    draft.set({ [part]: value, [other]: content[other].filter((a) => !value.includes(a)) });
  };
  const isEmpty = content.held.length + content.didNotHold.length === 0 && content.debrief === '';
  return (
    <Box component="section" aria-label="Looking back on it" sx={{ mt: 3, display: 'grid', gap: 2 }}>
      <Box>
        <Typography variant="h2">Looking back on it</Typography>
        {isEmpty && (
          <Typography sx={{ color: 'text.secondary' }}>
            What held when it counted, and what did not? For four weeks it is evidence: for drafts, and for what is
            suggested.
          </Typography>
        )}
      </Box>
      <LocalDraftNotices
        wasRestored={draft.wasRestored}
        wasDropped={draft.wasDropped}
        onDiscard={draft.discard}
        isStale={theirs !== undefined}
        onTakeTheirs={() => {
          if (theirs) draft.take(theirs, 0);
          save.reset();
        }}
        onOverwrite={() => save.mutate({ over: true })}
      />
      <Chips label="This held" names={areas} value={content.held} onChange={pick('held')} />
      <Chips
        label="This did not hold"
        names={areas}
        value={content.didNotHold}
        onChange={pick('didNotHold')}
        error={Object.entries(problem?.errors ?? {}).find(([field]) => /\.(held|didNotHold)$/.test(field))?.[1][0]}
      />
      <Field
        label="In a few words"
        multiline
        minRows={2}
        value={content.debrief}
        onChange={(e) => draft.set({ debrief: e.target.value })}
        error={Object.entries(problem?.errors ?? {}).find(([field]) => field.endsWith('.debrief'))?.[1][0]}
      />
      {save.error && !theirs && <ErrorNotice error={save.error} />}
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button
          variant="contained"
          disabled={!isDirty || save.isPending}
          onClick={() => save.mutate({ over: false })}
          sx={{ '@media (pointer: coarse)': { minHeight: 56 } }}
        >
          Keep it
        </Button>
        <Box role="status" sx={{ color: 'text.secondary' }}>
          {save.isPending ? 'saving …' : isDirty ? 'not saved yet' : isEmpty ? '' : 'saved'}
        </Box>
      </Box>
    </Box>
  );
}
