/** How well a share is known that was counted: Clopper & Pearson, "The use of confidence or fiducial limits", Biometrika 26 (1934). */
import { betaRatio } from '../math/studentT';

/**
 * @param held of `asked`, whole numbers
 * @param confidence two-sided
 * @returns the least and the greatest share that is not unlikely, 0 to 1
 */
export function clopperPearson(held: number, asked: number, confidence: number): readonly [number, number] {
  const tail = (1 - confidence) / 2;
  const lower = held === 0 ? 0 : betaQuantile(tail, held, asked - held + 1);
  const upper = held === asked ? 1 : betaQuantile(1 - tail, held + 1, asked - held);
  return [lower, upper];
}

/** By halving: the incomplete beta function grows with its argument. */
function betaQuantile(probability: number, a: number, b: number): number {
  let low = 0;
  let high = 1;
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (betaRatio(middle, a, b) < probability) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
