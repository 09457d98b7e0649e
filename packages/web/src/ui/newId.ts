/**
 * Identities made on the device. The browser's own `randomUUID` exists on https and loopback only, and most tablets of a shop
 * are on neither; `getRandomValues` exists everywhere. No other file may use `crypto` (a lint rule).
 */

const BYTES = 16;

/** A random UUID (version 4, RFC 9562, section 5.4). */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(BYTES));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}
