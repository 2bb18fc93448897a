import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { createContext, useContext } from 'react';
import { answer, api, Problem, type Schemas } from '../api/client';
import { signInKeys } from '../api/queryKeys';
import { orNothing, deviceStore, tidyUp } from './deviceStore';

export type Session = Schemas['SignInView'];
export type Person = Schemas['PersonView'];

const signingOut = 'morning-round-signing-out';

/** Whether somebody signed out on this device and the server has not heard of it yet. */
export const isSigningOut = () => localStorage.getItem(signingOut) !== null;

/** Under this name something being written is kept on the device, for one account. */
export const draftKey = (accountId: string, name: string) => `morning-round-draft-${accountId}-${name}`;

/** Drafts belong to their account, and go with its sign-out. */
function forgetDrafts() {
  for (const name of Object.keys(localStorage))
    if (name.startsWith('morning-round-draft-') || name.startsWith('morning-round-bench-'))
      localStorage.removeItem(name);
}

/** How far the job's clock is from this device's, in milliseconds. The server says what time it is. */
let clockOffset: number | undefined;

/** Now, by the job's clock as far as this device knows. */
export const domainNow = () => Date.now() + (clockOffset ?? 0);

/** Seconds by which the job's clock was ahead of this device's when last heard of; no value where it never was. */
export const knownOffset = () => (clockOffset === undefined ? undefined : Math.round(clockOffset / 1000));

async function take(session: Session): Promise<Session> {
  clockOffset = Date.parse(session.now) - Date.now();
  if (session.person) {
    await orNothing(deviceStore.people.put({ id: 'signed-in', person: session.person, clockOffset }));
    await tidyUp(session.person.accountId);
  }
  return session;
}

/** Who is signed in, and what day it is. A sign-out that had no signal is made up for first. */
export const useSignIn = () =>
  useQuery({
    queryKey: signInKeys.all,
    queryFn: async () => {
      if (isSigningOut()) {
        await answer(api.POST('/api/accounts/sign-out')).catch((e: unknown) => {
          if (!(e instanceof Problem) || e.status !== 401) throw e;
        });
        localStorage.removeItem(signingOut);
      }
      return take(await answer(api.GET('/api/accounts/session')));
    },
    staleTime: 60_000,
    refetchInterval: 600_000,
  });

/** Who was signed in last on this device: whoever goes on practising without a signal. Nothing while that is looked up. */
export const useKeptPerson = () =>
  useLiveQuery(async () => {
    const kept = await orNothing(deviceStore.people.get('signed-in'));
    clockOffset ??= kept?.clockOffset;
    return { person: kept?.person };
  });

export const PersonContext = createContext<Person | undefined>(undefined);

/** The person who is signed in; only inside the shell, which shows nothing without one. */
export function usePerson(): Person {
  const person = useContext(PersonContext);
  if (!person) throw new Error('Nobody is signed in.');
  return person;
}

/** Takes over a new session after signing in or out; nothing of the last person's stays but what is not sent yet. */
export function useTakeSignIn() {
  const queries = useQueryClient();
  return async (session: Session | null) => {
    queries.clear();
    if (session) {
      localStorage.removeItem(signingOut);
      queries.setQueryData(signInKeys.all, await take(session));
    } else {
      forgetDrafts();
      await orNothing(deviceStore.people.delete('signed-in'));
      await tidyUp(undefined);
    }
  };
}

/** Signs out, with a signal or without: what is on this device goes at once, the server hears of it as soon as it can. */
export function useSignOut() {
  const takeSession = useTakeSignIn();
  return async () => {
    localStorage.setItem(signingOut, '1');
    try {
      await answer(api.POST('/api/accounts/sign-out'));
      localStorage.removeItem(signingOut);
    } catch (e) {
      // Whoever is signed out already has nothing to hear.
      if (e instanceof Problem && e.status === 401) localStorage.removeItem(signingOut);
    }
    await takeSession(null);
  };
}
