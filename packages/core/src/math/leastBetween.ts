/**
 * The place where a function of one variable is least between two others, by golden section; exact to the tolerance where
 * the function falls and then rises.
 *
 * @see Kiefer, Sequential minimax search for a maximum, 1953, from memory
 */

const GOLDEN = (Math.sqrt(5) - 1) / 2;

export function leastBetween(of: (x: number) => number, from: number, to: number, tolerance: number): number {
  let low = from;
  let high = to;
  // Of the two places asked, one is asked again in the next round and kept.
  let left = high - GOLDEN * (high - low);
  let right = low + GOLDEN * (high - low);
  let atLeft = of(left);
  let atRight = of(right);
  while (high - low > tolerance) {
    if (atLeft <= atRight) {
      high = right;
      right = left;
      atRight = atLeft;
      left = high - GOLDEN * (high - low);
      atLeft = of(left);
    } else {
      low = left;
      left = right;
      atLeft = atRight;
      right = low + GOLDEN * (high - low);
      atRight = of(right);
    }
  }
  return (low + high) / 2;
}
