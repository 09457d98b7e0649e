/**
 * Lets one tab at a time send what waits: by the browser's own lock where there is one (https and loopback), elsewhere by a
 * lease that is kept on the device and renewed while the work goes on. A tab that dies lets go of it within seconds.
 */
import type { DeviceStore } from './DeviceStore';

const NAME = 'low-quarry.outbox';
const LEASE = 'lease.outbox';
export const LEASE_MS = 10_000;

type Lease = { readonly owner: string; readonly until: number };

/**
 * @param owner this tab
 * @param isMine asked before each entry: false as soon as another tab may be at it
 * @returns whether the work was done here
 */
export async function withSendingLock(
  store: DeviceStore,
  owner: string,
  work: (isMine: () => boolean) => Promise<void>,
  now: () => number = Date.now,
  locks: LockManager | undefined = globalThis.navigator?.locks,
): Promise<boolean> {
  if (locks) {
    await locks.request(NAME, () => work(() => true));
    return true;
  }
  // A device that keeps nothing keeps no lease either: no other tab can have it, and each sends what it holds.
  const free = Number.POSITIVE_INFINITY;
  let until = await take(store, owner, now).catch(() => free);
  if (until === null) return false;
  const renewal = setInterval(() => {
    void take(store, owner, now)
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
      .update(LEASE, (before) => (ownerOf(before) === owner ? null : before))
      .catch(() => {
        // It runs out by itself.
      });
  }
  return true;
}

/** Until when the lease is ours; null when it is somebody else's. */
async function take(store: DeviceStore, owner: string, now: () => number): Promise<number | null> {
  const until = now() + LEASE_MS;
  const kept = await store.update(LEASE, (before) => (isFree(before, owner, now()) ? { owner, until } : before));
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
