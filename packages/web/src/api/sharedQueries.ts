/** Queries that several features read. */
import { getCatalogue, getShop } from '@low-quarry/core/contracts/catalogue';
import { queryOptions } from '@tanstack/react-query';
import { call } from './call';

export const shopQuery = queryOptions({
  queryKey: ['shop'],
  queryFn: ({ signal }) => call(getShop, { params: {}, signal }),
  staleTime: 60_000,
  select: ({ settings }) => settings,
});

export const catalogueQuery = queryOptions({
  queryKey: ['catalogue'],
  queryFn: ({ signal }) => call(getCatalogue, { params: {}, signal }),
  staleTime: 60_000,
});
