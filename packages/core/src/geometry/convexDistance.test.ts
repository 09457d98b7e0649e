/**
 * Distances of convex solids against closed forms: boxes along the axes (gap by coordinates, after Ericson, Real-Time
 * Collision Detection, 5.1.3, from memory), and what no solid may change: order, place, turn.
 */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../math/seededRandom';
import { type BoxSolid, boxSolid } from './ConvexSolid';
import { convexDistance } from './convexDistance';
import { add, dot, length, scale, subtract, unit, type Vec3 } from './vector';

const AXES: BoxSolid['axes'] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

function randomBox(random: () => number): BoxSolid {
  const between = (low: number, high: number) => low + (high - low) * random();
  return {
    middle: [between(-40, 40), between(-40, 40), between(-40, 40)],
    axes: AXES,
    halfSizeMm: [between(2, 30), between(2, 30), between(2, 30)],
  };
}

/** Positive: the straight distance. Negative: the least way out along an axis. */
function alongAxes(a: BoxSolid, b: BoxSolid): number {
  const gaps = [0, 1, 2].map(
    (axis) =>
      Math.abs((a.middle[axis] ?? 0) - (b.middle[axis] ?? 0)) - (a.halfSizeMm[axis] ?? 0) - (b.halfSizeMm[axis] ?? 0),
  );
  const apart = Math.hypot(...gaps.map((gap) => Math.max(0, gap)));
  return apart > 0 ? apart : Math.max(...gaps);
}

/** Both boxes turned alike and moved alike. */
function moved(box: BoxSolid, by: Vec3, angle: number): BoxSolid {
  const turn = ([x, y, z]: Vec3): Vec3 => [
    x * Math.cos(angle) - z * Math.sin(angle),
    y,
    x * Math.sin(angle) + z * Math.cos(angle),
  ];
  return { ...box, middle: add(turn(box.middle), by), axes: [turn(box.axes[0]), turn(box.axes[1]), turn(box.axes[2])] };
}

const pairs = Array.from({ length: 120 }, (_, seed) => {
  const random = seededRandom(seed + 1);
  return [randomBox(random), randomBox(random)] as const;
});

describe('two boxes along the axes', () => {
  test('apart and overlapping, as their coordinates say', () => {
    let apart = 0;
    for (const [a, b] of pairs) {
      const expected = alongAxes(a, b);
      if (expected > 0) apart++;
      expect(convexDistance(boxSolid(a), boxSolid(b)).distanceMm).toBeCloseTo(expected, 3);
    }
    expect(apart).toBeGreaterThan(30);
    expect(apart).toBeLessThan(110);
  });

  test('the nearest points lie on both, in the direction and as far apart as it is said', () => {
    for (const [a, b] of pairs.filter((pair) => alongAxes(...pair) > 0.5)) {
      const { distanceMm, direction, onFirst, onSecond } = convexDistance(boxSolid(a), boxSolid(b));
      expect(length(subtract(onSecond, onFirst))).toBeCloseTo(distanceMm, 6);
      expect(dot(subtract(onSecond, onFirst), direction)).toBeCloseTo(distanceMm, 6);
      for (const [box, point] of [
        [a, onFirst],
        [b, onSecond],
      ] as const) {
        const off = subtract(point, box.middle);
        off.forEach((each, axis) => {
          expect(Math.abs(each)).toBeLessThanOrEqual((box.halfSizeMm[axis] ?? 0) + 1e-6);
        });
      }
    }
  });
});

describe('what changes nothing', () => {
  test('which of the two comes first', () => {
    for (const [a, b] of pairs.slice(0, 40)) {
      const there = convexDistance(boxSolid(a), boxSolid(b)).distanceMm;
      expect(convexDistance(boxSolid(b), boxSolid(a)).distanceMm).toBeCloseTo(there, 3);
    }
  });

  test('moving and turning both together', () => {
    pairs.slice(0, 40).forEach(([a, b], at) => {
      const there = convexDistance(boxSolid(a), boxSolid(b)).distanceMm;
      const [c, d] = [moved(a, [31, -7, 12], at), moved(b, [31, -7, 12], at)];
      expect(convexDistance(boxSolid(c), boxSolid(d)).distanceMm).toBeCloseTo(there, 3);
    });
  });

  test('drawn apart along the direction, the distance grows by as much', () => {
    for (const [a, b] of pairs.filter((pair) => alongAxes(...pair) > 0.5).slice(0, 20)) {
      const { distanceMm, direction } = convexDistance(boxSolid(a), boxSolid(b));
      const farther = { ...b, middle: add(b.middle, scale(unit(direction), 5)) };
      expect(convexDistance(boxSolid(a), boxSolid(farther)).distanceMm).toBeCloseTo(distanceMm + 5, 6);
    }
  });
});
