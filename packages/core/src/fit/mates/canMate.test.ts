/** The quick refusal of two patterns against turning them: what it refuses must truly not mate. */
import { describe, expect, test } from '@jest/globals';
import type { BoltPattern } from '../../geometry/BoltPattern';
import { seededRandom } from '../../math/seededRandom';
import { LARGE_RULES } from '../../testing/largeCatalogue';
import { rectangular } from '../../uncertainty/Dimension';
import { marginVerdict } from '../../uncertainty/Margin';
import { canMate } from './canMate';
import { jointOf } from './joints';

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

const free = (...placesMm: (readonly [number, number])[]): BoltPattern => ({
  shape: {
    kind: 'free',
    holes: placesMm.map(([xMm, yMm]) => ({ kind: 'plain', xMm, yMm, slotMm: 0, slotRad: 0 })),
    position: rectangular(0, 0.2, 'catalogue'),
  },
  holeDiameterMm: 4,
  slotMm: 0,
  slotRuns: 'radial',
});

/** Circles, plain and slotted, rectangles, and holes drilled by eye, about 140 mm apart. */
function anyHoles(random: () => number, rangeMm: number): BoltPattern {
  const kind = random();
  const holeMm = 4 + 2 * random();
  if (kind < 0.4) return circle(140 + rangeMm * random(), 4, holeMm, random() < 0.5 ? 4 * random() : 0);
  if (kind < 0.7) return rectangle(100 + rangeMm * random(), 98 + rangeMm * random(), holeMm);
  const places = [0, 1, 2, 3].map((at): [number, number] => {
    const angle = (Math.PI / 2) * at + 0.05 * random();
    const radius = 70 + (rangeMm / 8) * random();
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  });
  return { ...free(...places), holeDiameterMm: holeMm };
}

const mateWhenTurned = (screws: BoltPattern, holes: BoltPattern) =>
  jointOf(screws, holes, LARGE_RULES).turns.some(
    ({ marginMm, expandedMm }) => marginVerdict({ valueMm: marginMm, expandedMm }) !== 'hits',
  );

describe('canMate', () => {
  test('circles of one size, and a slot that reaches the other', () => {
    expect(canMate(circle(160, 4, 4), circle(160, 4, 5), LARGE_RULES)).toBe(true);
    expect(canMate(circle(160, 4, 4), circle(156, 4, 4), LARGE_RULES)).toBe(false);
    expect(canMate(circle(160, 4, 4), circle(156, 4, 4, 5), LARGE_RULES)).toBe(true);
  });

  test('three quarters of four screws are enough, two thirds of three are not', () => {
    const threeOfFour = free([0, 60], [60, 0], [-60, 0], [30, -30]);
    expect(canMate(circle(120, 4, 4), threeOfFour, LARGE_RULES)).toBe(true);
    expect(canMate(circle(120, 3, 4), threeOfFour, LARGE_RULES)).toBe(false);
  });

  test('holes as far from the centre, but in other directions', () => {
    expect(canMate(circle(150, 4, 4), rectangle(106.07, 106.07, 5), LARGE_RULES)).toBe(true);
    expect(canMate(circle(150, 4, 4), rectangle(120, 90, 5), LARGE_RULES)).toBe(false);
    expect(canMate(circle(150, 3, 4), circle(150, 6, 5), LARGE_RULES)).toBe(true);
    expect(canMate(circle(150, 3, 4), circle(150, 4, 5), LARGE_RULES)).toBe(false);
  });

  test('a hole in the middle takes a screw from any direction that is near enough', () => {
    const middle = free([0, 0], [0, 0], [0, 0]);
    expect(canMate(circle(0.5, 3, 4), middle, LARGE_RULES)).toBe(true);
    expect(canMate(circle(20, 3, 4), middle, LARGE_RULES)).toBe(false);
  });

  test('refuses nothing that mates when it is turned, and most of what does not', () => {
    const random = seededRandom(5);
    let refused = 0;
    let mated = 0;
    for (let each = 0; each < 250; each++) {
      const screws = circle(140 + 10 * random(), random() < 0.5 ? 3 : 4, 4);
      const holes = anyHoles(random, 10);
      if (mateWhenTurned(screws, holes)) {
        mated++;
        expect(canMate(screws, holes, LARGE_RULES)).toBe(true);
      } else if (!canMate(screws, holes, LARGE_RULES)) refused++;
    }
    expect(mated).toBeGreaterThan(15);
    expect(refused / (250 - mated)).toBeGreaterThan(0.9);
  });
});
