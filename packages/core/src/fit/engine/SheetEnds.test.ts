/** The heights at which a body is said to meet a window against the feet that the kernel finds. */
import { describe, expect, test } from '@jest/globals';
import { newGap } from '../../geometry/Gap';
import { type GlassSheet, sheetGap } from '../../geometry/glassSheet';
import { PlacedBody } from '../../geometry/PlacedBody';
import { seededRandom } from '../../math/seededRandom';
import { largeCatalogue } from '../../testing/largeCatalogue';
import { CatalogueIndex } from './CatalogueIndex';
import { SheetEnds } from './SheetEnds';

const index = new CatalogueIndex(largeCatalogue({ speakers: 400, brackets: 1, seed: 4 }));
const OFFSET_MM = 6;
const ROUNDING_MM = 1e-6;
const window: GlassSheet = { c0: 66, c1: 0, c2: -0.09, c3: -0.00026, lowerEdgeMm: -40 };

test('every foot lies between the two heights, and none at the edge, wherever the chain sets the body', () => {
  const ends = new SheetEnds(index);
  const gap = newGap();
  const body = new PlacedBody();
  const random = seededRandom(9);
  const faults: string[] = [];
  let placed = 0;
  let round = 0;
  for (let each = 0; each < 6; each++) {
    const sheet = { ...window, c0: 45 + random() * 45, c2: -0.02 - random() * 0.15, lowerEdgeMm: -60 + random() * 70 };
    index.speakers.forEach(({ id }, speaker) => {
      const angleRad = random() * Math.PI;
      const towards = random() * 2 * Math.PI;
      const pose = {
        xMm: OFFSET_MM * Math.cos(towards),
        yMm: OFFSET_MM * Math.sin(towards),
        angleRad,
        raisedMm: random() * 30,
      };
      body.set(index.rings[speaker] as Float64Array, index.pieces[speaker] as Int32Array, pose);
      const isAtEdge = sheetGap(gap, body, sheet);
      if (!ends.place(speaker, OFFSET_MM, sheet, Math.max(0, gap.gapMm))) return;
      placed++;
      const foot = gap.reach.y + gap.gapMm * gap.ny;
      const aside = Math.abs(gap.reach.x + gap.gapMm * gap.nx);
      if (aside > ends.asideMm + ROUNDING_MM) faults.push(`${id}: ${aside} to the side, not ${ends.asideMm}`);
      if (index.row.isAllRound(speaker)) round++;
      if (isAtEdge || foot < ends.lowMm - ROUNDING_MM || foot > ends.highMm + ROUNDING_MM)
        faults.push(`${id}: ${foot} in ${ends.lowMm} to ${ends.highMm}, at the edge: ${isAtEdge}`);
    });
  }
  expect(faults.slice(0, 5)).toEqual([]);
  expect(placed).toBeGreaterThan(index.speakers.length);
  // Bodies of both kinds, which lie to the side by different lengths.
  expect(Math.min(round, placed - round)).toBeGreaterThan(100);
});

describe('nothing is said', () => {
  const place = (sheet: GlassSheet) => new SheetEnds(index).place(0, 0, sheet, 5);

  test('the window of a usual door is one to say something of', () => {
    expect(place(window)).toBe(true);
  });

  test.each([
    ['leans the other way', { ...window, c2: 0.09 }],
    ['is steeper than windows are', { ...window, c2: -0.5 }],
    ['ends where the body may stand', { ...window, lowerEdgeMm: 60 }],
    ['leans aside too', { ...window, c1: 0.02 }],
  ])('of one that %s', (_, sheet) => {
    expect(place(sheet)).toBe(false);
  });
});
