/**
 * A body as the distance kernels read it: rings in a flat array, placed by a pose.
 *
 * A body is a stack of frusta. Between two neighbouring rings it is the convex hull of two ellipses in parallel planes,
 * so its support function is the greater of the two ellipses' own, and no mesh is ever needed. Rings are flat arrays and
 * one placed body is moved over and over, because a whole catalogue runs through here while a hand moves.
 *
 * The signed distance of two convex solids A and B is max over unit n of −h_A(n) − h_B(−n): the distance when they are
 * apart, minus the least way that parts them when they are not. Where one of the two is endless (a window above its
 * lower edge, a beam across the door) n is bound to an arc, and a search over one angle is exact. Boxes have no such
 * shortcut and go through `convexDistance`.
 *
 * @see Schneider, Convex Bodies: The Brunn–Minkowski Theory, 1.7 (support functions); Cameron & Culley, Determining the
 *   minimum translational distance between two convex polyhedra, 1986 (penetration); both from memory
 */

/** z, half length, half width of each ring, one after the other; z is the depth below the flange's underside, mm. */
export type RingsMm = Float64Array;

export const RING_STRIDE = 3;

export type Pose = {
  /** Where the speaker's axis meets the mounting plane, seen from the cabin, mm. */
  readonly xMm: number;
  readonly yMm: number;
  /** Turn of the speaker's long axis from +x, anticlockwise as seen from the cabin, rad. */
  readonly angleRad: number;
  /** How far the flange's underside stands in front of the mounting plane, mm. */
  readonly raisedMm: number;
};

export const CENTRED: Pose = { xMm: 0, yMm: 0, angleRad: 0, raisedMm: 0 };

/** Where a body reaches farthest in a direction n. Written over and over: nothing in the kernels allocates. */
export type Reach = {
  /** The greatest n · p over the chosen rings, mm. */
  valueMm: number;
  /** The ring that reaches farthest. */
  ring: number;
  /** ∂value/∂(half length) and ∂value/∂(half width) of that ring; ∂value/∂z is n's own z. */
  alongRatio: number;
  acrossRatio: number;
  /** The point that reaches farthest, mm. */
  x: number;
  y: number;
  z: number;
};

export function newReach(): Reach {
  return { valueMm: 0, ring: 0, alongRatio: 0, acrossRatio: 0, x: 0, y: 0, z: 0 };
}

export class PlacedBody {
  rings: RingsMm = new Float64Array(0);
  /** First and last ring of each convex piece, as pairs. */
  pieces: Int32Array = new Int32Array(0);
  x = 0;
  y = 0;
  raised = 0;
  /** Of its turn. */
  cos = 1;
  sin = 0;

  set(rings: RingsMm, pieces: Int32Array, pose: Pose): this {
    this.rings = rings;
    this.pieces = pieces;
    this.x = pose.xMm;
    this.y = pose.yMm;
    this.raised = pose.raisedMm;
    this.cos = Math.cos(pose.angleRad);
    this.sin = Math.sin(pose.angleRad);
    return this;
  }

  /** What a level direction is along the body's length, and across it. */
  along(x: number, y: number): number {
    return x * this.cos + y * this.sin;
  }

  across(x: number, y: number): number {
    return y * this.cos - x * this.sin;
  }

  get lastRing(): number {
    return this.rings.length / RING_STRIDE - 1;
  }

  /** Support of the rings `from` to `to` (inclusive) in the unit direction n, written into `out`. */
  reach(out: Reach, from: number, to: number, nx: number, ny: number, nz: number): void {
    const { rings, cos, sin } = this;
    const u = nx * cos + ny * sin;
    const v = ny * cos - nx * sin;
    let best = Number.NEGATIVE_INFINITY;
    let ring = from;
    let radial = 0;
    for (let at = from; at <= to; at++) {
      const base = at * RING_STRIDE;
      const along = (rings[base + 1] as number) * u;
      const across = (rings[base + 2] as number) * v;
      const radius = Math.sqrt(along * along + across * across);
      const value = (rings[base] as number) * nz + radius;
      if (value > best) {
        best = value;
        ring = at;
        radial = radius;
      }
    }
    const base = ring * RING_STRIDE;
    const a = rings[base + 1] as number;
    const b = rings[base + 2] as number;
    const by = radial > 1e-12 ? 1 / radial : 0;
    const along = a * a * u * by;
    const across = b * b * v * by;
    out.valueMm = best + nx * this.x + ny * this.y - nz * this.raised;
    out.ring = ring;
    out.alongRatio = a * u * u * by;
    out.acrossRatio = b * v * v * by;
    out.x = this.x + along * cos - across * sin;
    out.y = this.y + along * sin + across * cos;
    out.z = (rings[base] as number) - this.raised;
  }
}

/** Field by field: `Object.assign` took a third of a ranking. */
export function copyReach(to: Reach, from: Reach): void {
  to.valueMm = from.valueMm;
  to.ring = from.ring;
  to.alongRatio = from.alongRatio;
  to.acrossRatio = from.acrossRatio;
  to.x = from.x;
  to.y = from.y;
  to.z = from.z;
}

/**
 * The first and last ring of each convex piece, as pairs in a flat array. A profile that bulges outwards throughout is
 * one piece; a waist, such as between basket and magnet, divides it.
 */
export function convexPieces(rings: RingsMm): Int32Array {
  const last = rings.length / RING_STRIDE - 1;
  const pieces: number[] = [0];
  for (let at = 1; at < last; at++) {
    if (isWaist(rings, at, 1) || isWaist(rings, at, 2)) pieces.push(at, at);
  }
  pieces.push(Math.max(0, last));
  return Int32Array.from(pieces);
}

/** Whether the ring lies inside the straight line between its neighbours: one hull would fill a hollow there. */
function isWaist(rings: RingsMm, at: number, column: 1 | 2): boolean {
  const value = (ring: number, of: number) => rings[ring * RING_STRIDE + of] as number;
  const span = value(at + 1, 0) - value(at - 1, 0);
  if (span <= 0) return false;
  const share = (value(at, 0) - value(at - 1, 0)) / span;
  const straight = value(at - 1, column) + share * (value(at + 1, column) - value(at - 1, column));
  return value(at, column) < straight - 1e-9;
}
