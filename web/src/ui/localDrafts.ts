import { localStore } from '../app/localStore';
import { apiVersion } from '../api/version';

/** Something being written, as it is kept on this device. */
export interface LocalDraft<T> {
  content: T;
  /** The version it was begun from; no value for something that was never saved. */
  version: number | undefined;
}

interface Stored {
  api: number;
  version: number | null;
  content: unknown;
}

const kindOf = (value: unknown) => (value === null ? 'null' : Array.isArray(value) ? 'list' : typeof value);

/** Whether a value has every part that a sample has, of the same kind. What may be missing in the sample may be anything. */
export function isLike<T extends object>(value: unknown, sample: T): value is T {
  if (kindOf(value) !== 'object') return false;
  return Object.entries(sample).every(([name, part]) => {
    const found = (value as Record<string, unknown>)[name];
    return kindOf(part) === 'null' || part === undefined || kindOf(found) === kindOf(part);
  });
}

/**
 * What is kept under a name. Text that cannot be read, was written for another version of the API, or has not the parts of the
 * sample is dropped, and whoever asks is told so: never shown as something it is not.
 */
export function readLocalDraft<T extends object>(
  key: string,
  sample: T,
): { draft: LocalDraft<T> | undefined; wasDropped: boolean } {
  const text = localStore.get(key);
  if (text === null) return { draft: undefined, wasDropped: false };
  try {
    const stored = JSON.parse(text) as Stored;
    if (stored.api === apiVersion && isLike(stored.content, sample))
      return { draft: { content: stored.content, version: stored.version ?? undefined }, wasDropped: false };
  } catch {
    // Not even JSON.
  }
  localStore.remove(key);
  return { draft: undefined, wasDropped: true };
}

export function writeLocalDraft(key: string, { content, version }: LocalDraft<object>) {
  const stored: Stored = { api: apiVersion, version: version ?? null, content };
  localStorage.setItem(key, JSON.stringify(stored));
}

export const dropLocalDraft = (key: string) => localStore.remove(key);
