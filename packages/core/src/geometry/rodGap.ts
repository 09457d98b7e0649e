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
    bestSeparation(pieceGap, body, from, to, at, e1, e2, towards, radiusMm);
    if (pieceGap.gapMm < out.gapMm) copyGap(out, pieceGap);
  }
}

/** The half circle towards the rod is looked through in so many steps. */
const SCAN_STEPS = 24;
/** Peaks of the scan this close to the highest are all searched: a step beside a flat flank costs some millimetres. */
const PEAK_MM = 10;

const values = new Float64Array(SCAN_STEPS + 1);
const scanned = newGap();

/**
 * The greatest separation over the half circle towards the rod. Where it is negative the separation may rise again, past
 * the body's other corners, so the search may not start at the half circle's ends: it starts at the peaks of a scan.
 */
function bestSeparation(
  best: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  at: Vec3,
  e1: Vec3,
  e2: Vec3,
  towardsRad: number,
  radiusMm: number,
): void {
  const step = Math.PI / SCAN_STEPS;
  const start = towardsRad - Math.PI / 2;
  let most = Number.NEGATIVE_INFINITY;
  for (let index = 0; index <= SCAN_STEPS; index++) {
    const cos = Math.cos(start + index * step);
    const sin = Math.sin(start + index * step);
    const nx = cos * e1[0] + sin * e2[0];
    const ny = cos * e1[1] + sin * e2[1];
    const nz = cos * e1[2] + sin * e2[2];
    body.reach(scanned.reach, from, to, nx, ny, nz);
    const value = at[0] * nx + at[1] * ny + at[2] * nz - scanned.reach.valueMm;
    values[index] = value;
    if (value > most) most = value;
  }
  best.gapMm = Number.NEGATIVE_INFINITY;
  for (let index = 0; index <= SCAN_STEPS; index++) {
    const value = values[index] as number;
    const isPeak =
      value >= (values[Math.max(0, index - 1)] as number) &&
      value >= (values[Math.min(SCAN_STEPS, index + 1)] as number);
    if (!isPeak || value < most - PEAK_MM) continue;
    const angle = start + index * step;
    scanned.gapMm = Number.POSITIVE_INFINITY;
    searchArc(scanned, body, from, to, e1, e2, at, angle - step, angle + step, radiusMm);
    if (scanned.gapMm > best.gapMm) copyGap(best, scanned);
  }
}
