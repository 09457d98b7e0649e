/**
 * Tells a scanner that types from a person: a scanner's letters come one right after the other, and Enter after them. How quick that is, is
 * common practice, no source: scanners leave 2 to 30 ms between two letters, people 80 ms and more.
 */
const MOST_BETWEEN_MS = 50;
const LEAST_LETTERS = 2;
const MOST_LETTERS = 120;

export class TypedCode {
  private letters = '';
  private lastMs = Number.NEGATIVE_INFINITY;

  /**
   * @param key as the browser names it
   * @param atMs when it was pressed
   * @returns the code, once its Enter has come
   */
  press(key: string, atMs: number): string | null {
    const isQuick = atMs - this.lastMs <= MOST_BETWEEN_MS;
    // A scanner holds Shift for capitals.
    if (key === 'Shift') return null;
    this.lastMs = atMs;
    const before = isQuick ? this.letters : '';
    this.letters = key.length === 1 ? `${before}${key}`.slice(0, MOST_LETTERS) : '';
    return key === 'Enter' && before.length >= LEAST_LETTERS ? before : null;
  }
}
