import { useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { onDemand } from './onDemand';

/** Fetched once something is deleted: most pages never show it. */
const Message = onDemand(() => import('./DeletedMessage').then((m) => m.Message));

/** Something that was just deleted, and how it is had back. */
export interface Deleted {
  /** Another one for every deletion: the same thing deleted twice is said twice. */
  number: number;
  name: string;
  undo: () => Promise<unknown>;
}

let last: Deleted | undefined;
let deletions = 0;
const listeners = new Set<() => void>();

function show(deleted: Deleted | undefined) {
  last = deleted;
  listeners.forEach((tell) => tell());
}

const subscribe = (tell: () => void) => {
  listeners.add(tell);
  return () => void listeners.delete(tell);
};

/** Restores what was deleted, under the id it had. */
export const restore = (kind: Schemas['DeletedKind'], id: string) =>
  answer(api.POST('/api/deleted/{kind}/{id}/restore', { params: { path: { kind, id } } }));

/** Says that something was deleted, with the way back. It is said until it is closed or something else is deleted. */
export const sayDeleted = (kind: Schemas['DeletedKind'], id: string, name: string) =>
  sayRemoved(name, () => restore(kind, id));

/** Likewise where whoever deletes may have no list to restore from: it is made once more, under the same id. */
export const sayRemoved = (name: string, undo: () => Promise<unknown>) => show({ number: ++deletions, name, undo });

/** What one person deleted is said to nobody else who signs in here. */
export const forgetDeleted = () => show(undefined);

/** The message about what was deleted last. One for the whole application. */
export function DeletedMessage() {
  const deleted = useSyncExternalStore(subscribe, () => last);
  return deleted ? <Message key={deleted.number} deleted={deleted} onClose={forgetDeleted} /> : null;
}

/** The way to what was deleted lately. */
export const DeletedLink = () => <Link to="/deleted">Recently deleted</Link>;
