/** Parts lie on the device in so many buckets: one is read for a part by its id, and written when a part in it changed. */
export const BUCKETS = 64;

/** FNV-1a over the id's UTF-16 units, 32 bits. */
export function bucketOf(id: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < id.length; at++) hash = Math.imul(hash ^ id.charCodeAt(at), 0x01000193);
  return (hash >>> 0) % BUCKETS;
}
