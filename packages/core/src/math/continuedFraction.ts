/** What the continued fractions of the incomplete gamma and beta functions share. */

/** How near to 1 a factor is that changes nothing any more. */
export const EPSILON = 1e-16;
export const MOST_STEPS = 1000;
const TINY = 1e-300;

/** Lentz's method divides by what may be 0 in passing. */
export function nonZero(value: number): number {
  return Math.abs(value) < TINY ? TINY : value;
}
