/** Vehicles of the library: found, one whole, added, corrected; and the body templates. */
import { type FoundVehicle, findVehicles, getVehicle, listTemplates } from '@low-quarry/core/contracts/vehicles';
import { keepPreviousData, queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { call } from '../../api/call';

/** Under `vehicles` what is kept on the device: those that were here last, and each that was looked at. */
const vehicleKeys = {
  recent: ['vehicles', 'recent'],
  one: (id: string) => ['vehicles', 'one', id],
  found: (find: string, page: number) => ['foundVehicles', find, page],
} as const;

/** Without words: those that were in the shop last come first. */
export const recentVehiclesQuery = queryOptions({
  queryKey: vehicleKeys.recent,
  queryFn: ({ signal }) => call(findVehicles, { params: { find: '', page: 1 }, signal }),
  staleTime: 60_000,
});

export function foundVehiclesQuery(find: string, page = 1) {
  return queryOptions({
    queryKey: vehicleKeys.found(find, page),
    queryFn: ({ signal }) => call(findVehicles, { params: { find, page }, signal }),
    placeholderData: keepPreviousData,
  });
}

export function vehicleQuery(id: string) {
  return queryOptions({
    queryKey: vehicleKeys.one(id),
    queryFn: ({ signal }) => call(getVehicle, { params: { vehicleId: id }, signal }),
  });
}

/** They come with the program. */
export const templatesQuery = queryOptions({
  queryKey: ['templates'],
  queryFn: ({ signal }) => call(listTemplates, { params: {}, signal }),
  staleTime: Number.POSITIVE_INFINITY,
});

/** What is known of a variant that somebody picked; null until it is. */
export function useVehicle(id: string): Omit<FoundVehicle, 'jobs'> | null {
  const queries = useQueryClient();
  const listed = queries
    .getQueriesData<z.output<typeof findVehicles.answer>>({
      predicate: ({ queryKey: [first, second] }) => first === 'foundVehicles' || second === 'recent',
    })
    .flatMap(([, data]) => data?.found ?? [])
    .find((each) => each.id === id);
  const { data } = useQuery({ ...vehicleQuery(id), enabled: id !== '' && !listed });
  if (listed) return listed;
  return data ? { ...data.record, openings: data.record.openings.length } : null;
}
