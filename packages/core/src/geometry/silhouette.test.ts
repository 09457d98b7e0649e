/**
 * Level rods and level edges in closed form against the search over angles, which a tilt of a few nanometres over the
 * door's width brings about; and against cases worked by hand.
 */
import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../math/seededRandom';
import { randomCase } from '../testing/meshReferee';
import { closestPoints, newGap } from './Gap';
import { sheetGap } from './glassSheet';
import { CENTRED, convexPieces, PlacedBody, type RingsMm } from './PlacedBody';
import { rod, rodGap } from './rodGap';
import { length, subtract } from './vector';

const HARDLY = 1e-9;
const SEEDS = Array.from({ length: 400 }, (_, at) => at + 1);

function placed(rings: RingsMm, pose = CENTRED): PlacedBody {
  return new PlacedBody().set(rings, convexPieces(rings), pose);
}

describe('against the search', () => {
  test('a level rod, beside, behind and within the body', () => {
    let inside = 0;
    for (const seed of SEEDS) {
      const { rings, pose } = randomCase('rod', seed);
      const random = seededRandom(seed);
      const between = (low: number, high: number) => low + (high - low) * random();
      const angle = between(0, 2 * Math.PI);
      const at = [between(-130, 130), between(-130, 130), between(-20, 120)] as const;
      const body = placed(rings, pose);
      const [closed, searched] = [newGap(), newGap()];
      rodGap(closed, body, rod(at, [Math.cos(angle), Math.sin(angle), 0], 10));
      rodGap(searched, body, rod(at, [Math.cos(angle), Math.sin(angle), HARDLY], 10));
      if (closed.gapMm < -10) inside++;
      expect({ seed, gapMm: closed.gapMm.toFixed(4) }).toEqual({ seed, gapMm: searched.gapMm.toFixed(4) });
      // Where two sides are equally near the two may name either of them.
      if (closed.gapMm > -10) {
        const turned = closed.nx * searched.nx + closed.ny * searched.ny + closed.nz * searched.nz;
        expect({ seed, turned: turned.toFixed(3) }).toEqual({ seed, turned: '1.000' });
      }
    }
    expect(inside).toBeGreaterThan(40);
    expect(inside).toBeLessThan(SEEDS.length - 40);
  });

  test('the level lower edge of a leaning window', () => {
    let atEdge = 0;
    for (const seed of SEEDS) {
      const { rings, pose } = randomCase('glass', seed);
      const random = seededRandom(seed + 1000);
      const between = (low: number, high: number) => low + (high - low) * random();
      const sheet = {
        c0: between(20, 110),
        c1: 0,
        c2: between(-0.3, 0.1),
        c3: random() < 0.5 ? 0 : -1 / (2 * between(700, 2500)),
        lowerEdgeMm: between(-60, 110),
      };
      const body = placed(rings, pose);
      const [closed, searched] = [newGap(), newGap()];
      const isAtEdge = sheetGap(closed, body, sheet);
      sheetGap(searched, body, { ...sheet, c1: HARDLY });
      if (isAtEdge) atEdge++;
      expect({ seed, gapMm: closed.gapMm.toFixed(4) }).toEqual({ seed, gapMm: searched.gapMm.toFixed(4) });
    }
    expect(atEdge).toBeGreaterThan(100);
  });
});

describe('by hand', () => {
  // A cone: 40 mm at the flange, 10 mm at 40 mm depth. Its side leans by 3 in 4.
  const cone = Float64Array.of(0, 40, 40, 40, 10, 10);

  test('beside the flank: at right angles to it', () => {
    const gap = newGap();
    // The middle of the flank is at (25, 20); four up and three along from it is 5 times (0.8, 0.6) off.
    rodGap(gap, placed(cone), rod([25 + 8, 0, 20 + 6], [0, 1, 0], 2));
    expect(gap.gapMm).toBeCloseTo(8, 12);
    expect([gap.nx, gap.nz].map((each) => each.toFixed(9))).toEqual(['0.800000000', '0.600000000']);
    // The nearest point is the middle of the flank, not one of its ends.
    const { onBody, onOther } = closestPoints(gap);
    expect(onBody.map((each) => each.toFixed(9))).toEqual(['25.000000000', '0.000000000', '20.000000000']);
    expect(onOther.map((each) => each.toFixed(9))).toEqual(['31.400000000', '0.000000000', '24.800000000']);
  });

  test('beside the corner, before the flange and behind the magnet', () => {
    const gap = newGap();
    rodGap(gap, placed(cone), rod([-10 - 3, 7, 40 + 4], [0, 1, 0], 1));
    expect(gap.gapMm).toBeCloseTo(4, 12);
    const { onBody, onOther } = closestPoints(gap);
    expect(length(subtract(onOther, onBody))).toBeCloseTo(4, 12);
    rodGap(gap, placed(cone), rod([5, 0, -9], [0, 1, 0], 1));
    expect(gap.gapMm).toBeCloseTo(8, 12);
    rodGap(gap, placed(cone), rod([-5, 0, 47], [0, 1, 0], 1));
    expect(gap.gapMm).toBeCloseTo(6, 12);
  });

  test('within: the soonest way out, and the radius on top', () => {
    const gap = newGap();
    rodGap(gap, placed(cone), rod([0, 0, 3], [0, 1, 0], 2));
    expect(gap.gapMm).toBeCloseTo(-5, 12);
    expect(gap.nz).toBe(-1);
    rodGap(gap, placed(cone), rod([25 - 0.8, 0, 20 - 0.6], [0, 1, 0], 2));
    expect(gap.gapMm).toBeCloseTo(-3, 12);
    // On the flank itself.
    rodGap(gap, placed(cone), rod([25, 0, 20], [0, 1, 0], 2));
    expect(gap.gapMm).toBeCloseTo(-2, 9);
  });

  test('an oval is as wide as it looks along the rod', () => {
    const oval = Float64Array.of(0, 60, 30, 50, 60, 30);
    const gap = newGap();
    const turned = { ...CENTRED, angleRad: Math.PI / 6 };
    const looks = Math.hypot(60 * Math.cos(Math.PI / 6), 30 * Math.sin(Math.PI / 6));
    rodGap(gap, placed(oval, turned), rod([70, 0, 20], [0, 1, 0], 3));
    expect(gap.gapMm).toBeCloseTo(70 - looks - 3, 12);
  });

  test('steps without depth, and more rings than a list holds', () => {
    const stepped = Float64Array.of(0, 40, 40, 20, 40, 40, 20, 25, 25, 50, 25, 25);
    const gap = newGap();
    rodGap(gap, placed(stepped), rod([32, 0, 26], [0, 1, 0], 1));
    expect(gap.gapMm).toBeCloseTo(5, 12);
    const rings = Float64Array.from({ length: 120 }, (_, at) => (at % 3 === 0 ? at / 3 : 30));
    rodGap(gap, placed(rings), rod([38, 0, 20], [0, 1, 0], 3));
    expect(gap.gapMm).toBeCloseTo(5, 12);
  });
});
