/** The shop's settings with their version, and changing them. */
import { getSettings, putSettings } from '@low-quarry/core/contracts/settings';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { call } from '../../api/call';
import { shopSettingsQuery } from '../../api/settingsQuery';

export const settingsQuery = queryOptions({
  queryKey: shopSettingsQuery.queryKey,
  queryFn: ({ signal }) => call(getSettings, { params: {}, signal }),
});

export function usePutSettings() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: z.input<typeof putSettings.body>) => call(putSettings, { params: {}, body }),
    retry: false,
    onSuccess: async (answer) => {
      const { version, settings } = answer;
      queries.setQueryData(settingsQuery.queryKey, { version, settings, unreadable: null });
      // Every verdict depends on them.
      await queries.invalidateQueries();
    },
  });
}
