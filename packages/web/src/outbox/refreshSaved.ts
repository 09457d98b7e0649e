/** A record was saved: what is shown of it, and of what follows from it, is asked for again. */
import type { QueryClient } from '@tanstack/react-query';
import { keepAtOnce } from '../api/keptQueries';
import type { SavedName } from './saved/SavedKind';

/** @returns when what is on the screen is there, and on the device */
export async function refreshSaved(
  queries: QueryClient,
  of: SavedName,
  recordId: string,
  answer: unknown,
): Promise<void> {
  if (of === 'vehicle') queries.setQueryData(['vehicles', 'one', recordId], answer);
  const names = of === 'vehicle' ? ['vehicles', 'foundVehicles', 'jobs'] : ['jobs'];
  await queries.invalidateQueries({ predicate: ({ queryKey: [name] }) => names.includes(String(name)) });
  await keepAtOnce();
}
