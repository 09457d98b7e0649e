/**
 * Student's t distribution, as far as a margin needs it, through the incomplete beta function; checked to 1e-13 by closed forms, and
 * against a statistics library.
 *
 * @see Press et al., Numerical Recipes, section 6.4 (method); JCGM 100:2008, G.3 (use)
 */
import { EPSILON, MOST_STEPS, nonZero } from './continuedFraction';
import { lnGamma } from './lnGamma';
import { normalCdf } from './normalCdf';
import { normalQuantile } from './normalQuantile';

/** Above this many degrees of freedom t and normal differ by about 0.001 in the 97.5 % quantile. */
const NORMAL_FROM = 2000;
/** Newton's method squares the error: a step so small, as a part of the value, leaves none. */
const LAST_STEP = 1e-9;
const MOST_NEWTON_STEPS = 200;

/**
 * P(T ≤ t) of Student's distribution.
 *
 * @param t any finite number
 * @param degreesOfFreedom at least 1; null means infinitely many, which is the normal distribution
 */
export function studentTCdf(t: number, degreesOfFreedom: number | null): number {
  if (degreesOfFreedom === null || degreesOfFreedom > NORMAL_FROM) return normalCdf(t);
  if (!(degreesOfFreedom > 0)) throw new Error(`studentTCdf: expected degreesOfFreedom > 0, got ${degreesOfFreedom}`);
  const x = degreesOfFreedom / (degreesOfFreedom + t * t);
  const tail = 0.5 * betaRatio(x, degreesOfFreedom / 2, 0.5);
  return t >= 0 ? 1 - tail : tail;
}

/**
 * The value that T stays below with the given probability: Newton's method, held between bounds, from the first terms of the
 * expansion about the normal quantile.
 *
 * @param probability strictly between 0 and 1
 * @param degreesOfFreedom at least 1; null for the normal distribution
 * @see Abramowitz and Stegun, Handbook of Mathematical Functions, 26.7.5 (expansion), from memory
 * @example studentTQuantile(0.995, 16) // 2.92, the coverage factor of the end-gauge example in JCGM 100:2008, H.1.6
 */
export function studentTQuantile(probability: number, degreesOfFreedom: number | null): number {
  if (!(probability > 0 && probability < 1)) {
    throw new Error(`studentTQuantile: expected 0 < probability < 1, got ${probability}`);
  }
  if (degreesOfFreedom === null || degreesOfFreedom > NORMAL_FROM) return normalQuantile(probability);
  if (probability === 0.5) return 0;
  if (probability < 0.5) return -studentTQuantile(1 - probability, degreesOfFreedom);
  let low = 0;
  let high = Number.POSITIVE_INFINITY;
  let t = expandedQuantile(probability, degreesOfFreedom);
  for (let step = 0; step < MOST_NEWTON_STEPS; step++) {
    const above = studentTCdf(t, degreesOfFreedom) - probability;
    if (above > 0) high = t;
    else low = t;
    let next = t - above / studentTDensity(t, degreesOfFreedom);
    if (!(next >= low && next <= high)) next = high === Number.POSITIVE_INFINITY ? 2 * t : (low + high) / 2;
    const isLast = Math.abs(next - t) <= LAST_STEP * next;
    t = next;
    if (isLast) break;
  }
  return t;
}

function expandedQuantile(probability: number, degreesOfFreedom: number): number {
  const z = normalQuantile(probability);
  const first = (z ** 3 + z) / 4;
  const second = (5 * z ** 5 + 16 * z ** 3 + 3 * z) / 96;
  return z + first / degreesOfFreedom + second / degreesOfFreedom ** 2;
}

function studentTDensity(t: number, degreesOfFreedom: number): number {
  const scale = Math.exp(lnGamma((degreesOfFreedom + 1) / 2) - lnGamma(degreesOfFreedom / 2));
  return (
    (scale / Math.sqrt(degreesOfFreedom * Math.PI)) * (1 + t ** 2 / degreesOfFreedom) ** (-(degreesOfFreedom + 1) / 2)
  );
}

/** I_x(a, b), the regularised incomplete beta function. */
export function betaRatio(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log1p(-x));
  return x < (a + 1) / (a + b + 2) ? (front * betaFraction(x, a, b)) / a : 1 - (front * betaFraction(1 - x, b, a)) / b;
}

function betaFraction(x: number, a: number, b: number): number {
  let c = 1;
  let d = 1 / nonZero(1 - ((a + b) * x) / (a + 1));
  let fraction = d;
  for (let m = 1; m < MOST_STEPS; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / nonZero(1 + even * d);
    c = nonZero(1 + even / c);
    fraction *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / nonZero(1 + odd * d);
    c = nonZero(1 + odd / c);
    fraction *= d * c;
    if (Math.abs(d * c - 1) < EPSILON) break;
  }
  return fraction;
}
