import { describe, expect, test } from '@jest/globals';
import jstat from 'jstat';
import { normalQuantile } from './normalQuantile';
import { rectangularNormalCdf, rectangularNormalQuantile } from './rectangularNormal';
import { seededRandom } from './seededRandom';

describe('the limits', () => {
  test('no rectangle: the normal quantile 1.95996; only a rectangle: √3 · 0.95 = 1.64545', () => {
    expect(rectangularNormalQuantile(0.975, 0)).toBeCloseTo(1.959963985, 6);
    expect(rectangularNormalQuantile(0.975, 1)).toBeCloseTo(Math.sqrt(3) * 0.95, 6);
  });

  test('half and half lies between, as 200,000 draws say', () => {
    const random = seededRandom(3);
    const draws = 200_000;
    const limit = rectangularNormalQuantile(0.975, 0.5);
    let below = 0;
    for (let draw = 0; draw < draws; draw++) {
      const rectangle = Math.sqrt(3) * (2 * random() - 1);
      const normal = normalQuantile(Math.min(0.999999, Math.max(0.000001, random())));
      if (Math.SQRT1_2 * (rectangle + normal) <= limit) below++;
    }
    // Four standard deviations of the count.
    expect(Math.abs(below / draws - 0.975)).toBeLessThan(4 * Math.sqrt((0.975 * 0.025) / draws));
  });

  test('a distribution function: from 0 to 1, rising, symmetric', () => {
    for (const share of [0, 0.2, 0.7, 0.99, 1]) {
      let before = 0;
      for (let x = -4; x <= 4; x += 0.25) {
        const here = rectangularNormalCdf(x, share);
        expect(here).toBeGreaterThanOrEqual(before - 1e-12);
        expect(here + rectangularNormalCdf(-x, share)).toBeCloseTo(1, 10);
        before = here;
      }
      expect(before).toBeGreaterThan(0.9999);
    }
  });
});

test('the distribution function is the convolution, by Simpson and the normal distribution of a statistics library', () => {
  const steps = 2000;
  for (const share of [0.05, 0.3, 0.5, 0.8, 0.97]) {
    const half = Math.sqrt(3 * share);
    const spread = Math.sqrt(1 - share);
    for (const x of [-2.5, -1, -0.2, 0.4, 1.3, 1.7, 2.2, 3]) {
      let sum = 0;
      for (let step = 0; step <= steps; step++) {
        const weight = step === 0 || step === steps ? 1 : step % 2 === 1 ? 4 : 2;
        const rectangle = -half + (2 * half * step) / steps;
        sum += weight * jstat.normal.cdf(x - rectangle, 0, spread);
      }
      expect(rectangularNormalCdf(x, share)).toBeCloseTo(sum / (3 * steps), 7);
    }
  }
});

test('normal quantiles against a statistics library', () => {
  for (const p of [1e-6, 0.001, 0.02, 0.025, 0.3, 0.5, 0.77, 0.975, 0.999]) {
    expect(normalQuantile(p)).toBeCloseTo(jstat.normal.inv(p, 0, 1), 7);
  }
  expect(() => normalQuantile(0)).toThrow('expected 0 < probability < 1');
});
