import { describe, expect, test } from '@jest/globals';
import { leastBetween } from './leastBetween';

describe('leastBetween', () => {
  test.each([
    ['a parabola', (x: number) => (x - 1.25) ** 2, -3, 4, 1.25],
    ['a kink', (x: number) => Math.abs(x - 2), 0, 10, 2],
    ['what only rises', (x: number) => x, 3, 9, 3],
    ['what only falls', (x: number) => -x, 3, 9, 9],
  ] as const)('%s', (_, of, from, to, at) => {
    expect(leastBetween(of, from, to, 1e-7)).toBeCloseTo(at, 6);
  });

  test('asks once a round: a tenth of the width costs five rounds', () => {
    let asked = 0;
    leastBetween(
      (x) => {
        asked++;
        return x * x;
      },
      -1,
      1,
      0.2,
    );
    // ln 10 / ln 1.618 = 4.8, and two to begin with
    expect(asked).toBe(7);
  });
});
