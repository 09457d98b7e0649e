/**
 * Asks again after a change. An answer that was on its way before may be of before the change, and a first one is not asked for twice by
 * itself: it is called back.
 */
import type { QueryClient, QueryKey } from '@tanstack/react-query';

export async function askAnew(queries: QueryClient, queryKey: QueryKey): Promise<void> {
  await queries.cancelQueries({ queryKey });
  await queries.invalidateQueries({ queryKey });
}
