/** The quick refusal of two patterns against turning them: what it refuses must truly not mate. */
import { describe, expect, test } from '@jest/globals';
import type { BoltPattern } from '../../geometry/BoltPattern';
import { seededRandom } from '../../math/seededRandom';
import { LARGE_RULES } from '../../testing/largeCatalogue';
import { rectangular } from '../../uncertainty/Dimension';
import { boltJoint } from '../boltJoint';
import { mates } from '../stackSearch';
import { canMate, leastMissMm } from './canMate';

const circle = (diameterMm: number, count: number, holeDiameterMm: number, slotMm = 0): BoltPattern => ({
  shape: { kind: 'circle', count, diameter: rectangular(diameterMm, 0.2, 'takenHere'), firstAngleRad: 0.3 },
  holeDiameterMm,
  slotMm,
  slotRuns: 'radial',
});
const rectangle = (widthMm: number, heightMm: number, holeDiameterMm: number): BoltPattern => ({
  shape: {
    kind: 'rectangle',
    width: rectangular(widthMm, 0.2, 'takenHere'),
    height: rectangular(heightMm, 0.2, 'takenHere'),
  },
  holeDiameterMm,
  slotMm: 0,
  slotRuns: 'radial',
});

const turned = (screws: BoltPattern, holes: BoltPattern) =>
  boltJoint(screws, holes, { screws: 'opening.', holes: 'speaker.' });
const mateWhenTurned = (screws: BoltPattern, holes: BoltPattern) =>
  mates(turned(screws, holes), LARGE_RULES.confidence);

describe('canMate', () => {
  test('circles of one size, and a slot that reaches the other', () => {
    expect(canMate(circle(160, 4, 4), circle(160, 4, 5), LARGE_RULES)).toBe(true);
    expect(canMate(circle(160, 4, 4), circle(156, 4, 4), LARGE_RULES)).toBe(false);
    expect(canMate(circle(160, 4, 4), circle(156, 4, 4, 5), LARGE_RULES)).toBe(true);
  });

  test('three quarters of four screws are enough, two thirds of three are not', () => {
    const pair = rectangle(120, 90, 5);
    expect(canMate(circle(150, 4, 4), pair, LARGE_RULES)).toBe(true);
    expect(canMate(circle(150, 3, 4), rectangle(150, 0.001, 5), LARGE_RULES)).toBe(true);
    expect(canMate(circle(150, 3, 4), rectangle(140, 20, 5), LARGE_RULES)).toBe(false);
  });

  test('refuses nothing that mates when it is turned', () => {
    const random = seededRandom(5);
    let refused = 0;
    let mated = 0;
    for (let each = 0; each < 150; each++) {
      const screws = circle(140 + 10 * random(), random() < 0.5 ? 3 : 4, 4);
      const holes =
        random() < 0.5
          ? circle(140 + 10 * random(), 4, 4 + 2 * random(), random() < 0.5 ? 4 * random() : 0)
          : rectangle(100 + 8 * random(), 98 + 8 * random(), 4 + 2 * random());
      if (mateWhenTurned(screws, holes)) {
        mated++;
        expect(canMate(screws, holes, LARGE_RULES)).toBe(true);
      } else if (!canMate(screws, holes, LARGE_RULES)) refused++;
    }
    expect(mated).toBeGreaterThan(10);
    expect(refused).toBeGreaterThan(40);
  });
});

describe('leastMissMm', () => {
  test('two circles miss by the difference of their radii, less the tolerance', () => {
    expect(leastMissMm(circle(160, 4, 4), circle(150, 4, 5))).toBeCloseTo(0.5 - 5, 9);
    expect(leastMissMm(circle(160, 4, 4), circle(150, 4, 4, 4))).toBeCloseTo(-3, 9);
  });

  test('one of four screws may miss by any length', () => {
    const free: BoltPattern = {
      shape: {
        kind: 'free',
        holes: [
          { kind: 'plain', xMm: 60, yMm: 0, slotMm: 0, slotRad: 0 },
          { kind: 'plain', xMm: 0, yMm: 60, slotMm: 0, slotRad: 0 },
          { kind: 'plain', xMm: -62, yMm: 0, slotMm: 0, slotRad: 0 },
          { kind: 'plain', xMm: 0, yMm: -90, slotMm: 0, slotRad: 0 },
        ],
        position: rectangular(0, 0.2, 'catalogue'),
      },
      holeDiameterMm: 4,
      slotMm: 0,
      slotRuns: 'radial',
    };
    expect(leastMissMm(free, circle(120, 4, 4))).toBeCloseTo(-2, 9);
  });

  test('no turn misses by less', () => {
    const random = seededRandom(9);
    let tight = 0;
    for (let each = 0; each < 120; each++) {
      const screws = circle(130 + 30 * random(), random() < 0.5 ? 3 : 4, 4);
      const holes =
        random() < 0.5
          ? circle(130 + 30 * random(), 4, 4 + 2 * random(), random() < 0.5 ? 4 * random() : 0)
          : rectangle(90 + 30 * random(), 80 + 40 * random(), 4 + 2 * random());
      const { valueMm } = turned(screws, holes).margin;
      const atMostMm = leastMissMm(screws, holes);
      expect(valueMm).toBeLessThanOrEqual(atMostMm + 1e-9);
      if (atMostMm - valueMm < 0.5) tight++;
    }
    expect(tight).toBeGreaterThan(15);
  });
});
