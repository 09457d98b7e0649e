/**
 * Asks again after a change. An answer that was on its way before may be of before the change, and a first one is not asked for twice by
 * itself: it is called back.
 */
import type { InvalidateQueryFilters, QueryClient, QueryKey } from '@tanstack/react-query';

/** @param of the key that the answers begin with, or which of all */
export async function askAnew(queries: QueryClient, of: QueryKey | InvalidateQueryFilters['predicate']): Promise<void> {
  const which = typeof of === 'function' ? { predicate: of } : { queryKey: of };
  await queries.cancelQueries(which as InvalidateQueryFilters);
  await queries.invalidateQueries(which as InvalidateQueryFilters);
}
