import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { outlineClearanceMm } from './outlineClearance';

const circle = (diameterMm: number) => ({ lengthMm: diameterMm, widthMm: diameterMm });
const oval = fc
  .record({
    lengthMm: fc.double({ min: 40, max: 250, noNaN: true }),
    slimness: fc.double({ min: 0.5, max: 1, noNaN: true }),
  })
  .map(({ lengthMm, slimness }) => ({ lengthMm, widthMm: lengthMm * slimness }));

test('a 142 mm basket in a 150 mm hole: 4 mm all round; in a 140 mm hole it sticks out by 1 mm', () => {
  expect(outlineClearanceMm(circle(150), circle(142)).clearanceMm).toBe(4);
  expect(outlineClearanceMm(circle(140), circle(142)).clearanceMm).toBe(-1);
});

test('a round basket in an oval hole is tight across the hole', () => {
  const clearance = outlineClearanceMm({ lengthMm: 220, widthMm: 150 }, circle(140));
  expect(clearance.clearanceMm).toBeCloseTo(5, 9);
  expect(clearance.directionRad).toBeCloseTo(Math.PI / 2, 6);
});

/** Brute force without support functions: the least distance from points of the inner ellipse to points of the outer. */
function sampledDistance(
  outer: { lengthMm: number; widthMm: number },
  inner: { lengthMm: number; widthMm: number },
): number {
  const points = ({ lengthMm, widthMm }: typeof outer, count: number) =>
    Array.from({ length: count + 1 }, (_, index) => {
      const t = (index / count) * (Math.PI / 2);
      return [(lengthMm / 2) * Math.cos(t), (widthMm / 2) * Math.sin(t)] as const;
    });
  const outside = points(outer, 400);
  let least = Number.POSITIVE_INFINITY;
  for (const [x, y] of points(inner, 400))
    for (const [a, b] of outside) least = Math.min(least, Math.hypot(x - a, y - b));
  return least;
}

describe('properties', () => {
  test('inside, it is the distance between the two curves', () => {
    fc.assert(
      fc.property(
        oval,
        fc.double({ min: 0.5, max: 0.95, noNaN: true }),
        fc.double({ min: 0.6, max: 1, noNaN: true }),
        (outer, shrink, slim) => {
          const inner = {
            lengthMm: outer.lengthMm * shrink,
            widthMm: Math.min(outer.widthMm * shrink * slim, outer.lengthMm * shrink),
          };
          const { clearanceMm } = outlineClearanceMm(outer, inner);
          const sampled = sampledDistance(outer, inner);
          // The samples stand up to 0.5 mm apart, which lifts the sampled distance by less than 0.1 mm.
          expect(Math.abs(sampled - clearanceMm)).toBeLessThan(0.1);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('its sensitivities are those of finite differences', () => {
    fc.assert(
      fc.property(oval, oval, (outer, inner) => {
        const { clearanceMm, outer: slope } = outlineClearanceMm(outer, inner);
        const step = 1e-4;
        const moved = outlineClearanceMm({ ...outer, lengthMm: outer.lengthMm + step }, inner).clearanceMm;
        const numeric = (moved - clearanceMm) / step;
        // At a kink (the tight place jumps to the other axis) either slope is right.
        if (Math.abs(numeric - slope.lengthMm) > 1e-3) expect(numeric).toBeLessThanOrEqual(0.5 + 1e-6);
        else expect(numeric).toBeCloseTo(slope.lengthMm, 3);
      }),
      { numRuns: 100 },
    );
  });

  test('scaling everything scales the clearance', () => {
    fc.assert(
      fc.property(oval, oval, fc.double({ min: 0.5, max: 3, noNaN: true }), (outer, inner, factor) => {
        const scaled = (each: typeof outer) => ({ lengthMm: each.lengthMm * factor, widthMm: each.widthMm * factor });
        const { clearanceMm } = outlineClearanceMm(outer, inner);
        expect(outlineClearanceMm(scaled(outer), scaled(inner)).clearanceMm).toBeCloseTo(clearanceMm * factor, 6);
      }),
    );
  });
});
