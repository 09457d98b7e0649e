import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rectangular } from './Dimension';
import { fromReadings } from './fromReadings';
import { marginChance, marginVerdict, sureness, toMargin } from './Margin';
import { linear, quantity, sumOf } from './Quantity';

const depth = { name: 'depth', dimension: rectangular(60, 1, 'takenHere') };
const height = { name: 'height', dimension: rectangular(10, 0.5, 'catalogue') };

describe('a linear quantity', () => {
  test('60 − 2 × 10 − 5 = 35 with u = √(0.577² + (2 × 0.289)²) = 0.816', () => {
    const margin = toMargin(
      linear(-5, [
        [depth, 1],
        [height, -2],
      ]),
      0.975,
    );
    expect(margin.valueMm).toBe(35);
    expect(margin.standardUncertaintyMm).toBeCloseTo(Math.sqrt(1 / 3 + (4 * 0.25) / 3), 12);
    // Two rectangles of equal share: less than the normal 1.96, more than one rectangle's 1.645.
    expect(margin.expandedMm / margin.standardUncertaintyMm).toBeGreaterThan(1.72);
    expect(margin.expandedMm / margin.standardUncertaintyMm).toBeLessThan(1.96);
  });

  test('a dimension that enters twice is correlated with itself', () => {
    const there = linear(0, [[depth, 1]]);
    const back = linear(0, [[depth, -1]]);
    expect(toMargin(sumOf(there, back), 0.975).standardUncertaintyMm).toBe(0);
    expect(toMargin(sumOf(there, there), 0.975).standardUncertaintyMm).toBeCloseTo(2 / Math.sqrt(3), 12);
    expect(
      quantity(1, [
        { ...depth, sensitivity: 1 },
        { ...depth, sensitivity: 2 },
      ]).terms,
    ).toEqual([{ ...depth, sensitivity: 3 }]);
  });
});

describe('readings', () => {
  test('57.5, 58, 58: mean 57.833, type A 0.1667 with 2 degrees of freedom, with a ±1 mm stick 0.601', () => {
    // s = √((0.3333² + 2 × 0.1667²)/2) = 0.28868; s/√3 = 0.16667; √(0.16667² + 1/3) = 0.60093
    const { valueMm, uncertaintyMm, degreesOfFreedom } = fromReadings([57.5, 58, 58], 1, 'takenHere');
    expect(valueMm).toBeCloseTo(57.83333, 5);
    expect(uncertaintyMm).toBeCloseTo(0.60093, 5);
    // ν_eff = u⁴ / (0.16667⁴ / 2) = 0.13041 / 0.00038580 = 338
    expect(degreesOfFreedom).toBeCloseTo(338, 0);
  });

  test('one reading has the instrument only; no reading is a fault of the caller', () => {
    expect(fromReadings([60], 1, 'takenHere')).toEqual({
      valueMm: 60,
      uncertaintyMm: 1 / Math.sqrt(3),
      degreesOfFreedom: null,
      origin: 'takenHere',
      isRectangular: true,
    });
    expect(() => fromReadings([], 1, 'takenHere')).toThrow('at least one reading');
  });
});

describe('the verdict of a margin', () => {
  test.each([
    [1, 1, 'clears'],
    [0.999, 1, 'measure'],
    [-0.999, 1, 'measure'],
    [-1, 1, 'hits'],
    [0, 0, 'clears'],
    [-0.001, 0, 'hits'],
  ] as const)('margin %d with ± %d: %s', (valueMm, expandedMm, verdict) => {
    expect(marginVerdict({ valueMm, expandedMm })).toBe(verdict);
  });

  test('agrees with the chance at the confidence limit, whatever the margin', () => {
    const arbitrary = fc.record({
      valueMm: fc.double({ min: -20, max: 20, noNaN: true }),
      halfWidthMm: fc.double({ min: 0.01, max: 10, noNaN: true }),
      readings: fc.array(fc.double({ min: 50, max: 60, noNaN: true }), { minLength: 1, maxLength: 5 }),
    });
    fc.assert(
      fc.property(arbitrary, ({ valueMm, halfWidthMm, readings }) => {
        const dimension = fromReadings(readings, halfWidthMm, 'takenHere');
        const margin = toMargin(linear(valueMm - dimension.valueMm, [[{ name: 'd', dimension }, 1]]), 0.975);
        const chance = marginChance(margin);
        const verdict = marginVerdict(margin);
        if (Math.abs(chance - 0.975) > 1e-6 && Math.abs(chance - 0.025) > 1e-6) {
          expect(verdict).toBe(chance > 0.975 ? 'clears' : chance < 0.025 ? 'hits' : 'measure');
        }
        expect(sureness(margin) >= 1).toBe(verdict === 'clears');
      }),
    );
  });

  test('a margin known exactly is as sure as can be', () => {
    const exact = toMargin(linear(2, []), 0.975);
    expect(marginChance(exact)).toBe(1);
    expect(sureness(exact)).toBe(Number.MAX_VALUE);
    expect(marginChance(toMargin(linear(-2, []), 0.975))).toBe(0);
  });
});
