import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import jstat from 'jstat';
import { normalCdf } from './normalCdf';
import { studentTCdf, studentTQuantile } from './studentT';

describe('against a statistics library (jstat)', () => {
  const points = Array.from({ length: 121 }, (_, index) => -6 + index / 10);

  test('the normal distribution', () => {
    for (const z of points) expect(Math.abs(normalCdf(z) - jstat.normal.cdf(z, 0, 1))).toBeLessThan(1e-8);
  });

  // The library's continued fraction stops at 3e-7 relative, so it referees to 1e-7; the closed forms below go further.
  test.each([1, 2, 3, 5, 8, 16, 40, 200])("Student's t with %d degrees of freedom", (freedom) => {
    for (const t of points)
      expect(Math.abs(studentTCdf(t, freedom) - jstat.studentt.cdf(t, freedom))).toBeLessThan(1e-7);
    for (const p of [0.6, 0.9, 0.95, 0.975, 0.995]) {
      expect(studentTQuantile(p, freedom) / jstat.studentt.inv(p, freedom)).toBeCloseTo(1, 7);
    }
  });
});

describe('against closed forms, to 1e-13', () => {
  const points = [-30, -4, -1.5, -0.2, 0, 0.7, 2, 9];

  test('one degree of freedom is the Cauchy distribution: 1/2 + atan(t)/π', () => {
    for (const t of points) expect(Math.abs(studentTCdf(t, 1) - (0.5 + Math.atan(t) / Math.PI))).toBeLessThan(1e-13);
  });

  test('two degrees of freedom: 1/2 + t / (2 √(2 + t²))', () => {
    for (const t of points)
      expect(Math.abs(studentTCdf(t, 2) - (0.5 + t / (2 * Math.sqrt(2 + t * t))))).toBeLessThan(1e-13);
  });
});

describe('the value below which a part lies', () => {
  const probability = fc.double({ min: 1e-6, max: 1 - 1e-6, noNaN: true });

  test('one degree of freedom: tan(π (p - 1/2)); two: (2p - 1) √(2 / (4p (1 - p))); to 1e-9 of it', () => {
    fc.assert(
      fc.property(probability, (p) => {
        const two = (2 * p - 1) * Math.sqrt(2 / (4 * p * (1 - p)));
        for (const [freedom, exact] of [
          [1, Math.tan(Math.PI * (p - 0.5))],
          [2, two],
        ] as const)
          expect(Math.abs(studentTQuantile(p, freedom) - exact)).toBeLessThanOrEqual(1e-9 * (1 + Math.abs(exact)));
      }),
    );
  });

  test('so large a part lies below it, whatever the degrees of freedom', () => {
    fc.assert(
      fc.property(probability, fc.double({ min: 0.5, max: 3000, noNaN: true }), (p, freedom) => {
        expect(Math.abs(studentTCdf(studentTQuantile(p, freedom), freedom) - p)).toBeLessThan(1e-12);
      }),
    );
  });
});

describe('against published tables', () => {
  // JCGM 100:2008, Table G.2: t_p(ν) for two-sided p; 95 % two-sided is the one-sided 97.5 % quantile.
  test.each([
    [1, 12.71],
    [2, 4.3],
    [5, 2.57],
    [10, 2.23],
    [16, 2.12],
    [50, 2.01],
    [null, 1.96],
  ])('t_95 for ν = %p is %d', (freedom, expected) => {
    expect(studentTQuantile(0.975, freedom)).toBeCloseTo(expected, 2);
  });

  test('the normal tail at 3 σ is 0.00134990 (table value)', () => {
    expect(normalCdf(-3)).toBeCloseTo(0.001349898, 9);
    expect(normalCdf(0)).toBe(0.5);
    expect(normalCdf(40)).toBe(1);
  });
});

test('a wrong argument is a fault of the caller', () => {
  expect(() => studentTQuantile(1, 5)).toThrow('0 < probability < 1');
  expect(() => studentTCdf(1, 0)).toThrow('degreesOfFreedom > 0');
});
