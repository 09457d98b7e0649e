/**
 * Gap between a body and a round rod that crosses the whole door: a crash beam, a rail, a cable. Taken as endless along
 * its axis, so the separating direction is one angle around it.
 */
import { searchArc } from './arcSearch';
import { copyGap, type Gap, newGap } from './Gap';
import { newReach, type PlacedBody } from './PlacedBody';
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
const asked = newReach();

/**
 * Gap of a body to a rod, written into `out`: the least over the body's convex pieces.
 *
 * The separation in any direction across the rod is a bound of a piece's gap from below. Most pieces are passed over by
 * it: in the direction that leads to the rod, and in that which parted the pieces before.
 */
export function rodGap(out: Gap, body: PlacedBody, { at, across, radiusMm }: Rod): void {
  const [e1, e2] = across;
  out.gapMm = Number.POSITIVE_INFINITY;
  const { pieces, rings } = body;
  for (let index = 0; index < pieces.length; index += 2) {
    const from = pieces[index] as number;
    const to = pieces[index + 1] as number;
    if (index > 0 && separation(body, from, to, at, out.nx, out.ny, out.nz) - radiusMm >= out.gapMm) continue;
    const middle = ((rings[from * 3] as number) + (rings[to * 3] as number)) / 2 - body.raised;
    const dx = at[0] - body.x;
    const dy = at[1] - body.y;
    const dz = at[2] - middle;
    const towards = Math.atan2(dx * e2[0] + dy * e2[1] + dz * e2[2], dx * e1[0] + dy * e1[1] + dz * e1[2]);
    const first = separationAt(body, from, to, at, e1, e2, towards);
    if (first - radiusMm >= out.gapMm) continue;
    // Outside of a convex piece there is one peak, and uphill leads to it; within, there may be several.
    if (first > 0) climb(pieceGap, body, from, to, at, e1, e2, towards, radiusMm);
    else scan(pieceGap, body, from, to, at, e1, e2, towards, radiusMm);
    if (pieceGap.gapMm < out.gapMm) copyGap(out, pieceGap);
  }
}

/** How far the piece and the rod's axis lie apart in a direction across the axis, mm. */
function separation(body: PlacedBody, from: number, to: number, at: Vec3, nx: number, ny: number, nz: number): number {
  body.reach(asked, from, to, nx, ny, nz);
  return at[0] * nx + at[1] * ny + at[2] * nz - asked.valueMm;
}

function separationAt(body: PlacedBody, from: number, to: number, at: Vec3, e1: Vec3, e2: Vec3, angle: number): number {
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const nx = cos * e1[0] + sin * e2[0];
  const ny = cos * e1[1] + sin * e2[1];
  const nz = cos * e1[2] + sin * e2[2];
  return separation(body, from, to, at, nx, ny, nz);
}

const UPHILL_RAD = 0.2;

/** From a direction that parts the two uphill to the one that parts them most. */
function climb(
  best: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  at: Vec3,
  e1: Vec3,
  e2: Vec3,
  startRad: number,
  radiusMm: number,
): void {
  let before = separationAt(body, from, to, at, e1, e2, startRad);
  let step = UPHILL_RAD;
  let next = separationAt(body, from, to, at, e1, e2, startRad + step);
  if (next < before) {
    step = -UPHILL_RAD;
    next = separationAt(body, from, to, at, e1, e2, startRad + step);
  }
  let angle = startRad;
  while (next > before) {
    angle += step;
    before = next;
    next = separationAt(body, from, to, at, e1, e2, angle + step);
  }
  best.gapMm = Number.POSITIVE_INFINITY;
  searchArc(best, body, from, to, e1, e2, at, angle - UPHILL_RAD, angle + UPHILL_RAD, radiusMm);
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
function scan(
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
    const value = separationAt(body, from, to, at, e1, e2, start + index * step);
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
