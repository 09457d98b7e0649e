/** The shop's settings with their version, and changing them. */
import { getShop, putShop } from '@low-quarry/core/contracts/catalogue';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { call } from '../../api/call';
import { shopQuery } from '../../api/sharedQueries';

export const settingsQuery = queryOptions({
  queryKey: shopQuery.queryKey,
  queryFn: ({ signal }) => call(getShop, { params: {}, signal }),
});

export function usePutShop() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: z.input<typeof putShop.body>) => call(putShop, { params: {}, body }),
    retry: false,
    onSuccess: async (answer) => {
      const { version, settings } = answer;
      queries.setQueryData(settingsQuery.queryKey, { version, settings, unreadable: null });
      // Every verdict depends on them.
      await queries.invalidateQueries();
    },
  });
}
