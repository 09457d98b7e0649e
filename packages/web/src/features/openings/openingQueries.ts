/** Queries of openings. What is saved goes through the outbox. */
import { getOpening } from '@low-quarry/core/contracts/openings';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/call';
import { openingKeys } from './openingKeys';

export function openingQuery(openingId: string) {
  return queryOptions({
    queryKey: openingKeys.one(openingId),
    queryFn: ({ signal }) => call(getOpening, { params: { openingId }, signal }),
  });
}
