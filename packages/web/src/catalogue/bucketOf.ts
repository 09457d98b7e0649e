import { fnv1a } from '@low-quarry/core/math';

/** Parts lie on the device in so many buckets: one is read for a part by its id, and written when a part in it changed. */
export const BUCKETS = 64;

export function bucketOf(id: string): number {
  return fnv1a(id) % BUCKETS;
}
