/**
 * Gap between a body and a round rod that crosses the whole door: a crash beam, a rail, a cable. Taken as endless along
 * its axis, so the separating direction is one angle around it.
 */
import { searchArc } from './arcSearch';
import { copyGap, type Gap, newGap } from './Gap';
import type { PlacedBody } from './PlacedBody';
import { cross, unit, type Vec3 } from './vector';

export type Rod = {
  /** A point of the axis, mm. */
  readonly at: Vec3;
  /** Unit direction of the axis. */
  readonly direction: Vec3;
  readonly radiusMm: number;
  /** Two unit vectors across the axis, at right angles. */
  readonly across: readonly [Vec3, Vec3];
};

export function rod(at: Vec3, direction: Vec3, radiusMm: number): Rod {
  const axis = unit(direction);
  const helper: Vec3 = Math.abs(axis[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0];
  const first = unit(cross(axis, helper));
  return { at, direction: axis, radiusMm, across: [first, unit(cross(axis, first))] };
}

const pieceGap = newGap();

/** Gap of a body to a rod, written into `out`: the least over the body's convex pieces. */
export function rodGap(out: Gap, body: PlacedBody, { at, across, radiusMm }: Rod): void {
  const [e1, e2] = across;
  out.gapMm = Number.POSITIVE_INFINITY;
  const { pieces, rings } = body;
  for (let index = 0; index < pieces.length; index += 2) {
    const from = pieces[index] as number;
    const to = pieces[index + 1] as number;
    // Start from the direction that leads from the piece's middle to the rod; the best lies within a quarter turn.
    const middle = ((rings[from * 3] as number) + (rings[to * 3] as number)) / 2 - body.raised;
    const dx = at[0] - body.x;
    const dy = at[1] - body.y;
    const dz = at[2] - middle;
    const towards = Math.atan2(dx * e2[0] + dy * e2[1] + dz * e2[2], dx * e1[0] + dy * e1[1] + dz * e1[2]);
    const cos = Math.cos(towards);
    const sin = Math.sin(towards);
    const forward: Vec3 = [cos * e1[0] + sin * e2[0], cos * e1[1] + sin * e2[1], cos * e1[2] + sin * e2[2]];
    const sideways: Vec3 = [cos * e2[0] - sin * e1[0], cos * e2[1] - sin * e1[1], cos * e2[2] - sin * e1[2]];
    pieceGap.gapMm = Number.POSITIVE_INFINITY;
    searchArc(pieceGap, body, from, to, forward, sideways, at, -Math.PI / 2, Math.PI / 2, radiusMm);
    if (pieceGap.gapMm < out.gapMm) copyGap(out, pieceGap);
  }
}
