/** What must hold of gaps to windows without knowing them: nothing jumps when the glass moves by a hair. */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../math/seededRandom';
import { randomCase } from '../testing/meshReferee';
import { newGap } from './Gap';
import { type GlassSheet, sheetGap } from './glassSheet';
import { convexPieces, PlacedBody } from './PlacedBody';

const STEP_MM = 0.05;
const SAME_MM = 1e-4;
const SEEDS = 1500;

describe.each([
  ['level across', 0],
  ['leaning aside', 0.06],
])('a sheet %s', (_, c1) => {
  test('deeper by a step: a gap wider by no more than that; apart, standing in it, and at its edge', () => {
    const faults: string[] = [];
    let [inside, atEdge] = [0, 0];
    for (let seed = 1; seed <= SEEDS; seed++) {
      const { rings, pose } = randomCase('glass', seed);
      const random = seededRandom(seed + 77);
      const between = (low: number, high: number) => low + (high - low) * random();
      const sheet: GlassSheet = {
        c0: between(5, 110),
        c1,
        c2: between(-0.3, 0.1),
        c3: random() < 0.4 ? 0 : (random() < 0.25 ? 1 : -1) / (2 * between(700, 2500)),
        lowerEdgeMm: random() < 0.2 ? null : between(-90, 110),
      };
      const body = new PlacedBody().set(rings, convexPieces(rings), pose);
      const gap = newGap();
      if (sheetGap(gap, body, sheet)) atEdge++;
      const { gapMm } = gap;
      if (gapMm < 0) inside++;
      sheetGap(gap, body, { ...sheet, c0: sheet.c0 + STEP_MM });
      const off = gap.gapMm - gapMm;
      // Under the edge the window ends at right angles to itself: that end comes down by as much as the glass leans.
      const { c2, c3, lowerEdgeMm } = sheet;
      const lean = lowerEdgeMm === null ? 0 : Math.abs(c2 + 2 * c3 * lowerEdgeMm);
      if (off < -lean * STEP_MM - SAME_MM || off > STEP_MM + SAME_MM)
        faults.push(`${seed}: ${gapMm} by ${off}, ${JSON.stringify(sheet)}`);
    }
    expect(faults.slice(0, 5)).toEqual([]);
    expect(inside).toBeGreaterThan(SEEDS / 5);
    expect(atEdge).toBeGreaterThan(SEEDS / 10);
  });
});
