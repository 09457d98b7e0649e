/** Queries and changes of the shop's people. */
import { createPerson, listPeople, putPerson, resetPassword } from '@low-quarry/core/contracts/people';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';

export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: ({ signal }) => call(listPeople, { params: {}, signal }),
});

function useChange<Input, Answer>(mutationFn: (input: Input) => Promise<Answer>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    retry: false,
    onSuccess: () => askAnew(queries, peopleQuery.queryKey),
  });
}

export const useCreatePerson = () =>
  useChange((body: z.input<typeof createPerson.body>) => call(createPerson, { params: {}, body }));

export const usePutPerson = (personId: string) =>
  useChange((body: z.input<typeof putPerson.body>) => call(putPerson, { params: { personId }, body }));

export const useResetPassword = (personId: string) =>
  useChange((newPassword: string) => call(resetPassword, { params: { personId }, body: { newPassword } }));
