/** Vehicles of the library as they are found. */
import { findVehicles } from '@low-quarry/core/contracts/findVehicles';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { call } from '../../api/call';
import { vehicleKeys } from './vehicleKeys';

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
