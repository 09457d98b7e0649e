/** Plates of one's own: what they must let through, cover and leave, measured by places sampled on their edges. */

import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { patternHoles } from '../../geometry/BoltPattern';
import { fuzzed } from '../../testing/fuzzed';
import { circlePattern, exact, FLAT, opening, RULES, speaker } from '../../testing/shapes';
import { judgeCandidate } from '../judgeCandidate';
import type { FitBracket, FitOpening, FitRules, FitSpeaker } from '../shapes';
import { ownPlates, plateFrom } from './ownPlate';
import type { PlateFigures } from './Work';

const SHOP: FitRules = {
  ...RULES,
  stock: [12, 6].map((thicknessMm) => ({ thicknessMm, halfWidthMm: 0.3, ringCostMinor: 1500 })),
};

function cut(at: FitOpening, what: FitSpeaker, figures: PlateFigures): FitBracket {
  const plate = plateFrom(at, what, figures, SHOP);
  if (!plate) throw new Error('expected a plate of sheet that is in stock');
  return plate;
}
const { wall, hole, cover } = SHOP.clearancesMm;

test('between three screws and four, thinnest sheet first; both joints line up, and what was hopeless clears', () => {
  const at = opening({ bolts: circlePattern(3, exact(176), 4), frontGap: exact(40) });
  const what = speaker({ mountingDepth: exact(50) });
  expect(
    judgeCandidate(at, { speaker: what, layers: [] }, [], SHOP).checks.find(({ id }) => id === 'bolts')?.verdict,
  ).toBe('hits');
  const plates = ownPlates(at, what, SHOP);
  expect(plates.map(({ thicknessMm }) => thicknessMm)[0]).toBe(6);
  const [first] = plates;
  if (!first) throw new Error('expected a plate');
  const judged = judgeCandidate(at, { speaker: what, layers: [cut(at, what, first)] }, [], SHOP).checks;
  for (const id of ['hole', 'bolts', 'cover', 'front', 'depth'])
    expect([id, judged.find((check) => check.id === id)?.verdict]).toEqual([id, 'clears']);
  // A head of 8 on a circle of 176 reaches under a flange of 165.
  expect(first.isSunk).toBe(false);
  expect(ownPlates(opening({ bolts: circlePattern(3, exact(168), 4) }), what, SHOP)[0]?.isSunk).toBe(true);
});

test('where the screws stand in the throat, or nobody measured them, there is none', () => {
  expect(ownPlates(opening({ bolts: circlePattern(3, exact(140), 4) }), speaker(), SHOP)).toEqual([]);
  expect(ownPlates(opening({ bolts: null }), speaker(), SHOP)).toEqual([]);
  expect(ownPlates(opening({ bolts: circlePattern(3, exact(176), 4) }), speaker(), { ...SHOP, stock: [] })).toEqual([]);
});

test('a plate of sheet that is not in stock any more is none', () => {
  const at = opening({ bolts: circlePattern(3, exact(176), 4) });
  const [first] = ownPlates(at, speaker(), SHOP);
  if (!first) throw new Error('expected a plate');
  expect(plateFrom(at, speaker(), first, SHOP)?.height.valueMm).toBe(6);
  expect(plateFrom(at, speaker(), first, { ...SHOP, stock: [] })).toBeNull();
  expect(plateFrom({ bolts: null }, speaker(), first, SHOP)).toBeNull();
});

test('every wall is as wide as the shop asks, by distances to sampled edges', () => {
  const drawn = fc.record({
    count: fc.integer({ min: 2, max: 5 }),
    circleMm: fc.double({ min: 150, max: 230, noNaN: true }),
    firstRad: fc.double({ min: 0, max: 6, noNaN: true }),
    lengthMm: fc.double({ min: 120, max: 170, noNaN: true }),
    narrowerMm: fc.double({ min: 0, max: 50, noNaN: true }),
  });
  let seen = 0;
  fc.assert(
    fc.property(drawn, ({ count, circleMm, firstRad, lengthMm, narrowerMm }) => {
      const bolts = circlePattern(count, exact(circleMm), 4);
      if (bolts.shape.kind !== 'circle') throw new Error('expected a circle');
      const at = opening({ bolts: { ...bolts, shape: { ...bolts.shape, firstAngleRad: firstRad } }, sheet: FLAT });
      const basket = { kind: 'oval', length: exact(lengthMm), width: exact(lengthMm - narrowerMm) } as const;
      const what = speaker({ basket, bolts: circlePattern(4, exact(lengthMm + 16), 5) });
      for (const figures of ownPlates(at, what, SHOP)) {
        const { turnRad, throatMm, outsideMm } = figures;
        const bracket = cut(at, what, figures);
        seen++;
        expect(throatMm.length).toBeCloseTo(lengthMm + 2 * hole, 9);
        expect(outsideMm).toBeGreaterThanOrEqual(150 + 2 * cover);
        const edge = Array.from({ length: 720 }, (_, step) => {
          const t = (step * Math.PI) / 360;
          const [u, v] = [(throatMm.length / 2) * Math.cos(t), (throatMm.width / 2) * Math.sin(t)];
          return [
            u * Math.cos(turnRad) - v * Math.sin(turnRad),
            u * Math.sin(turnRad) + v * Math.cos(turnRad),
          ] as const;
        });
        const sides = [bracket.vehicleBolts, bracket.speakerBolts].map((pattern) =>
          patternHoles(pattern).map(({ xMm, yMm }) => ({ xMm, yMm, radiusMm: pattern.holeDiameterMm / 2 })),
        );
        const holes = sides.flat();
        const toThroat = holes.map(({ xMm, yMm, radiusMm }) =>
          edge.reduce((least, [x, y]) => Math.min(least, Math.hypot(x - xMm, y - yMm) - radiusMm), outsideMm),
        );
        const toOutside = holes.map(({ xMm, yMm, radiusMm }) => outsideMm / 2 - Math.hypot(xMm, yMm) - radiusMm);
        const between = (sides[0] ?? []).flatMap((a) =>
          (sides[1] ?? []).map((b) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm) - a.radiusMm - b.radiusMm),
        );
        expect(Math.min(...toThroat, ...toOutside, ...between)).toBeGreaterThan(wall - 0.01);
      }
    }),
    fuzzed(60),
  );
  expect(seen).toBeGreaterThan(20);
});
