import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type ESeries, eSeries, nearestOf } from './eSeries';

/** IEC 60063, as printed (from memory). */
const PRINTED: Readonly<Partial<Record<ESeries, string>>> = {
  3: '1.0 2.2 4.7',
  6: '1.0 1.5 2.2 3.3 4.7 6.8',
  12: '1.0 1.2 1.5 1.8 2.2 2.7 3.3 3.9 4.7 5.6 6.8 8.2',
  24: '1.0 1.1 1.2 1.3 1.5 1.6 1.8 2.0 2.2 2.4 2.7 3.0 3.3 3.6 3.9 4.3 4.7 5.1 5.6 6.2 6.8 7.5 8.2 9.1',
  48: `1.00 1.05 1.10 1.15 1.21 1.27 1.33 1.40 1.47 1.54 1.62 1.69 1.78 1.87 1.96 2.05 2.15 2.26 2.37 2.49 2.61 2.74 2.87 3.01
    3.16 3.32 3.48 3.65 3.83 4.02 4.22 4.42 4.64 4.87 5.11 5.36 5.62 5.90 6.19 6.49 6.81 7.15 7.50 7.87 8.25 8.66 9.09 9.53`,
  96: `1.00 1.02 1.05 1.07 1.10 1.13 1.15 1.18 1.21 1.24 1.27 1.30 1.33 1.37 1.40 1.43 1.47 1.50 1.54 1.58 1.62 1.65 1.69 1.74
    1.78 1.82 1.87 1.91 1.96 2.00 2.05 2.10 2.15 2.21 2.26 2.32 2.37 2.43 2.49 2.55 2.61 2.67 2.74 2.80 2.87 2.94 3.01 3.09
    3.16 3.24 3.32 3.40 3.48 3.57 3.65 3.74 3.83 3.92 4.02 4.12 4.22 4.32 4.42 4.53 4.64 4.75 4.87 4.99 5.11 5.23 5.36 5.49
    5.62 5.76 5.90 6.04 6.19 6.34 6.49 6.65 6.81 6.98 7.15 7.32 7.50 7.68 7.87 8.06 8.25 8.45 8.66 8.87 9.09 9.31 9.53 9.76`,
};

describe('the series of IEC 60063', () => {
  test.each(Object.entries(PRINTED))('E%s is as it is printed', (series, printed) => {
    expect(eSeries(Number(series) as ESeries)).toEqual(printed.split(/\s+/).map(Number));
  });

  test('E192 has 9.20 where the rule gives 9.19, and every second of it is E96', () => {
    const all = eSeries(192);
    expect(all).toHaveLength(192);
    expect(all).toContain(9.2);
    expect(all).not.toContain(9.19);
    expect(all.filter((_, at) => at % 2 === 0)).toEqual(eSeries(96));
    expect(all.every((value, at) => at === 0 || value > (all[at - 1] as number))).toBe(true);
  });
});

test('the nearest value is one of the series, in any decade, and no other is nearer', () => {
  const series = fc.constantFrom<ESeries>(3, 6, 12, 24, 48, 96, 192);
  fc.assert(
    fc.property(series, fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (each, value) => {
      const found = nearestOf(each, value);
      const decade = 10 ** Math.floor(Math.log10(found) + 1e-9);
      expect(eSeries(each).some((one) => Math.abs(one - found / decade) < 1e-9)).toBe(true);
      const off = Math.abs(Math.log(found / value));
      for (const power of [-1, 0, 1])
        for (const one of eSeries(each))
          expect(Math.abs(Math.log((one * decade * 10 ** power) / value))).toBeGreaterThanOrEqual(off - 1e-9);
    }),
  );
  expect([nearestOf(12, 4.97), nearestOf(12, 995), nearestOf(24, 0.095)]).toEqual([4.7, 1000, 0.091]);
  expect(() => nearestOf(12, 0)).toThrow('expected a value above 0');
});
