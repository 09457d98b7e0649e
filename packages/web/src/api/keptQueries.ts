/**
 * What the shop last said is kept on the device, by person, so that the open job can be read while the network is away. It
 * is shown as it was and asked anew as soon as the server answers.
 */
import { type DehydratedState, dehydrate, hydrate, type QueryClient } from '@tanstack/react-query';
import { delMany, get, set } from 'idb-keyval';

/** Values under keys, as `idb-keyval` has them; what is lost with a battery that is pulled is asked for again. */
export type QueryKeeping = {
  readonly get: (key: string) => Promise<unknown>;
  readonly set: (key: string, value: unknown) => Promise<void>;
  readonly delMany: (keys: string[]) => Promise<void>;
};

const KEEPING: QueryKeeping = { get, set, delMany };

const KEPT = new Set<unknown>([
  'jobs',
  'openings',
  'orders',
  'settings',
  'connectors',
  'vehicles',
  'templates',
  'photos',
  'week',
]);
const KEEP_MS = 1000;
/**
 * Another program's answers may have another form, in which a screen would miss what it reads. Raised whenever a contract gets a
 * field. 2: openings with what lies in front, what was read from, and how the hole lies. 3: choices with work by hand, openings with
 * what stands around the hole and behind it. 4: jobs that end, page by page; the catalogue lies apart. 5: settings under a name of their own.
 * 6: vehicles by page, their years as figures; openings with what is there and what is only taken as usual.
 * 7: jobs with what was asked and what was tried; photos. 8: openings with what was done before and how far the work is; orders with what is needed besides.
 * 9: openings with which wire is positive and what is in their lines. 12: pins of plugs with the colours of their wires.
 * 13: jobs with their crossovers and boxes, and with the spaces of their vehicle. 17: jobs with their times in the bay.
 */
const FORM = 18;

const keyOf = (personId: string, form = FORM) => `low-quarry.queries.${form}.${personId}`;

/** All at once: what waits for its turn may still be there when the screen says that it is gone. */
async function forgetForms(personId: string, upTo: number, keeping: QueryKeeping): Promise<void> {
  const keys = Array.from({ length: upTo }, (_, before) => keyOf(personId, before + 1));
  try {
    await keeping.delMany(keys);
  } catch {
    // Nothing is kept here.
  }
}

/** A browser that keeps nothing (private window, full disk) works on without. */
export async function restoreQueries(queries: QueryClient, personId: string, keeping = KEEPING): Promise<void> {
  // What another program kept is not left lying about.
  void forgetForms(personId, FORM - 1, keeping);
  try {
    const state = (await keeping.get(keyOf(personId))) as DehydratedState | undefined;
    if (!state) return;
    hydrate(queries, state);
    // However young it is, nobody listened to the shop since: each is asked again where it is shown.
    await queries.invalidateQueries({ predicate: ({ queryKey }) => KEPT.has(queryKey[0]), refetchType: 'none' });
  } catch {
    // Nothing was kept.
  }
}

/** Of whom is here, as long as answers are kept. */
let keepNow: (() => Promise<void>) | null = null;

/**
 * Keeps what the shop said last without waiting for more of it: somebody who saves and loads the page anew at that very moment goes on typing
 * on what was saved, not on what stood there before.
 *
 * @returns when the device has it, or is known to keep nothing
 */
export async function keepAtOnce(): Promise<void> {
  await keepNow?.();
}

/**
 * @param isHere whether the person is still signed in on this device: what another tab or a last answer would write after they left
 * would stay
 * @returns stops keeping
 */
export function keepQueries(
  queries: QueryClient,
  personId: string,
  isHere: () => boolean,
  keeping = KEEPING,
): () => void {
  let timer: ReturnType<typeof setTimeout> | null = null;
  const keep = async () => {
    if (timer !== null) clearTimeout(timer);
    timer = null;
    if (!isHere()) return;
    const state = dehydrate(queries, {
      shouldDehydrateQuery: ({ queryKey, state: { status } }) => status === 'success' && KEPT.has(queryKey[0]),
      shouldDehydrateMutation: () => false,
    });
    await keeping.set(keyOf(personId), state).catch(() => {});
  };
  keepNow = keep;
  const unsubscribe = queries.getQueryCache().subscribe(({ type }) => {
    if (type === 'updated' || type === 'added') timer ??= setTimeout(() => void keep(), KEEP_MS);
  });
  return () => {
    unsubscribe();
    if (keepNow === keep) keepNow = null;
    if (timer !== null) clearTimeout(timer);
  };
}

/**
 * Whoever signs out leaves nothing to read; what they typed and the shop does not have yet stays theirs. The device must know before
 * that they are gone.
 */
export async function forgetQueries(personId: string, keeping = KEEPING): Promise<void> {
  await forgetForms(personId, FORM, keeping);
}
