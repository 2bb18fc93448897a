import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';

export type Session = Schemas['SignInView'];
export type Person = Schemas['PersonView'];

const key = ['session'];

/** How far the job's clock is from this device's, in milliseconds. The server says what time it is. */
let clockOffset = 0;

/** Now, by the job's clock. */
export const domainNow = () => Date.now() + clockOffset;

async function getSession(): Promise<Session> {
  const session = await answer(api.GET('/api/accounts/session'));
  clockOffset = Date.parse(session.now) - Date.now();
  return session;
}

/** Who is signed in, and what day it is. */
export const useSession = () =>
  useQuery({ queryKey: key, queryFn: getSession, staleTime: 60_000, refetchInterval: 600_000 });

/** The person who is signed in; only inside the shell, which shows nothing without one. */
export function usePerson(): Person {
  const { data } = useSession();
  if (!data?.person) throw new Error('Nobody is signed in.');
  return data.person;
}

/** Takes over a new session after signing in or out; nothing of the last person's stays. */
export function useTakeSession() {
  const queries = useQueryClient();
  return (session: Session | null) => {
    queries.clear();
    if (session) {
      clockOffset = Date.parse(session.now) - Date.now();
      queries.setQueryData(key, session);
    }
  };
}
