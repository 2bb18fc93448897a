import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useContext } from 'react';
import { answer, api, Problem, type Schemas } from '../api/client';
import { signInKeys } from '../api/queryKeys';
import { isoWeek, mondayOf } from '../ui/weekdays';
import { localStore } from './localStore';

export type Session = Schemas['SignInView'];
export type Person = Schemas['PersonView'];

const signingOut = 'morning-round-signing-out';

const somebodyWas = 'morning-round-somebody-was-signed-in';

/** Whether anybody was ever signed in on this device, so that something may be kept here. */
export const wasSomebodyHere = () => localStore.get(somebodyWas) !== null;

/** A device that is full lets people in all the same. */
const rememberSomebodyWas = () => localStore.set(somebodyWas, 'yes');

/** Whether somebody signed out on this device and the server has not heard of it yet. */
export const isSigningOut = () => localStore.get(signingOut) !== null;

/** Under this name something being written is kept on the device, for one account. */
export const draftKey = (accountId: string, name: string) => `morning-round-draft-${accountId}-${name}`;

/** Drafts belong to their account, and go with its sign-out. */
function forgetDrafts() {
  for (const name of localStore.keys())
    if (name.startsWith('morning-round-draft-') || name.startsWith('morning-round-bench-')) localStore.remove(name);
}

/** What keeps things on this device: larger than all that somebody needs who only comes to the door. */
const deviceStoreModule = async () => {
  const module = await import('./deviceStore');
  await (isStoreOpen ??= module.openDeviceStore());
  return module;
};

let isStoreOpen: Promise<boolean> | undefined;

/** How far the job's clock is from this device's, in milliseconds. The server says what time it is. */
let clockOffset: number | undefined;

/** Now, by the job's clock as far as this device knows. */
export const domainNow = () => Date.now() + (clockOffset ?? 0);

/**
 * A person with the day and the week it is by now, as far as this device knows the job's clock: without a signal Monday comes all
 * the same.
 */
export function asOfNow(person: Person): Person {
  const today = new Intl.DateTimeFormat('en-CA', {
    timeZone: person.timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(domainNow());
  return today > person.today ? { ...person, today, week: isoWeek(mondayOf(today)) } : person;
}

/** Takes the clock of the last time somebody was signed in, until the server says what time it is. */
export function rememberClock(offset: number | undefined) {
  clockOffset ??= offset;
}

/** Seconds by which the job's clock was ahead of this device's when last heard of; no value where it never was. */
export const knownOffset = () => (clockOffset === undefined ? undefined : Math.round(clockOffset / 1000));

async function take(session: Session): Promise<Session> {
  clockOffset = Date.parse(session.now) - Date.now();
  if (session.person) {
    rememberSomebodyWas();
    const { deviceStore, orNothing, tidyUp } = await deviceStoreModule();
    await orNothing(deviceStore.people.put({ id: 'signed-in', person: session.person, clockOffset }));
    await tidyUp(session.person.accountId);
  }
  return session;
}

/** Who is signed in, and what day it is. A sign-out that had no signal is made up for first. */
export const whoIsSignedIn = queryOptions({
  queryKey: signInKeys.all,
  queryFn: async () => {
    if (isSigningOut()) {
      await answer(api.POST('/api/accounts/sign-out')).catch((e: unknown) => {
        if (!(e instanceof Problem) || e.status !== 401) throw e;
      });
      localStore.remove(signingOut);
    }
    return take(await answer(api.GET('/api/accounts/session')));
  },
  staleTime: 60_000,
});

/** The same for whoever shows it; what day it is goes on by itself. */
export const useSignIn = () => useQuery({ ...whoIsSignedIn, refetchInterval: 600_000 });

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
      localStore.remove(signingOut);
      queries.setQueryData(signInKeys.all, await take(session));
    } else {
      forgetDrafts();
      const { deviceStore, orNothing, tidyUp } = await deviceStoreModule();
      await orNothing(deviceStore.people.delete('signed-in'));
      await tidyUp(undefined);
    }
  };
}

/** Signs out, with a signal or without: what is on this device goes at once, the server hears of it as soon as it can. */
export function useSignOut() {
  const takeSession = useTakeSignIn();
  return async () => {
    localStore.set(signingOut, '1');
    try {
      await answer(api.POST('/api/accounts/sign-out'));
      localStore.remove(signingOut);
    } catch (e) {
      // Whoever is signed out already has nothing to hear.
      if (e instanceof Problem && e.status === 401) localStore.remove(signingOut);
    }
    await takeSession(null);
  };
}
