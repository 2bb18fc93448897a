import { useLiveQuery } from 'dexie-react-hooks';
import { deviceStore, orNothing } from './deviceStore';
import { asOfNow, rememberClock } from './signIn';

/** Who was signed in last on this device: whoever goes on practising without a signal. Nothing while that is looked up. */
export const useKeptPerson = () =>
  useLiveQuery(async () => {
    const kept = await orNothing(deviceStore.people.get('signed-in'));
    rememberClock(kept?.clockOffset);
    return { person: kept && asOfNow(kept.person) };
  });
