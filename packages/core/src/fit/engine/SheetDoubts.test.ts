/** The bound of a sheet's doubts against the doubts themselves, at thousands of places. */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../math/seededRandom';
import { mostAround, SheetDoubts, type SheetTerm } from './SheetDoubts';

const term = (k0: number, k1: number, k2: number, k3: number, uncertaintyMm = 1): SheetTerm => ({
  k0,
  k1,
  k2,
  k3,
  uncertaintyMm,
  degreesOfFreedom: null,
  isRectangular: true,
});

function varianceAt(terms: readonly SheetTerm[], x: number, y: number): number {
  return terms.reduce(
    (sum, { k0, k1, k2, k3, uncertaintyMm }) => sum + ((k0 + k1 * x + k2 * y + k3 * y * y) * uncertaintyMm) ** 2,
    0,
  );
}

test('two readings, at the middle and 60 mm above: by hand', () => {
  // The depth at y is (1 − y/60)·d0 + (y/60)·d1, each reading 0.5 mm.
  const doubts = new SheetDoubts();
  doubts.setTerms([term(1, 0, -1 / 60, 0, 0.5), term(0, 0, 1 / 60, 0, 0.5)]);
  expect(doubts.most(0, 0, 0)).toBeCloseTo(0.25, 3);
  expect(doubts.most(0, 60, 0)).toBeCloseTo(0.25, 3);
  // Within a millimetre each term is taken at its most: a little more than at the ends. At −60 mm: 2 · d0 − d1.
  expect(doubts.most(-60, 30, 20)).toBeCloseTo(1.25, 1);
  expect(doubts.most(-30, 120, 0)).toBeCloseTo(1.25, 1);
});

test('beyond all bodies nothing is said', () => {
  const doubts = new SheetDoubts();
  doubts.setTerms([term(1, 0, 0, 0)]);
  expect(doubts.most(-400, 513, 0)).toBe(Number.POSITIVE_INFINITY);
  expect(doubts.most(Number.NaN, 1, 0)).toBe(Number.POSITIVE_INFINITY);
});

describe.each([1, 2, 3, 4])('random sheets, seed %d', (seed) => {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + (high - low) * random();
  const terms = Array.from({ length: 4 }, () =>
    term(
      between(-1, 1),
      random() < 0.4 ? between(-1, 1) : 0,
      between(-0.03, 0.03),
      between(-2e-4, 2e-4),
      between(0, 2),
    ),
  );
  const doubts = new SheetDoubts();
  doubts.setTerms(terms);

  test('no place between the heights is less sure than the bound', () => {
    let tightest = Number.POSITIVE_INFINITY;
    for (let each = 0; each < 1500; each++) {
      const low = between(-150, 60);
      const high = between(low, 160);
      const far = Math.max(Math.abs(low), Math.abs(high));
      const aside = between(0, far);
      const there = varianceAt(terms, between(-aside, aside), between(low, high));
      const bound = doubts.most(low, high, aside);
      expect(there).toBeLessThanOrEqual(bound + 1e-9);
      expect(there).toBeLessThanOrEqual(mostAround(terms, far) + 1e-9);
      tightest = Math.min(tightest, bound / there);
    }
    expect(tightest).toBeLessThan(2);
  });
});
