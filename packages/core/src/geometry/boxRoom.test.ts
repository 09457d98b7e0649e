/** Boxes in a space, against what is worked out by hand and against arrangements that are known to fit. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type BoxSides, boxRoom } from './boxRoom';

const box = (lengthMm: number, widthMm: number, heightMm: number): BoxSides => ({ lengthMm, widthMm, heightMm });
const side = fc.integer({ min: 20, max: 400 });
const anyBox = fc.tuple(side, side, side).map(([a, b, c]) => box(a, b, c));

test('one box is turned as it goes in best, and its tightest side counts', () => {
  expect(boxRoom([box(120, 80, 38)], box(90, 40, 200))).toEqual({ foundMm: 2, atMostMm: 2 });
  expect(boxRoom([box(120, 80, 38)], box(90, 36, 200))).toEqual({ foundMm: -2, atMostMm: -2 });
});

test('which side of either is written first says nothing', () => {
  fc.assert(
    fc.property(anyBox, anyBox, ({ lengthMm, widthMm, heightMm }, space) => {
      expect(boxRoom([box(heightMm, lengthMm, widthMm)], space)).toEqual(
        boxRoom([box(lengthMm, widthMm, heightMm)], space),
      );
    }),
  );
});

describe('several', () => {
  test('lie one on the other, or side by side, as leaves most; by hand', () => {
    // Two of 120 × 80 × 38 in 130 × 90 × 80: one on the other, (80 − 2 × 38) / 2.
    const { foundMm } = boxRoom([box(120, 80, 38), box(120, 80, 38)], box(130, 90, 80));
    expect(foundMm).toBeCloseTo(2, 2);
    // Lower by half, they would have to lie side by side, and each is half too wide.
    expect(boxRoom([box(120, 80, 38), box(120, 80, 38)], box(130, 90, 40)).foundMm).toBeCloseTo(-18, 2);
  });

  test('a space that was filled exactly has no millimetre left, whatever order they are told in', () => {
    // A wall of 300 × 200 × 100, cut three times.
    const pieces = [box(300, 120, 100), box(180, 80, 100), box(120, 80, 60), box(120, 80, 40)];
    for (const order of [pieces, pieces.toReversed()]) {
      const { foundMm, atMostMm } = boxRoom(order, box(300, 200, 100));
      expect(foundMm).toBeCloseTo(0, 2);
      expect(atMostMm).toBeGreaterThanOrEqual((foundMm as number) - 1e-6);
    }
  });

  test('cut from one space by walls, they go back into it', () => {
    fc.assert(
      fc.property(
        anyBox,
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        (space, first, second) => {
          const { lengthMm, widthMm, heightMm } = space;
          const rest = lengthMm * (1 - first);
          const pieces = [
            box(heightMm, lengthMm * first, widthMm),
            box(rest, widthMm * second, heightMm),
            box(heightMm, widthMm * (1 - second), rest),
          ];
          expect(boxRoom(pieces, space).foundMm).toBeGreaterThan(-0.01);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('what one of them, or all together, forbid no arrangement finds', () => {
    fc.assert(
      fc.property(fc.array(anyBox, { minLength: 2, maxLength: 3 }), anyBox, (boxes, space) => {
        const { foundMm, atMostMm } = boxRoom(boxes, space);
        expect(foundMm).toBeLessThanOrEqual(atMostMm + 1e-6);
        for (const each of boxes)
          expect(foundMm).toBeLessThanOrEqual((boxRoom([each], space).foundMm as number) + 1e-6);
      }),
      { numRuns: 60 },
    );
  });

  test('of more than four only what they take is told', () => {
    const five = Array.from({ length: 5 }, () => box(100, 50, 20));
    expect(boxRoom(five, box(400, 400, 400))).toEqual({ foundMm: null, atMostMm: expect.any(Number) });
    expect(boxRoom(five, box(100, 50, 99)).atMostMm).toBeLessThan(0);
  });
});
