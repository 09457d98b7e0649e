/** A main and its branches: worked by hand, and what holds of every tree. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { powerFeed } from './powerFeed';
import { powerTree } from './powerTree';

test('two amplifiers of 300 and 150 W, 4 m to the distributor and half a metre on; by hand', () => {
  // 450 W / 0.6 / 13.8 V is 54.3 A: a fuse of 60 A, which 10 mm² stands. 36.2 A and 18.1 A: 40 A (4 mm²) and 20 A (2.5 mm²).
  const tree = powerTree(4, [
    { watt: 300, lengthM: 0.5 },
    { watt: 150, lengthM: 0.5 },
  ]);
  expect(tree?.main).toMatchObject({ fuseA: 60, ampere: expect.closeTo(54.35, 1) });
  // 10 mm² would lose 2 × 4 m × 1.91 mΩ/m × 54.35 A = 0.83 V; 16 mm² loses 0.526 V, 25 mm² (0.78 mΩ/m) 0.339 V.
  expect(tree?.main).toMatchObject({ areaMm2: 25, dropV: expect.closeTo(0.339, 3) });
  // 4 mm² over half a metre: 2 × 0.5 × 4.95 mΩ × 36.23 A = 0.179 V, and 0.339 V before it is more than 0.5 V; 6 mm² (3.3): 0.120 V.
  expect(tree?.branches[0]).toMatchObject({
    fuseA: 40,
    areaMm2: 6,
    isFused: true,
    wholeDropV: expect.closeTo(0.459, 3),
  });
  // 2.5 mm² (7.98): 0.145 V.
  expect(tree?.branches[1]).toMatchObject({
    fuseA: 20,
    areaMm2: 2.5,
    isFused: true,
    wholeDropV: expect.closeTo(0.484, 3),
  });
});

test('too much for any fuse, or too far for any cable, is no tree', () => {
  expect(powerTree(4, [{ watt: 3000, lengthM: 1 }])).toBeNull();
  expect(powerTree(4, [{ watt: 300, lengthM: 60 }])).toBeNull();
});

const branch = fc.record({
  watt: fc.integer({ min: 20, max: 500 }),
  lengthM: fc.double({ min: 0.2, max: 6, noNaN: true }),
});

test('every fuse carries its current and is stood by its cable; nothing loses more than half a volt; what the main’s fuse does not protect is fused', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 7, noNaN: true }),
      fc.array(branch, { minLength: 1, maxLength: 4 }),
      (mainM, asked) => {
        const tree = powerTree(mainM, asked);
        if (tree === null) return;
        const total = tree.branches.reduce((sum, { ampere }) => sum + ampere, 0);
        expect(total).toBeCloseTo(tree.main.ampere, 6);
        for (const each of [tree.main, ...tree.branches]) expect(each.fuseA).toBeGreaterThanOrEqual(each.ampere);
        for (const { wholeDropV, isFused, areaMm2, fuseA } of tree.branches) {
          expect(wholeDropV).toBeLessThanOrEqual(0.5);
          // As thick as the main, its fuse protects it.
          expect(isFused && areaMm2 >= tree.main.areaMm2).toBe(false);
          expect(fuseA).toBeLessThanOrEqual(tree.main.fuseA);
        }
      },
    ),
  );
});

test('one branch without length is the feed of one amplifier', () => {
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 900 }), fc.double({ min: 0.5, max: 7, noNaN: true }), (watt, mainM) => {
      const { main } = powerTree(mainM, [{ watt, lengthM: 0 }]) ?? {};
      expect(main ?? null).toEqual(powerFeed(watt, mainM));
    }),
  );
});
