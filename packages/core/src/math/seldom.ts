/** How seldom a value that lies so many half-widths of its interval above zero turns out below it: a bound for little. */

import { normalCdf } from './normalCdf';
import { normalQuantile } from './normalQuantile';

const factors = new Map<number, number>();

/**
 * @param sureness value over half-width of its interval
 * @param confidence of the interval, one-sided
 * @returns a probability that is never below that of a normal or a rectangular distribution with this interval, for a
 *   sureness of at least 1; at most 1
 */
export function seldom(sureness: number, confidence: number): number {
  if (sureness > MOST) return 0;
  let factor = factors.get(confidence);
  if (factor === undefined) {
    factor = normalQuantile(confidence);
    factors.set(confidence, factor);
  }
  return normalCdf(-sureness * factor);
}

/** Beyond this the chance is below one in a hundred million. */
const MOST = 3;
