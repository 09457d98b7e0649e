import { describe, expect, test } from '@jest/globals';
import { exactly } from '../uncertainty/Dimension';
import {
  type BoltPattern,
  enoughScrews,
  type FreeHole,
  type HoleMm,
  mapPattern,
  patternDimensions,
  patternHoles,
} from './BoltPattern';
import { landingStretches } from './landingTurns';

const best = (screws: readonly HoleMm[], holes: readonly HoleMm[], playMm: number) =>
  landingStretches({ screws, holes, playMm, enough: screws.length })[0]?.best;

const circle = (slotRuns: BoltPattern['slotRuns'], slotMm: number): BoltPattern => ({
  shape: { kind: 'circle', count: 4, diameter: exactly(160, 'catalogue'), firstAngleRad: 0 },
  holeDiameterMm: 5,
  slotMm,
  slotRuns,
});
const free = (holes: readonly FreeHole[]): BoltPattern => ({
  shape: { kind: 'free', holes, position: { ...exactly(0, 'takenHere'), uncertaintyMm: 0.5 } },
  holeDiameterMm: 5,
  slotMm: 0,
  slotRuns: 'radial',
});
const hole = (xMm: number, yMm: number, kind: FreeHole['kind'] = 'plain', slotMm = 0, slotRad = 0): FreeHole => ({
  xMm,
  yMm,
  kind,
  slotMm,
  slotRad,
});
const rounded = (pattern: BoltPattern) =>
  patternHoles(pattern).map((each) => Object.values(each).map((value) => Math.round(value * 1000) / 1000 + 0));

describe('where the holes are', () => {
  test('on a circle, from its first angle on, with slots towards the centre or around it', () => {
    expect(rounded(circle('radial', 6))[0]).toEqual([80, 0, 3, 0]);
    expect(rounded(circle('radial', 6))[1]).toEqual([0, 80, 0, 3]);
    expect(rounded(circle('tangential', 6))[0]).toEqual([80, 0, 0, 3]);
  });

  test('at the corners of a rectangle', () => {
    const rectangle: BoltPattern = {
      ...circle('radial', 0),
      shape: { kind: 'rectangle', width: exactly(120, 'catalogue'), height: exactly(70, 'catalogue') },
    };
    expect(rounded(rectangle).map(([x, y]) => [x, y])).toEqual([
      [60, 35],
      [-60, 35],
      [-60, -35],
      [60, -35],
    ]);
  });

  test('anywhere; a traced pattern is in doubt outwards', () => {
    const pattern = free([hole(60, 0), hole(-30, 40)]);
    expect(patternHoles(pattern, [1]).map(({ xMm, yMm }) => [xMm, yMm])).toEqual([
      [61, 0],
      [-30.6, 40.8],
    ]);
    expect(patternDimensions(pattern.shape).map(({ key }) => key)).toEqual(['boltPosition']);
  });
});

test('a keyhole holds a screw anywhere along its neck and nowhere else', () => {
  const screws = patternHoles(free([hole(80, 0), hole(-80, 0)]));
  const keyed = (slotMm: number) =>
    patternHoles(free([hole(82, 0, 'keyhole', slotMm, 0), hole(-82, 0, 'keyhole', slotMm, Math.PI)]));
  expect(best(screws, keyed(6), 0.5)?.landed).toBe(2);
  // A neck of 2 mm reaches 1 mm to each side of its middle: the screw stands 1 mm beyond.
  expect(best(screws, keyed(2), 0.5)).toMatchObject({ landed: 0, worstMm: expect.closeTo(1, 9) });
});

test('a slot in another direction does not help', () => {
  const screws = patternHoles(free([hole(80, 0), hole(-80, 0)]));
  const crosswise = patternHoles(free([hole(83, 0, 'slot', 6, Math.PI / 2), hole(-83, 0, 'slot', 6, Math.PI / 2)]));
  expect(best(screws, crosswise, 0.5)?.landed).toBe(0);
});

test('each length can be replaced by its name', () => {
  const wider = mapPattern(circle('radial', 0), (key, dimension) => ({
    ...dimension,
    valueMm: key === 'boltCircle' ? dimension.valueMm + 4 : Number.NaN,
  }));
  expect(patternHoles(wider)[0]?.xMm).toBe(82);
});

test.each([
  [2, 2],
  [3, 3],
  [4, 3],
  [5, 4],
  [8, 6],
])('of %d screws %d are enough', (count, enough) => {
  expect(enoughScrews(count)).toBe(enough);
});
