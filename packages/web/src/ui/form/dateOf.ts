/** A date that is not typed is none. */
export function dateOf(text: string): string | null {
  return text || null;
}
