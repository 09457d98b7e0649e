/**
 * The distance kernels against a mesh-distance library (three-mesh-bvh, closestPointToGeometry) on the same solids.
 *
 * A mesh inscribed in a round solid is a little smaller than the solid: the facets' sagitta bounds by how much, and is
 * the tolerance. Penetration is not something a mesh distance tells; it has closed-form cases below.
 */
import { Worker } from 'node:worker_threads';
import { describe, expect, test } from '@jest/globals';
import { fuzzed, fuzzedFrom } from '../testing/fuzzed';
import { type MeshCase, meshesOf, randomCase, SAGITTA_MM } from '../testing/meshReferee';
import { boxSolid, pieceSolid } from './ConvexSolid';
import { convexDistance } from './convexDistance';
import { closestPoints, newGap } from './Gap';
import { sheetDepthMm, sheetGap } from './glassSheet';
import { CENTRED, convexPieces, PlacedBody } from './PlacedBody';
import { rod, rodGap } from './rodGap';
import { length, subtract } from './vector';

const CASES = { glass: 30, curvedGlass: 50, rod: 30, box: 30 } as const;
/**
 * Rare ones that a search through thousands found: a foot on either side of the lower edge, and a flat end before a sheet
 * that bulges towards it.
 */
const RARE: Readonly<Record<string, readonly number[]>> = { curvedGlass: [743, 954, 1174, 1251, 3082] };

function placed({ rings, pose }: Pick<MeshCase, 'rings' | 'pose'>): PlacedBody {
  return new PlacedBody().set(rings, convexPieces(rings), pose);
}

function distancesByMesh(cases: readonly MeshCase[]): Promise<readonly number[]> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('../testing/meshDistances.mjs', import.meta.url));
    worker.once('error', reject);
    worker.once('message', (distances: readonly number[]) => {
      resolve(distances);
      void worker.terminate();
    });
    worker.postMessage(cases.map(meshesOf));
  });
}

describe('against mesh distances', () => {
  for (const [kind, count] of Object.entries(CASES) as [keyof typeof CASES, number][]) {
    const { numRuns } = fuzzed(count);
    test(`${kind}: ${numRuns} random bodies`, async () => {
      const seeds = [...Array.from({ length: numRuns }, (_, index) => fuzzedFrom(index + 1)), ...(RARE[kind] ?? [])];
      const cases = seeds.map((seed) => randomCase(kind, seed));
      const meshDistances = await distancesByMesh(cases);
      let apart = 0;
      for (const [at, seed] of seeds.entries()) {
        const each = cases[at] as MeshCase;
        const body = placed(each);
        const gap = newGap();
        let distanceMm: number;
        if (each.other.kind === 'sheet') {
          sheetGap(gap, body, each.other.sheet);
          distanceMm = gap.gapMm;
        } else if (each.other.kind === 'rod') {
          rodGap(gap, body, each.other.rod);
          distanceMm = gap.gapMm;
        } else {
          const box = boxSolid(each.other.box);
          distanceMm = Number.POSITIVE_INFINITY;
          for (let at = 0; at < body.pieces.length; at += 2) {
            const piece = pieceSolid(body, body.pieces[at] as number, body.pieces[at + 1] as number);
            distanceMm = Math.min(distanceMm, convexDistance(piece, box).distanceMm);
          }
        }
        const mesh = meshDistances[at] as number;
        if (distanceMm <= 0) {
          expect({ seed, mesh: mesh < SAGITTA_MM }).toEqual({ seed, mesh: true });
          continue;
        }
        apart++;
        expect({ seed, off: Math.abs(mesh - distanceMm) <= SAGITTA_MM, mesh, distanceMm }).toEqual({
          seed,
          off: true,
          mesh,
          distanceMm,
        });
      }
      expect(apart).toBeGreaterThan(numRuns / 2);
    });
  }
});

describe('closed forms', () => {
  const cylinder = Float64Array.of(0, 40, 40, 50, 40, 40);

  test('a cylinder before a flat parallel sheet: the depth that is left, and minus what is in it', () => {
    const body = placed({ rings: cylinder, pose: CENTRED });
    const gap = newGap();
    sheetGap(gap, body, { c0: 58, c1: 0, c2: 0, c3: 0, lowerEdgeMm: null });
    expect(gap.gapMm).toBeCloseTo(8, 12);
    sheetGap(gap, body, { c0: 47, c1: 0, c2: 0, c3: 0, lowerEdgeMm: null });
    expect(gap.gapMm).toBeCloseTo(-3, 12);
  });

  test('a leaning sheet: (c0 − depth − radius · tan) · cos, worked by hand', () => {
    const body = placed({ rings: cylinder, pose: CENTRED });
    const gap = newGap();
    sheetGap(gap, body, { c0: 70, c1: 0, c2: -0.2, c3: 0, lowerEdgeMm: null });
    expect(gap.gapMm).toBeCloseTo((70 - 50 - 40 * 0.2) / Math.sqrt(1.04), 10);
    const { onBody, onOther } = closestPoints(gap);
    expect(length(subtract(onOther, onBody))).toBeCloseTo(gap.gapMm, 10);
    expect(onOther[2]).toBeCloseTo(70 - 0.2 * onOther[1], 9);
  });

  test('a window that stops above the magnet: the distance is to its lower edge', () => {
    const body = placed({ rings: cylinder, pose: CENTRED });
    const gap = newGap();
    // The edge stands 3 mm above and 4 mm behind the rim of the magnet: 5 mm away.
    const atEdge = sheetGap(gap, body, { c0: 54, c1: 0, c2: 0, c3: 0, lowerEdgeMm: 43 });
    expect(atEdge).toBe(true);
    expect(gap.gapMm).toBeCloseTo(5, 9);
  });

  test('a body that comes up into the window by its top alone: down past the edge is the short way out', () => {
    const gap = newGap();
    // 40 mm of body above its axis, the edge at 39: one millimetre down, though the glass stands 20 mm deep in the body.
    const up = { c0: 30, c1: 0, c2: 0, c3: 0, lowerEdgeMm: 39 };
    expect(sheetGap(gap, placed({ rings: cylinder, pose: CENTRED }), up)).toBe(true);
    expect(gap.gapMm).toBeCloseTo(-1, 6);
    // With the edge far down the short way out is off the face.
    expect(sheetGap(gap, placed({ rings: cylinder, pose: CENTRED }), { ...up, lowerEdgeMm: -300 })).toBe(false);
    expect(gap.gapMm).toBeCloseTo(-20, 6);
  });

  test('a sheet curved to a circle around the body: radius of the circle less the farthest point', () => {
    // z = c0 − y²/2R is the circle of radius R to within y⁴/8R³.
    const radius = 900;
    const body = placed({ rings: cylinder, pose: CENTRED });
    const gap = newGap();
    sheetGap(gap, body, { c0: 60, c1: 0, c2: 0, c3: -1 / (2 * radius), lowerEdgeMm: null });
    const expected = radius - Math.hypot(40, radius - 60 + 50);
    expect(gap.gapMm).toBeCloseTo(expected, 2);
    expect(sheetDepthMm({ c0: 60, c1: 0, c2: 0, c3: -1 / (2 * radius) }, 0, 40)).toBeCloseTo(60 - 1600 / 1800, 12);
  });

  test('a rod across the axis, apart and overlapping', () => {
    const body = placed({ rings: cylinder, pose: CENTRED });
    const gap = newGap();
    rodGap(gap, body, rod([0, 0, 75], [1, 0, 0], 15));
    expect(gap.gapMm).toBeCloseTo(10, 9);
    rodGap(gap, body, rod([0, 0, 60], [1, 0, 0], 15));
    expect(gap.gapMm).toBeCloseTo(-5, 9);
    rodGap(gap, body, rod([0, 52, 25], [0, 0, 1], 4));
    expect(gap.gapMm).toBeCloseTo(8, 9);
  });

  test('two boxes: face to face, corner to corner, and overlapping by the least way out', () => {
    const axes = [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const;
    const at = (x: number, y: number, z: number) => boxSolid({ middle: [x, y, z], axes, halfSizeMm: [10, 10, 10] });
    expect(convexDistance(at(0, 0, 0), at(25, 0, 0)).distanceMm).toBeCloseTo(5, 9);
    expect(convexDistance(at(0, 0, 0), at(23, 24, 20)).distanceMm).toBeCloseTo(5, 9);
    expect(convexDistance(at(0, 0, 0), at(17, 1, 2)).distanceMm).toBeCloseTo(-3, 6);
    expect(convexDistance(at(0, 0, 0), at(17, 1, 2)).direction[0]).toBeCloseTo(1, 6);
  });

  test('a deep waist stays hollow: a rod beside the magnet and behind the basket is not swallowed by a hull', () => {
    const rings = Float64Array.of(0, 70, 70, 20, 70, 70, 22, 40, 40, 60, 40, 40);
    const gap = newGap();
    rodGap(gap, placed({ rings, pose: CENTRED }), rod([55, 0, 40], [0, 1, 0], 5));
    expect(gap.gapMm).toBeCloseTo(10, 6);
  });
});
