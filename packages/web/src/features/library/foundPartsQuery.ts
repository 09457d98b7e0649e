import { findParts } from '@low-quarry/core/contracts/findParts';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import type { z } from 'zod';
import { call } from '../../api/call';

/** A page of the parts that are found; what is not asked for is left out. */
export function foundPartsQuery(asked: z.input<typeof findParts.params>) {
  return queryOptions({
    queryKey: ['library', 'parts', asked],
    queryFn: ({ signal }) => call(findParts, { params: asked, signal }),
    placeholderData: keepPreviousData,
  });
}
