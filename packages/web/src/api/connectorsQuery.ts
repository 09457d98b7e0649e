/** The connectors that openings and parts name. */
import { listConnectors } from '@low-quarry/core/contracts/catalogue';
import { queryOptions } from '@tanstack/react-query';
import { call } from './call';

export const connectorsQuery = queryOptions({
  queryKey: ['connectors'],
  queryFn: ({ signal }) => call(listConnectors, { params: {}, signal }),
  staleTime: 60_000,
});
