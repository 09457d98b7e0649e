/** The shop's settings: what every screen reads. */

import { getSettings } from '@low-quarry/core/contracts/settings';
import { queryOptions } from '@tanstack/react-query';
import { setShopDays } from '../text/shopDays';
import { call } from './call';

export const shopSettingsQuery = queryOptions({
  queryKey: ['settings'],
  queryFn: async ({ signal }) => {
    const answer = await call(getSettings, { params: {}, signal });
    setShopDays(answer.settings.dates);
    return answer;
  },
  staleTime: 60_000,
  // What could be read of them, with defaults for the rest, is for setting them right; nobody's clearances are judged by.
  select: ({ settings, unreadable }) => {
    if (unreadable === null) return settings;
    throw new Error(
      `They cannot be read (${unreadable}). Nothing is judged until the owner has set them right, under Settings.`,
    );
  },
});
