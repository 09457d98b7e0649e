/** Bounds of moves: never less than what a margin really moves by, and Infinity where more than a length changed. */
import { describe, expect, test } from '@jest/globals';
import { sheetDepthMm } from '../../geometry/glassSheet';
import { largeVehicle } from '../../testing/largeCatalogue';
import type { Dimension } from '../../uncertainty/Dimension';
import type { FitOpening } from '../shapes';
import { sheetFit } from '../sheetFit';
import { behindMoved, frontShiftMm, holeMoved, obstaclesMoved } from './openingMoves';

const ANYTHING = { up: Number.POSITIVE_INFINITY, down: Number.POSITIVE_INFINITY };

const door = largeVehicle()[0] as FitOpening;
const mm = (valueMm: number, uncertaintyMm = 0.2): Dimension => ({
  valueMm,
  uncertaintyMm,
  degreesOfFreedom: null,
  origin: 'takenHere',
});

describe('hole', () => {
  const circle = (diameter: Dimension | null): FitOpening => ({ ...door, hole: { kind: 'circle', diameter } });
  const oval = (length: number, width: number): FitOpening => ({
    ...door,
    hole: { kind: 'oval', length: mm(length), width: mm(width) },
  });

  test('an edge moves by half of what the diameter does', () => {
    expect(holeMoved(circle(mm(146)), circle(mm(149)))).toEqual({ up: 1.5, down: 0 });
    expect(holeMoved(circle(mm(149)), circle(mm(146)))).toEqual({ up: 0, down: 1.5 });
    expect(holeMoved(oval(220, 150), oval(216, 151))).toEqual({ up: 0.5, down: 2 });
    expect(holeMoved(oval(220, 150), oval(221, 151))).toEqual({ up: 0.5, down: 0 });
  });

  test('a rounded rectangle moves with its sides and its corners', () => {
    const rounded = (length: number, width: number, cornerRadiusMm: number): FitOpening => ({
      ...door,
      hole: { kind: 'roundedRectangle', length: mm(length), width: mm(width), cornerRadiusMm },
    });
    expect(holeMoved(rounded(200, 120, 20), rounded(202, 119, 25))).toEqual({ up: 1.5 + 5, down: 1.5 + 5 });
  });

  test.each([
    ['measured for the first time', circle(null), circle(mm(146))],
    ['read with another instrument', circle(mm(146)), circle(mm(146, 0.5))],
    ['another shape', circle(mm(146)), oval(146, 146)],
    ['another metal', circle(mm(146)), { ...circle(mm(146)), material: 'plastic' as const }],
  ])('%s: anything may have happened', (_, before, now) => {
    expect(holeMoved(before, now as FitOpening)).toEqual(ANYTHING);
  });
});

describe('what stands behind', () => {
  const read = (centreMm: number, topMm: number): FitOpening => ({
    ...door,
    lowerEdge: null,
    depths: door.depths.map((each, at) => ({
      ...each,
      depth: { ...each.depth, valueMm: at === 0 ? centreMm : topMm },
    })),
  });

  test.each([
    ['one reading deeper, the other nearer', read(68.75, 60.5)],
    ['both deeper', read(69, 61.5)],
    ['both nearer', read(67.5, 60.75)],
  ])('%s: the bounds are the greatest moves within reach, to rounding', (_, now) => {
    const before = read(68, 61);
    const [a, b] = [sheetFit(before)?.sheet, sheetFit(now)?.sheet];
    if (!a || !b) throw new Error('expected two sheets');
    let [up, down] = [0, 0];
    for (let x = -120; x <= 120; x += 10) {
      for (let y = -120; y <= 120; y += 2) {
        const off = sheetDepthMm(b, x, y) - sheetDepthMm(a, x, y);
        up = Math.max(up, off);
        down = Math.max(down, -off);
      }
    }
    const bound = behindMoved(before, now, 120);
    expect(up + down).toBeGreaterThan(0.7);
    expect(bound.up - up).toBeGreaterThanOrEqual(-1e-9);
    expect(bound.down - down).toBeGreaterThanOrEqual(-1e-9);
    expect(bound.up - up + bound.down - down).toBeLessThan(1e-6);
  });

  test('a window that ends within reach: as far either way', () => {
    const bound = behindMoved(door, { ...read(68.75, 61.75), lowerEdge: door.lowerEdge }, 120);
    expect(bound.up).toBeGreaterThan(0.7);
    expect(bound.down).toBe(bound.up);
  });

  test('one reading more, another lower edge or nothing read: anything', () => {
    const more = { ...door, depths: [...door.depths, { key: 'depthRight', xMm: 60, yMm: 0, depth: mm(66) }] };
    for (const other of [more, { ...door, lowerEdge: mm(-30) }, { ...door, depths: [] }]) {
      expect(behindMoved(door, other, 120)).toEqual(ANYTHING);
    }
  });
});

describe('obstacles and front', () => {
  const beam = (change: object): FitOpening => ({
    ...door,
    obstacles: door.obstacles.map((each) => ({ ...each, ...change })),
  });
  const [first] = door.obstacles;

  test('a beam moves by the length of its move', () => {
    if (!first) throw new Error('expected a beam');
    const depth = { ...first.depth, valueMm: first.depth.valueMm + 3 };
    expect(obstaclesMoved(door, beam({ depth, xMm: first.xMm + 4 }))).toEqual({ up: 5, down: 5 });
  });

  test('turned, thicker or gone: anything', () => {
    for (const other of [
      beam({ angleRad: 1 }),
      beam({ shape: { kind: 'rod', diameterMm: 40 } }),
      { ...door, obstacles: [] },
    ]) {
      expect(obstaclesMoved(door, other)).toEqual(ANYTHING);
    }
  });

  test('the front moves with its sign', () => {
    const narrower = { ...door, frontGap: door.frontGap && { ...door.frontGap, valueMm: 20 } };
    expect(frontShiftMm(door, narrower)).toBe(-2);
    expect(frontShiftMm(narrower, door)).toBe(2);
    expect(frontShiftMm(door, { ...door, frontGap: null })).toBeNaN();
  });
});
