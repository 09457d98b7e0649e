/**
 * The referee for distances: the same solids as triangle meshes. The distance between the meshes is three-mesh-bvh's
 * (`meshDistances.mjs`, plain JavaScript so that it runs at full speed outside the test runner's sandbox).
 */
import type { BoxSolid } from '../geometry/ConvexSolid';
import { type GlassSheet, sheetDepthMm } from '../geometry/glassSheet';
import type { Pose, RingsMm } from '../geometry/PlacedBody';
import { type Rod, rod } from '../geometry/rodGap';
import { add, cross, scale, unit, type Vec3 } from '../geometry/vector';
import { seededRandom } from '../math/seededRandom';

export type MeshOther =
  | { readonly kind: 'sheet'; readonly sheet: GlassSheet }
  | { readonly kind: 'rod'; readonly rod: Rod }
  | { readonly kind: 'box'; readonly box: BoxSolid };

export type MeshCase = { readonly rings: RingsMm; readonly pose: Pose; readonly other: MeshOther };

/** Corners of a ring's polygon; the widest ring here has a half axis of 120 mm. */
const CORNERS = 256;
/** What a chord of the coarsest polygon leaves out (r·(1 − cos(π/n)) for both solids), and the curved sheet's strips. */
export const SAGITTA_MM = 0.025;
const SHEET_STRIPS = 120;
const SHEET_HALF_MM = 400;
const ROD_HALF_MM = 400;
const ROD_CUTS = 40;
const ROD_CORNERS = 96;

/** A case of a kind, the same for the same seed. */
export function randomCase(kind: 'glass' | 'curvedGlass' | 'rod' | 'box', seed: number): MeshCase {
  const random = seededRandom(seed * 7919 + kind.length);
  const between = (low: number, high: number) => low + (high - low) * random();
  const ratio = random() < 0.5 ? 1 : between(0.55, 0.9);
  const wide = between(45, 118);
  const depth = between(35, 85);
  const magnet = Math.min(wide * ratio, wide) * between(0.45, 0.8);
  const rings = Float64Array.of(
    ...[0, wide, wide * ratio],
    ...[depth * between(0.15, 0.4), wide * between(0.9, 1), wide * ratio * between(0.9, 1)],
    ...[depth * between(0.45, 0.7), magnet, magnet],
    ...[depth, magnet * between(0.85, 1), magnet * between(0.85, 1)],
  );
  // A third of the bodies have a waist behind the basket, as deep ones with a cooling ring do.
  const waisted = random() < 1 / 3;
  if (waisted) {
    rings[7] = rings[8] = magnet * between(0.45, 0.75);
    rings[9] = depth * between(0.75, 0.85);
    rings[10] = rings[11] = magnet;
  }
  const pose = {
    xMm: between(-6, 6),
    yMm: between(-6, 6),
    angleRad: between(0, Math.PI),
    raisedMm: between(0, 15),
  };
  return { rings, pose, other: randomOther(kind, depth, wide, between) };
}

function randomOther(
  kind: 'glass' | 'curvedGlass' | 'rod' | 'box',
  depth: number,
  wide: number,
  between: (low: number, high: number) => number,
): MeshOther {
  if (kind === 'glass' || kind === 'curvedGlass') {
    const sheet = {
      c0: depth + between(0, 30),
      // Read above the centre and in it, a window leans one way only.
      c1: between(0, 1) < 0.4 ? 0 : between(-0.12, 0.12),
      c2: between(-0.3, 0.1),
      // Mostly hollow towards the cabin as windows are; some bulge towards it.
      c3: kind === 'glass' ? 0 : (between(0, 1) < 0.25 ? 1 : -1) / (2 * between(700, 2500)),
      lowerEdgeMm: between(0, 1) < 0.4 ? null : between(-40, wide),
    };
    return { kind: 'sheet', sheet };
  }
  if (kind === 'rod') {
    const angle = between(0, Math.PI);
    const at: Vec3 = [between(-30, 30), between(-wide, wide), depth + between(-25, 40)];
    const tilt = between(0, 1) < 0.5 ? 0 : between(-0.3, 0.3);
    return { kind: 'rod', rod: rod(at, [Math.cos(angle), Math.sin(angle), tilt], between(4, 22)) };
  }
  const first = unit([between(-1, 1), between(-1, 1), between(-1, 1)]);
  const second = unit(cross(first, [between(-1, 1), between(-1, 1), 2]));
  return {
    kind: 'box',
    box: {
      middle: [between(-70, 70), between(-70, 70), depth + between(5, 60)],
      axes: [first, second, cross(first, second)],
      halfSizeMm: [between(5, 40), between(5, 20), between(5, 20)],
    },
  };
}

export type Mesh = { readonly points: Float64Array; readonly faces: Uint32Array };

/** Both solids of a case as meshes, ready for `meshDistances`. */
export function meshesOf({ rings, pose, other }: MeshCase): readonly [Mesh, Mesh] {
  return [bodyMesh(rings, pose), otherMesh(other)];
}

/** The rings joined by triangles, closed at both ends. */
function bodyMesh(rings: RingsMm, pose: Pose, corners = CORNERS): Mesh {
  const count = rings.length / 3;
  const cos = Math.cos(pose.angleRad);
  const sin = Math.sin(pose.angleRad);
  const points: number[] = [];
  for (let ring = 0; ring < count; ring++) {
    const [z = 0, a = 0, b = 0] = rings.subarray(ring * 3, ring * 3 + 3);
    for (let corner = 0; corner < corners; corner++) {
      // By the direction of the normal: the straight lines of the hull of two rings join points whose normals agree.
      const angle = (2 * Math.PI * corner) / corners;
      const reach = Math.hypot(a * Math.cos(angle), b * Math.sin(angle));
      const x = (a * a * Math.cos(angle)) / reach;
      const y = (b * b * Math.sin(angle)) / reach;
      points.push(pose.xMm + x * cos - y * sin, pose.yMm + x * sin + y * cos, z - pose.raisedMm);
    }
  }
  const ends = [0, count - 1].map((ring) => {
    points.push(pose.xMm, pose.yMm, (rings[ring * 3] ?? 0) - pose.raisedMm);
    return { ring, middle: points.length / 3 - 1 };
  });
  const faces: number[] = [];
  for (let corner = 0; corner < corners; corner++) {
    const next = (corner + 1) % corners;
    for (let ring = 0; ring + 1 < count; ring++) {
      const low = ring * corners;
      const high = low + corners;
      faces.push(low + corner, low + next, high + corner, low + next, high + next, high + corner);
    }
    for (const { ring, middle } of ends) faces.push(ring * corners + corner, ring * corners + next, middle);
  }
  return toMesh(points, faces);
}

function otherMesh(other: MeshOther): Mesh {
  if (other.kind === 'sheet') return sheetMesh(other.sheet);
  return other.kind === 'rod' ? rodMesh(other.rod) : boxMesh(other.box);
}

/** The front of the swept area, its lower face under the edge, and its far side: a thick slab, open at the other ends. */
function sheetMesh(sheet: GlassSheet): Mesh {
  const { lowerEdgeMm, c1, c2, c3 } = sheet;
  const bottom = lowerEdgeMm ?? -SHEET_HALF_MM;
  const points: number[] = [];
  const faces: number[] = [];
  for (let strip = 0; strip <= SHEET_STRIPS; strip++) {
    const y = bottom + ((SHEET_HALF_MM - bottom) * strip) / SHEET_STRIPS;
    for (const x of [-SHEET_HALF_MM, SHEET_HALF_MM]) points.push(x, y, sheetDepthMm(sheet, x, y));
    if (strip > 0) quad(faces, strip * 2 - 2, strip * 2 - 1, strip * 2 + 1, strip * 2);
  }
  const slope = c2 + 2 * c3 * bottom;
  const beyond = scale(unit([-c1, -slope, 1]), 200);
  const base = points.length / 3;
  for (const x of [-SHEET_HALF_MM, SHEET_HALF_MM])
    points.push(...add([x, bottom, sheetDepthMm(sheet, x, bottom)], beyond));
  quad(faces, 0, 1, base + 1, base);
  return toMesh(points, faces);
}

function quad(faces: number[], a: number, b: number, c: number, d: number): void {
  faces.push(a, b, c, a, c, d);
}

/** Cut into lengths too: a tree over needles a metre long would make every distance slow. */
function rodMesh({ at, direction, radiusMm, across: [e1, e2] }: Rod): Mesh {
  const points: number[] = [];
  const faces: number[] = [];
  for (let cut = 0; cut <= ROD_CUTS; cut++) {
    const middle = add(at, scale(direction, ROD_HALF_MM * ((2 * cut) / ROD_CUTS - 1)));
    for (let corner = 0; corner < ROD_CORNERS; corner++) {
      const angle = (2 * Math.PI * corner) / ROD_CORNERS;
      const rim = add(scale(e1, radiusMm * Math.cos(angle)), scale(e2, radiusMm * Math.sin(angle)));
      points.push(...add(middle, rim));
      const next = (corner + 1) % ROD_CORNERS;
      const [low, high] = [(cut - 1) * ROD_CORNERS, cut * ROD_CORNERS];
      if (cut > 0) quad(faces, low + corner, low + next, high + next, high + corner);
    }
  }
  return toMesh(points, faces);
}

function boxMesh({ middle, axes: [e1, e2, e3], halfSizeMm: [a, b, c] }: BoxSolid): Mesh {
  const points: number[] = [];
  for (const [x, y, z] of BOX_CORNERS) {
    points.push(...add(middle, add(add(scale(e1, x * a), scale(e2, y * b)), scale(e3, z * c))));
  }
  const faces: number[] = [];
  for (const [p, q, r, t] of BOX_FACES) quad(faces, p, q, r, t);
  return toMesh(points, faces);
}

const BOX_CORNERS: readonly Vec3[] = [-1, 1].flatMap((z) =>
  [-1, 1].flatMap((y) => [-1, 1].map((x): Vec3 => [x, y, z])),
);
const BOX_FACES = [
  [0, 1, 3, 2],
  [4, 5, 7, 6],
  [0, 1, 5, 4],
  [2, 3, 7, 6],
  [0, 2, 6, 4],
  [1, 3, 7, 5],
] as const;

function toMesh(points: readonly number[], faces: readonly number[]): Mesh {
  return { points: Float64Array.from(points), faces: Uint32Array.from(faces) };
}
