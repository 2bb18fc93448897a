import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import type { ReactNode, RefObject } from 'react';
import { Field } from '../../ui/Field';
import { ErrorNotice } from '../../ui/states';
import { useLocalDraft } from '../../ui/useLocalDraft';

/** The most characters of a word, a question, an answer; the server says so too. */
const longest = 600;

interface Props<T> {
  /** Under which name what is typed is kept until it is sent. */
  name: string;
  label: string;
  placeholder: string;
  button: ReactNode;
  /** What stands there already. */
  text?: string;
  version: number;
  box?: RefObject<HTMLInputElement | null>;
  /** Targets for a thumb. */
  isTall?: boolean;
  send: (text: string) => Promise<T>;
  onSent: (sent: T) => void;
  onRefused?: () => void;
}

/** A short text that is sent: kept on this device until it is, and in the field when it is refused. */
export function WordForm<T>({
  name,
  label,
  placeholder,
  button,
  text = '',
  version,
  box,
  isTall = false,
  send,
  onSent,
  onRefused,
}: Props<T>) {
  const draft = useLocalDraft(name, { text }, version);
  const typed = draft.content.text.trim();
  const sending = useMutation({
    mutationFn: send,
    onSuccess: (sent) => {
      draft.take({ text: typed }, version + 1);
      onSent(sent);
    },
    onError: () => onRefused?.(),
  });
  const isSendable = typed !== '' && typed !== text && !sending.isPending;
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        if (isSendable) sending.mutate(typed);
      }}
      sx={{ mt: 1 }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-end', flexWrap: isTall ? 'wrap' : 'nowrap' }}>
        <Box sx={{ flex: 1, minWidth: 200 }}>
          <Field
            multiline
            label={label}
            placeholder={placeholder}
            value={draft.content.text}
            {...(box && { ref: box })}
            inputProps={{ maxLength: longest }}
            onChange={(e) => draft.set({ text: e.target.value })}
            onKeyDown={(e) => {
              if (e.key === 'Enter' && !e.shiftKey && !isTall) {
                e.preventDefault();
                if (isSendable) sending.mutate(typed);
                box?.current?.blur();
              }
              if (e.key === 'Escape' && box) {
                e.stopPropagation();
                box.current?.blur();
              }
            }}
          />
        </Box>
        <Button
          type="submit"
          variant="outlined"
          disabled={!isSendable}
          sx={{ minHeight: isTall ? 56 : undefined, whiteSpace: 'nowrap', flexShrink: 0 }}
        >
          {button}
        </Button>
      </Box>
      {sending.error && <ErrorNotice error={sending.error} />}
    </Box>
  );
}
