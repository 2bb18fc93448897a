import { useEffect, useState } from 'react';
import { draftKey, usePerson } from '../app/session';

interface Kept<T> {
  content: T;
  version: number | undefined;
}

/**
 * Something being written, kept on this device under the person's name until it is saved: a closed tab loses nothing. The
 * version it was begun from is kept with it, so that an old draft never overwrites a newer text unseen.
 */
export function useDraft<T>(name: string, content: T, version: number | undefined) {
  const key = draftKey(usePerson().accountId, name);
  const [kept] = useState(() => {
    const text = localStorage.getItem(key);
    return text ? (JSON.parse(text) as Kept<T>) : undefined;
  });
  const [base, setBase] = useState<Kept<T>>({ content, version });
  const [draft, setDraft] = useState<Kept<T>>(kept ?? base);
  const isDirty = JSON.stringify(draft.content) !== JSON.stringify(base.content);

  useEffect(() => {
    if (isDirty) localStorage.setItem(key, JSON.stringify(draft));
    else localStorage.removeItem(key);
  }, [draft, isDirty, key]);

  return {
    content: draft.content,
    version: draft.version,
    isDirty,
    /** Until something is written on top: what is dropped is what was found, and nothing since. */
    wasRestored: kept !== undefined && isDirty && draft.content === kept.content,
    set: (part: Partial<T>) => setDraft((old) => ({ ...old, content: { ...old.content, ...part } })),
    /** Goes on from what the server has: after saving, or instead of what was written. */
    take: (saved: T, as: number) => {
      setBase({ content: saved, version: as });
      setDraft({ content: saved, version: as });
      localStorage.removeItem(key);
    },
    discard: () => setDraft(base),
  };
}
