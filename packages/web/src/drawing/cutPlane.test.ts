/** Cuts against plain geometry: what a saw through the door would show. */
import { describe, expect, test } from '@jest/globals';
import type { FitObstacle } from '@low-quarry/core/fit/shapes';
import { CENTRED } from '@low-quarry/core/geometry/PlacedBody';
import { exact, rodAt } from '@low-quarry/core/testing/shapes';
import { cutBody, cutObstacle, cutSheet, isInPlane, planeThrough, ringChord, toDrawing } from './cutPlane';

const UPRIGHT = { angleRad: Math.PI / 2 };
const LEVEL = { angleRad: 0 };
const extent = (values: readonly number[]) => [Math.min(...values), Math.max(...values)].map((each) => each + 0);

describe('a body', () => {
  const rings = Float64Array.of(0, 70, 50, 60, 40, 30);

  test('upright the width shows, level the length', () => {
    expect(extent(cutBody(rings, CENTRED, UPRIGHT).map(({ y }) => y))[1]).toBeCloseTo(50, 9);
    expect(extent(cutBody(rings, CENTRED, LEVEL).map(({ y }) => y))[1]).toBeCloseTo(70, 9);
    expect(extent(cutBody(rings, { ...CENTRED, angleRad: Math.PI / 2 }, UPRIGHT).map(({ y }) => y))[1]).toBeCloseTo(
      70,
      9,
    );
  });

  test('raised, it starts in front of the metal', () => {
    expect(extent(cutBody(rings, { ...CENTRED, raisedMm: 6 }, UPRIGHT).map(({ x }) => x))).toEqual([-6, 54]);
  });

  test('beside the cut a chord is left, and at last nothing', () => {
    const chord = ringChord(50, 50, { xMm: 30, yMm: 0, angleRad: 0 }, UPRIGHT);
    expect(chord?.to).toBeCloseTo(40, 9);
    expect(chord?.from).toBeCloseTo(-40, 9);
    expect(ringChord(50, 50, { xMm: 51, yMm: 0, angleRad: 0 }, UPRIGHT)).toBeNull();
  });
});

describe('a sheet', () => {
  const sheet = { c0: 70, c1: 0.1, c2: -0.2, c3: 0, lowerEdgeMm: -20 };

  test('leans in the cut by as much as along it', () => {
    const up = cutSheet(sheet, UPRIGHT, -100, 100);
    expect(up.at(-1)?.x).toBeCloseTo(70 - 0.2 * 100, 9);
    expect(Math.max(...up.map(({ y }) => y))).toBeLessThanOrEqual(20 + 1e-9);
    const level = cutSheet(sheet, LEVEL, -100, 100);
    expect(level[0]?.x).toBeCloseTo(60, 9);
    expect(level.at(-1)?.x).toBeCloseTo(80, 9);
  });
});

describe('an obstacle', () => {
  const beam = rodAt({ xMm: 0, yMm: -40, depth: exact(50), diameterMm: 30 });

  test('a level beam shows its round section, its nearest place where it was measured', () => {
    const points = cutObstacle(beam, UPRIGHT);
    const [near, far] = extent(points.map(({ x }) => x));
    expect(near).toBeCloseTo(50, 6);
    expect(far).toBeCloseTo(80, 6);
    const [top, bottom] = extent(points.map(({ y }) => y));
    expect(((top ?? 0) + (bottom ?? 0)) / 2).toBeCloseTo(40, 6);
  });

  test('cut aslant it is longer by the cosine', () => {
    const aslant = cutObstacle({ ...beam, angleRad: Math.PI / 3 }, UPRIGHT);
    const [top = 0, bottom = 0] = extent(aslant.map(({ y }) => y));
    expect(bottom - top).toBeCloseTo(30 / Math.cos(Math.PI / 3), 1);
  });

  test('along its own axis a strip, and nothing where the cut passes by', () => {
    expect(cutObstacle({ ...beam, yMm: 0 }, LEVEL)).toHaveLength(4);
    expect(cutObstacle(beam, LEVEL)).toEqual([]);
  });

  test('a box shows the rectangle that lies in the cut', () => {
    const shape = { kind: 'box', lengthMm: 80, widthMm: 20, thicknessMm: 10 } as const;
    const box: FitObstacle = { ...beam, shape };
    const points = cutObstacle(box, UPRIGHT);
    expect(extent(points.map(({ x }) => x)).map((each) => Math.round(each * 1e6) / 1e6)).toEqual([50, 60]);
    expect(extent(points.map(({ y }) => y)).map((each) => Math.round(each * 1e6) / 1e6)).toEqual([30, 50]);
    expect(cutObstacle({ ...box, xMm: 60 }, UPRIGHT)).toEqual([]);
  });
});

describe('the cut through a place', () => {
  test('shows it, whichever side of the axis it lies on', () => {
    for (const place of [
      [30, 40, 20],
      [-30, -40, 20],
      [-50, 1, 0],
    ] as const) {
      const plane = planeThrough(place);
      expect(plane && isInPlane(plane, place)).toBe(true);
      expect(plane?.angleRad).toBeGreaterThanOrEqual(0);
      expect(plane?.angleRad).toBeLessThan(Math.PI + 1e-9);
    }
    expect(toDrawing({ angleRad: Math.atan2(40, 30) }, [30, 40, 20])).toEqual({ x: 20, y: -50 });
  });

  test('on the axis any cut serves', () => {
    expect(planeThrough([0.5, -0.5, 60])).toBeNull();
  });
});
