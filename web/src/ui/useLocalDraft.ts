import { useEffect, useState } from 'react';
import { draftKey, usePerson } from '../app/signIn';
import { dropLocalDraft, readLocalDraft, writeLocalDraft, type LocalDraft } from './localDrafts';

/**
 * Something being written, kept on this device under the person's name until it is saved: a closed tab loses nothing. The
 * version it was begun from is kept with it, so that an old draft never overwrites a newer text unseen.
 */
export function useLocalDraft<T extends object>(name: string, content: T, version: number | undefined) {
  const key = draftKey(usePerson().accountId, name);
  const [{ draft: kept, wasDropped }] = useState(() => readLocalDraft(key, content));
  const [base, setBase] = useState<LocalDraft<T>>({ content, version });
  const [draft, setDraft] = useState<LocalDraft<T>>(kept ?? base);
  const isDirty = JSON.stringify(draft.content) !== JSON.stringify(base.content);

  useEffect(() => {
    if (isDirty) writeLocalDraft(key, draft);
    else dropLocalDraft(key);
  }, [draft, isDirty, key]);

  return {
    content: draft.content,
    version: draft.version,
    isDirty,
    /** What was kept here could not be read and is gone. */
    wasDropped,
    /** Until something is written on top: what is dropped is what was found, and nothing since. */
    wasRestored: kept !== undefined && isDirty && draft.content === kept.content,
    set: (part: Partial<T>) => setDraft((old) => ({ ...old, content: { ...old.content, ...part } })),
    /** Goes on from what the server has: after saving, or instead of what was written. */
    take: (saved: T, as: number) => {
      setBase({ content: saved, version: as });
      setDraft({ content: saved, version: as });
      dropLocalDraft(key);
    },
    discard: () => setDraft(base),
  };
}
