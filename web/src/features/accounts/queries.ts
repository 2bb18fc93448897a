import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { signInKeys } from '../../api/queryKeys';
import { makePasskey } from './passkeys';

export const useMyAccount = () =>
  useQuery({ queryKey: signInKeys.mine, queryFn: () => answer(api.GET('/api/accounts/mine')) });

/** Something about one's own account; what is shown of it is asked for anew. */
function useChange<T, R>(change: (input: T) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => queries.invalidateQueries({ queryKey: signInKeys.mine }),
  });
}

export const useChangePassword = () =>
  useChange((body: { current: string; password: string }) => answer(api.POST('/api/accounts/mine/password', { body })));

export const useAskForConfirmation = () => useChange(() => answer(api.POST('/api/accounts/mine/email-confirmation')));

export const useEndSignIn = () =>
  useChange((id: string) => answer(api.DELETE('/api/accounts/mine/sign-ins/{id}', { params: { path: { id } } })));

export const useBeginSecondStep = () =>
  useChange((current: string) => answer(api.POST('/api/accounts/mine/second-step/begin', { body: { current } })));

export const useFinishSecondStep = () =>
  useChange((code: string) => answer(api.POST('/api/accounts/mine/second-step/finish', { body: { code } })));

export const useEndSecondStep = () =>
  useChange((current: string) => answer(api.POST('/api/accounts/mine/second-step/end', { body: { current } })));

export const useNewRecoveryCodes = () =>
  useChange((current: string) =>
    answer(api.POST('/api/accounts/mine/second-step/recovery-codes', { body: { current } })),
  );

/** Makes a passkey on this device, and has the server keep what it needs to know it again. */
export const useAddPasskey = () =>
  useChange(async ({ current, name }: { current: string; name: string }) => {
    const { options } = await answer(api.POST('/api/accounts/mine/passkeys/options', { body: { current } }));
    const credential = await makePasskey(options);
    return answer(api.POST('/api/accounts/mine/passkeys', { body: { name, credential } }));
  });

export const useRemovePasskey = () =>
  useChange((id: string) => answer(api.DELETE('/api/accounts/mine/passkeys/{id}', { params: { path: { id } } })));
