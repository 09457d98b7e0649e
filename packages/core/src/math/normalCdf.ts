/**
 * The normal integral goes through the regularised incomplete gamma function: series below a + 1, Lentz's continued fraction
 * above. Own code because the verdict depends on the tails, where short rational approximations lose their relative accuracy.
 *
 * @see Press et al., Numerical Recipes, section 6.2 (method)
 */
import { EPSILON, MOST_STEPS, nonZero } from './continuedFraction';
import { lnGamma } from './lnGamma';

/**
 * P(Z ≤ z) of the standard normal distribution.
 *
 * @param z any finite number
 * @returns a probability from 0 to 1
 */
export function normalCdf(z: number): number {
  const tail = 0.5 * upperGammaRatio(0.5, (z * z) / 2);
  return z >= 0 ? 1 - tail : tail;
}

/** Q(a, x), the regularised upper incomplete gamma function. */
function upperGammaRatio(a: number, x: number): number {
  if (x <= 0) return 1;
  const scale = Math.exp(-x + a * Math.log(x) - lnGamma(a));
  if (x < a + 1) {
    let term = 1 / a;
    let sum = term;
    for (let n = 1; n < MOST_STEPS && Math.abs(term) > Math.abs(sum) * EPSILON; n++) {
      term *= x / (a + n);
      sum += term;
    }
    return 1 - sum * scale;
  }
  let b = x + 1 - a;
  let c = 1 / nonZero(0);
  let d = 1 / b;
  let fraction = d;
  for (let i = 1; i < MOST_STEPS; i++) {
    const factor = -i * (i - a);
    b += 2;
    d = 1 / nonZero(factor * d + b);
    c = nonZero(b + factor / c);
    fraction *= d * c;
    if (Math.abs(d * c - 1) < EPSILON) break;
  }
  return scale * fraction;
}
