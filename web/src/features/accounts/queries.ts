import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { signInKeys } from '../../api/queryKeys';
import { makePasskey } from './passkeys';
import { useChange } from './useChange';

export const useMyAccount = () =>
  useQuery({ queryKey: signInKeys.mine, queryFn: () => answer(api.GET('/api/accounts/mine')) });

/** Something about one's own account; what is shown of it is asked for anew. */
const useMyChange = <T, R>(change: (input: T) => Promise<R>) => useChange(change, signInKeys.mine);

export const useChangePassword = () =>
  useMyChange((body: { current: string; password: string }) =>
    answer(api.POST('/api/accounts/mine/password', { body })),
  );

export const useAskForConfirmation = () => useMyChange(() => answer(api.POST('/api/accounts/mine/email-confirmation')));

export const useEndSignIn = () =>
  useMyChange((id: string) => answer(api.DELETE('/api/accounts/mine/sign-ins/{id}', { params: { path: { id } } })));

export const useBeginSecondStep = () =>
  useMyChange((current: string) => answer(api.POST('/api/accounts/mine/second-step/begin', { body: { current } })));

export const useFinishSecondStep = () =>
  useMyChange((code: string) => answer(api.POST('/api/accounts/mine/second-step/finish', { body: { code } })));

export const useEndSecondStep = () =>
  useMyChange((current: string) => answer(api.POST('/api/accounts/mine/second-step/end', { body: { current } })));

export const useNewRecoveryCodes = () =>
  useMyChange((current: string) =>
    answer(api.POST('/api/accounts/mine/second-step/recovery-codes', { body: { current } })),
  );

/** Makes a passkey on this device, and has the server keep what it needs to know it again. */
export const useAddPasskey = () =>
  useMyChange(async ({ current, name }: { current: string; name: string }) => {
    const { options } = await answer(api.POST('/api/accounts/mine/passkeys/options', { body: { current } }));
    const credential = await makePasskey(options);
    return answer(api.POST('/api/accounts/mine/passkeys', { body: { name, credential } }));
  });

export const useRemovePasskey = () =>
  useMyChange((id: string) => answer(api.DELETE('/api/accounts/mine/passkeys/{id}', { params: { path: { id } } })));
