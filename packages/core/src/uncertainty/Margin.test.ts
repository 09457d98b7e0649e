import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rectangular } from './Dimension';
import { fromReadings, pooledRepeatability } from './fromReadings';
import { marginChance, marginVerdict, sureness, toMargin } from './Margin';
import { linear, named, quantity, sumOf } from './Quantity';

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

const STICK = { name: 'instrument.depthStick', halfWidthMm: 1, origin: 'takenHere' as const };

describe('readings', () => {
  test('one reading is as sure as its instrument: three quarters shared, a quarter the hand, 1/√3 together', () => {
    const { valueMm, uncertaintyMm, degreesOfFreedom, shared } = fromReadings([60], STICK);
    expect([valueMm, degreesOfFreedom]).toEqual([60, null]);
    expect(uncertaintyMm).toBeCloseTo(Math.sqrt(1 / 12), 12);
    expect(shared).toEqual([{ name: 'instrument.depthStick', uncertaintyMm: 0.5, by: 1 }]);
    expect(Math.hypot(uncertaintyMm, 0.5)).toBeCloseTo(1 / Math.sqrt(3), 12);
    expect(() => fromReadings([], STICK)).toThrow('at least one reading');
  });

  test('57.5, 58, 58: mean 57.833; the scatter is pooled with what a hand usually does', () => {
    // Squares about the mean: 2 · 0.1667² + 0.3333² = 0.16667 with 2 degrees of freedom, and 10 of 1/12.
    const { valueMm, uncertaintyMm, degreesOfFreedom } = fromReadings([57.5, 58, 58], STICK);
    expect(valueMm).toBeCloseTo(57.83333, 5);
    expect(uncertaintyMm).toBeCloseTo(Math.sqrt((10 / 12 + 0.166667) / 12 / 3), 6);
    expect(degreesOfFreedom).toBe(12);
  });

  test('what is read again and comes out the same is surer, never less', () => {
    const interval = (count: number) =>
      toMargin(named('d', fromReadings(new Array<number>(count).fill(14.35), STICK)), 0.975).expandedMm;
    expect(interval(2)).toBeLessThan(interval(1));
    expect(interval(5)).toBeLessThan(interval(2));
    // The instrument's own error stays.
    expect(interval(1000)).toBeGreaterThan(0.5 * Math.sqrt(3) * 0.95);
  });

  test('repeatability is pooled over all places, as in JCGM 100:2008, H.1.3', () => {
    const pooled = pooledRepeatability({ halfWidthMm: 1 }, [[60, 60.4], [58], [61, 61.2, 61.4]]);
    // 2 · 0.2² + 2 · 0.2² = 0.16 with 3 degrees of freedom.
    expect(pooled).toEqual({ deviationMm: expect.closeTo(Math.sqrt((10 / 12 + 0.16) / 13), 12), degreesOfFreedom: 13 });
    expect(pooledRepeatability({ halfWidthMm: 1 }, [[60], [58]]).degreesOfFreedom).toBeNull();
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
        const dimension = fromReadings(readings, { ...STICK, halfWidthMm });
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
