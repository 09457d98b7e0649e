/** Convex solids by their support mapping: all that a distance needs to know of them. */
import type { PlacedBody, Reach } from './PlacedBody';
import { newReach } from './PlacedBody';
import { dot, type Vec3 } from './vector';

export type ConvexSolid = {
  /** Some point inside. */
  readonly middle: Vec3;
  /** The point of the solid that lies farthest in the direction n (not necessarily a unit vector). */
  readonly farthest: (n: Vec3) => Vec3;
};

/** A box: its middle, three unit axes at right angles, and half its size along each. */
export type BoxSolid = {
  readonly middle: Vec3;
  readonly axes: readonly [Vec3, Vec3, Vec3];
  readonly halfSizeMm: Vec3;
};

export function boxSolid({ middle, axes, halfSizeMm }: BoxSolid): ConvexSolid {
  return {
    middle,
    farthest: (n) => {
      let [x, y, z] = middle;
      axes.forEach((axis, index) => {
        const by = (dot(axis, n) >= 0 ? 1 : -1) * (halfSizeMm[index] ?? 0);
        x += axis[0] * by;
        y += axis[1] * by;
        z += axis[2] * by;
      });
      return [x, y, z];
    },
  };
}

/** A cylinder upright on the face, from one depth to another. */
export function uprightSolid(xMm: number, yMm: number, radiusMm: number, fromMm: number, toMm: number): ConvexSolid {
  return {
    middle: [xMm, yMm, (fromMm + toMm) / 2],
    farthest: ([nx, ny, nz]) => {
      const level = Math.hypot(nx, ny);
      const by = level > 1e-12 ? radiusMm / level : 0;
      return [xMm + nx * by, yMm + ny * by, nz >= 0 ? toMm : fromMm];
    },
  };
}

/** One convex piece of a placed body. It reads the body when asked, so the body must stay where it is meanwhile. */
export function pieceSolid(body: PlacedBody, from: number, to: number): ConvexSolid {
  const reach: Reach = newReach();
  const middle = ((body.rings[from * 3] as number) + (body.rings[to * 3] as number)) / 2;
  return {
    middle: [body.x, body.y, middle - body.raised],
    farthest: ([nx, ny, nz]) => {
      body.reach(reach, from, to, nx, ny, nz);
      return [reach.x, reach.y, reach.z];
    },
  };
}
