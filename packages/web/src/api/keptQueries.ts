/**
 * What the shop last said is kept on the device, by person, so that the open job can be read while the network is away. It
 * is shown as it was and asked anew as soon as the server answers.
 */
import { type DehydratedState, dehydrate, hydrate, type QueryClient } from '@tanstack/react-query';
import { del, get, set } from 'idb-keyval';

const KEPT = new Set<unknown>(['jobs', 'openings', 'orders', 'settings', 'connectors', 'vehicles']);
const KEEP_MS = 1000;
/**
 * Another program's answers may have another form, in which a screen would miss what it reads. Raised whenever a contract gets a
 * field. 2: openings with what lies in front, what was read from, and how the hole lies. 3: choices with work by hand, openings with
 * what stands around the hole and behind it. 4: jobs that end, page by page; the catalogue lies apart. 5: settings under a name of their own.
 */
const FORM = 5;

const keyOf = (personId: string, form = FORM) => `low-quarry.queries.${form}.${personId}`;

/** What was kept in the forms up to one is not left lying about. */
async function forgetForms(personId: string, upTo: number): Promise<void> {
  for (let form = 1; form <= upTo; form++) await del(keyOf(personId, form)).catch(() => {});
}

/** A browser that keeps nothing (private window, full disk) works on without. */
export async function restoreQueries(queries: QueryClient, personId: string): Promise<void> {
  void forgetForms(personId, FORM - 1);
  try {
    const state = await get<DehydratedState>(keyOf(personId));
    if (!state) return;
    hydrate(queries, state);
    // However young it is, nobody listened to the shop since: each is asked again where it is shown.
    await queries.invalidateQueries({ predicate: ({ queryKey }) => KEPT.has(queryKey[0]), refetchType: 'none' });
  } catch {
    // Nothing was kept.
  }
}

/** @returns stops keeping */
export function keepQueries(queries: QueryClient, personId: string): () => void {
  let timer: ReturnType<typeof setTimeout> | null = null;
  const keep = () => {
    timer = null;
    const state = dehydrate(queries, {
      shouldDehydrateQuery: ({ queryKey, state: { status } }) => status === 'success' && KEPT.has(queryKey[0]),
      shouldDehydrateMutation: () => false,
    });
    set(keyOf(personId), state).catch(() => {});
  };
  const unsubscribe = queries.getQueryCache().subscribe(({ type }) => {
    if (type === 'updated' || type === 'added') timer ??= setTimeout(keep, KEEP_MS);
  });
  return () => {
    unsubscribe();
    if (timer !== null) clearTimeout(timer);
  };
}

/** Whoever signs out leaves nothing to read; what they typed and the shop does not have yet stays theirs. */
export async function forgetQueries(personId: string): Promise<void> {
  await forgetForms(personId, FORM);
}
