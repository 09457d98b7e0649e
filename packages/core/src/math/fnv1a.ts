/** FNV-1a over a text's UTF-16 units: an unsigned whole number of 32 bits. */
export function fnv1a(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}
