/** Rooms of rectangles against points sampled along both edges. */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../math/seededRandom';
import { type OutlineMm, polygonPoints } from './Outline';
import { type RectangleMm, rectangleCorners, rectangleRoom } from './rectangleRoom';

const CENTRE = { xMm: 0, yMm: 0, angleRad: 0 };
const rectangle = (xMm: number, yMm: number, length: number, width: number, angleRad = 0): RectangleMm => ({
  xMm,
  yMm,
  angleRad,
  halfLengthMm: length / 2,
  halfWidthMm: width / 2,
});

/** A round hole of 152 mm with a tab of 8 mm that comes in to 59.5 mm from the middle. */
const TABBED: OutlineMm = {
  kind: 'polygon',
  edgeOffset: 0,
  corners: [
    [76, -4],
    [59.5, -4],
    [59.5, 4],
    [76, 4],
    ...Array.from({ length: 31 }, (_, at) => {
      const angle = 0.2 + ((2 * Math.PI - 0.4) * at) / 30;
      return [76 * Math.cos(angle), 76 * Math.sin(angle)];
    }),
  ].map(([xMm = 0, yMm = 0]) => ({ xMm, yMm, bulgeMm: 0 })),
};

describe('worked cases', () => {
  test('in a circle the corner is nearest: 50 − √(30² + 10²)', () => {
    const { roomMm } = rectangleRoom({ kind: 'circle', diameter: 100 }, CENTRE, rectangle(20, 0, 20, 20));
    expect(roomMm).toBeCloseTo(50 - Math.hypot(30, 10), 9);
  });

  test('beside a tab the middle of the side is nearest: 59.5 − 58', () => {
    const { roomMm, xMm, nx, outer } = rectangleRoom(TABBED, CENTRE, rectangle(44, 0, 28, 40));
    expect(roomMm).toBeCloseTo(1.5, 9);
    expect([xMm, nx]).toEqual([expect.closeTo(58, 9), expect.closeTo(1, 9)]);
    expect(outer).toEqual([1]);
  });

  test('a tab that reaches into it: as deep as it does', () => {
    expect(rectangleRoom(TABBED, CENTRE, rectangle(50, 0, 28, 40)).roomMm).toBeCloseTo(59.5 - 64, 3);
  });

  test('a throat that is turned and off centre is asked in its own frame', () => {
    const frame = { xMm: 10, yMm: -5, angleRad: 0.7 };
    const at = rectangle(12, -3, 20, 10, 1.1);
    const [dx, dy] = [at.xMm - frame.xMm, at.yMm - frame.yMm];
    const own = rectangle(
      dx * Math.cos(0.7) + dy * Math.sin(0.7),
      dy * Math.cos(0.7) - dx * Math.sin(0.7),
      20,
      10,
      1.1 - 0.7,
    );
    const oval: OutlineMm = { kind: 'oval', length: 120, width: 60 };
    expect(rectangleRoom(oval, frame, at).roomMm).toBeCloseTo(rectangleRoom(oval, CENTRE, own).roomMm, 9);
  });
});

test('in 120 random tabbed holes: as near as the nearest of points along both edges, where they are apart', () => {
  const random = seededRandom(3);
  const along = (corners: readonly (readonly [number, number])[], step: number) =>
    corners.flatMap(([x1, y1], index) => {
      const [x2, y2] = corners[(index + 1) % corners.length] as readonly [number, number];
      const count = Math.ceil(Math.hypot(x2 - x1, y2 - y1) / step);
      return Array.from(
        { length: count },
        (_, at) => [x1 + ((x2 - x1) * at) / count, y1 + ((y2 - y1) * at) / count] as const,
      );
    });
  const edge = along(polygonPoints(TABBED as Extract<OutlineMm, { kind: 'polygon' }>), 0.5);
  let apart = 0;
  for (let each = 0; each < 120; each++) {
    const at = rectangle(
      80 * (random() - 0.5),
      80 * (random() - 0.5),
      5 + 40 * random(),
      5 + 40 * random(),
      6 * random(),
    );
    const { roomMm } = rectangleRoom(TABBED, CENTRE, at);
    const own = along(rectangleCorners(at), 0.5);
    let sampled = Number.POSITIVE_INFINITY;
    for (const [x, y] of own) for (const [ex, ey] of edge) sampled = Math.min(sampled, (ex - x) ** 2 + (ey - y) ** 2);
    sampled = Math.sqrt(sampled);
    if (roomMm > 0) {
      apart++;
      expect(Math.abs(sampled - roomMm)).toBeLessThan(0.3);
      expect(roomMm).toBeLessThanOrEqual(sampled + 1e-9);
    } else expect(sampled).toBeLessThan(0.6 - roomMm);
  }
  expect(apart).toBeGreaterThan(20);
});
