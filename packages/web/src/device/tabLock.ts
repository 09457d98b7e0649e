/**
 * Lets one tab of a browser at a time do something: by the browser's own lock where there is one (https and loopback), elsewhere by
 * a lease that is kept on the device and renewed while the work goes on. A tab that dies lets go of it within seconds.
 */
import type { DeviceStore } from './DeviceStore';

export const LEASE_MS = 10_000;

type Lease = { readonly owner: string; readonly until: number };

/**
 * @param name what only one tab does
 * @param owner this tab
 * @param work `isMine` is asked before each step: false as soon as another tab may be at it
 * @param signal gives up waiting for the browser's own lock
 * @returns whether the work was done here; the browser's own lock is waited for
 */
export async function withTabLock(
  name: string,
  store: DeviceStore,
  owner: string,
  work: (isMine: () => boolean) => Promise<void>,
  now: () => number = Date.now,
  locks: LockManager | undefined = globalThis.navigator?.locks,
  signal?: AbortSignal,
): Promise<boolean> {
  if (locks) {
    let isDone = false;
    const once = async () => {
      await work(() => true);
      isDone = true;
    };
    await locks.request(`low-quarry.${name}`, signal ? { signal } : {}, once).catch((error: unknown) => {
      if (!signal?.aborted) throw error;
    });
    return isDone;
  }
  // A device that keeps nothing keeps no lease either: no other tab can have it, and each sends what it holds.
  const free = Number.POSITIVE_INFINITY;
  const lease = `lease.${name}`;
  let until = await take(store, lease, owner, now).catch(() => free);
  if (until === null) return false;
  const renewal = setInterval(() => {
    void take(store, lease, owner, now)
      .catch(() => free)
      .then((next) => {
        until = next;
      });
  }, LEASE_MS / 3);
  try {
    await work(() => until !== null && now() < until);
  } finally {
    clearInterval(renewal);
    await store
      .update(lease, (before) => (ownerOf(before) === owner ? null : before))
      .catch(() => {
        // It runs out by itself.
      });
  }
  return true;
}

/** Until when the lease is ours; null when it is somebody else's. */
async function take(store: DeviceStore, lease: string, owner: string, now: () => number): Promise<number | null> {
  const until = now() + LEASE_MS;
  const kept = await store.update(lease, (before) => (isFree(before, owner, now()) ? { owner, until } : before));
  return ownerOf(kept) === owner ? until : null;
}

function isFree(lease: unknown, owner: string, now: number): boolean {
  const { until = 0 } = (lease ?? {}) as Partial<Lease>;
  // One that ends later than any could was written before the clock was set back.
  return ownerOf(lease) === owner || until <= now || until > now + LEASE_MS;
}

function ownerOf(lease: unknown): string | null {
  return (lease as Lease | null | undefined)?.owner ?? null;
}
