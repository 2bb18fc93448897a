import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { reminderKeys } from '../../api/queryKeys';
import { showAnswer } from '../../api/showAnswer';

export const useReminders = () =>
  useQuery({ queryKey: reminderKeys.choices, queryFn: () => answer(api.GET('/api/reminders')) });

export const useOutbox = (isShown: boolean) =>
  useQuery({
    queryKey: reminderKeys.outbox,
    queryFn: () => answer(api.GET('/api/reminders/outbox')),
    enabled: isShown,
  });

export const useCalendar = () =>
  useQuery({ queryKey: reminderKeys.calendar, queryFn: () => answer(api.GET('/api/calendar')) });

export function useChoose() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ kind, isOn }: Schemas['ReminderChoice']) =>
      answer(api.PUT('/api/reminders/{kind}', { params: { path: { kind } }, body: { isOn } })),
    onSuccess: (view) => showAnswer(queries, reminderKeys.choices, view),
  });
}

/** A new calendar address, in the place of an older one. */
export function useMakeAddress() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => answer(api.POST('/api/calendar')),
    onSuccess: () => queries.invalidateQueries({ queryKey: reminderKeys.calendar }),
  });
}

export function useRevokeAddress() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => answer(api.DELETE('/api/calendar')),
    onSuccess: () => queries.invalidateQueries({ queryKey: reminderKeys.calendar }),
  });
}
