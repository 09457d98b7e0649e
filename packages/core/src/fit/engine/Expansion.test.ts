/** Expanded uncertainty from plain numbers against the propagation that the checks use, for random sums of terms. */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../math/seededRandom';
import type { Dimension } from '../../uncertainty/Dimension';
import { toMargin } from '../../uncertainty/Margin';
import { quantity } from '../../uncertainty/Quantity';
import { Expansion } from './Expansion';

const CONFIDENCE = 0.975;

function randomTerms(seed: number) {
  const random = seededRandom(seed);
  return Array.from({ length: 1 + Math.floor(random() * 5) }, (_, at) => {
    const isRectangular = random() < 0.5;
    const dimension: Dimension = {
      valueMm: 10,
      uncertaintyMm: 0.05 + random(),
      degreesOfFreedom: !isRectangular && random() < 0.5 ? 2 + Math.floor(random() * 8) : null,
      origin: 'takenHere',
      isRectangular,
    };
    return { name: `term ${at}`, dimension, sensitivity: (random() - 0.5) * 3 };
  });
}

function sums(terms: ReturnType<typeof randomTerms>) {
  let [variance, fourth, rectangular] = [0, 0, 0];
  for (const { dimension, sensitivity } of terms) {
    const part = (sensitivity * dimension.uncertaintyMm) ** 2;
    variance += part;
    if (dimension.degreesOfFreedom !== null) fourth += part ** 2 / dimension.degreesOfFreedom;
    if (dimension.isRectangular) rectangular += part ** 2;
  }
  return [variance, fourth, rectangular] as const;
}

describe('expanded uncertainty', () => {
  const expansion = new Expansion(CONFIDENCE);
  const seeds = Array.from({ length: 300 }, (_, at) => at + 1);

  test('is that of the checks', () => {
    for (const seed of seeds) {
      const terms = randomTerms(seed);
      const expected = toMargin(quantity(0, terms), CONFIDENCE).expandedMm;
      expect({ seed, mm: expansion.expand(...sums(terms)).toFixed(9) }).toEqual({ seed, mm: expected.toFixed(9) });
    }
  });

  test('is never more than the widest of its variance and fewest degrees of freedom', () => {
    for (const seed of seeds) {
      const terms = randomTerms(seed);
      const freedoms = terms.flatMap(({ dimension: { degreesOfFreedom } }) => degreesOfFreedom ?? []);
      const [variance, fourth, rectangular] = sums(terms);
      const widest = expansion.widest(variance, freedoms.length > 0 ? Math.min(...freedoms) : null);
      expect(widest).toBeGreaterThanOrEqual(expansion.expand(variance, fourth, rectangular) - 1e-12);
    }
  });

  test('nothing unsure, nothing to expand', () => {
    expect(expansion.expand(0, 0, 0)).toBe(0);
    expect(expansion.widest(0, null)).toBe(0);
  });
});
