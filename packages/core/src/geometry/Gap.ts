/** The answer of a distance kernel, written over and over by the kernels. */
import { copyReach, newReach, type Reach } from './PlacedBody';
import type { Vec3 } from './vector';

export type Gap = {
  /** Signed distance, mm; negative is how far the body would have to be moved to be free. */
  gapMm: number;
  /** Unit direction from the body towards the other. */
  nx: number;
  ny: number;
  nz: number;
  /** The body's nearest point and the sensitivities to its ring. */
  readonly reach: Reach;
};

export function newGap(): Gap {
  return { gapMm: Number.POSITIVE_INFINITY, nx: 0, ny: 0, nz: 1, reach: newReach() };
}

export function copyGap(to: Gap, from: Gap): void {
  to.gapMm = from.gapMm;
  to.nx = from.nx;
  to.ny = from.ny;
  to.nz = from.nz;
  copyReach(to.reach, from.reach);
}

/** The nearest points of a gap: where the body is, and where the other one is. */
export function closestPoints({ gapMm, nx, ny, nz, reach }: Gap): { readonly onBody: Vec3; readonly onOther: Vec3 } {
  return {
    onBody: [reach.x, reach.y, reach.z],
    onOther: [reach.x + gapMm * nx, reach.y + gapMm * ny, reach.z + gapMm * nz],
  };
}
