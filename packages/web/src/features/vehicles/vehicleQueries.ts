/** One vehicle of the library, whole or as far as somebody picked it; and the body templates. */

import type { FoundVehicle, FoundVehicles } from '@low-quarry/core/contracts/findVehicles';
import { getVehicle, listTemplates } from '@low-quarry/core/contracts/vehicles';
import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from '../../api/call';
import { vehicleKeys } from './vehicleKeys';

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
    .getQueriesData<FoundVehicles>({
      predicate: ({ queryKey: [first, second] }) => first === 'foundVehicles' || second === 'recent',
    })
    .flatMap(([, data]) => data?.found ?? [])
    .find((each) => each.id === id);
  const { data } = useQuery({ ...vehicleQuery(id), enabled: id !== '' && !listed });
  if (listed) return listed;
  return data ? { ...data.record, openings: data.record.openings.length } : null;
}
