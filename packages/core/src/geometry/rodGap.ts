/**
 * Gap between a body and a round rod that crosses the whole door: a crash beam, a rail, a cable. Taken as endless along
 * its axis, so the separating direction is one angle around it: found in closed form where the rod lies level, by a search
 * where it is tilted into the door.
 */
import { scanArc, searchArc, separation, separationAt } from './arcSearch';
import { copyGap, type Gap, newGap } from './Gap';
import type { PlacedBody } from './PlacedBody';
import { isLevel, lineGap } from './silhouette';
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
export function rodGap(out: Gap, body: PlacedBody, rod: Rod): void {
  out.gapMm = Number.POSITIVE_INFINITY;
  if (isLevel(rod.direction)) levelRodGap(out, body, rod);
  else tiltedRodGap(out, body, rod);
}

function levelRodGap(out: Gap, body: PlacedBody, { at, direction, radiusMm }: Rod): void {
  const { pieces } = body;
  for (let index = 0; index < pieces.length; index += 2) {
    const from = pieces[index] as number;
    lineGap(out, body, from, pieces[index + 1] as number, at, direction[1], -direction[0], radiusMm);
  }
}

/**
 * The separation in any direction across the rod is a bound of a piece's gap from below. Most pieces are passed over by
 * it: in the direction that leads to the rod, and in that which parted the pieces before.
 */
function tiltedRodGap(out: Gap, body: PlacedBody, { at, across, radiusMm }: Rod): void {
  const [e1, e2] = across;
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
    const first = separationAt(body, from, to, e1, e2, at, towards);
    if (first - radiusMm >= out.gapMm) continue;
    // Outside of a convex piece there is one peak, and uphill leads to it; within, there may be several.
    if (first > 0) climb(pieceGap, body, from, to, at, e1, e2, towards, radiusMm);
    else scanArc(pieceGap, body, from, to, e1, e2, at, towards - QUARTER, towards + QUARTER, SCAN_STEPS, radiusMm);
    if (pieceGap.gapMm < out.gapMm) copyGap(out, pieceGap);
  }
}

const UPHILL_RAD = 0.2;
const QUARTER = Math.PI / 2;

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
  let before = separationAt(body, from, to, e1, e2, at, startRad);
  let step = UPHILL_RAD;
  let next = separationAt(body, from, to, e1, e2, at, startRad + step);
  if (next < before) {
    step = -UPHILL_RAD;
    next = separationAt(body, from, to, e1, e2, at, startRad + step);
  }
  let angle = startRad;
  while (next > before) {
    angle += step;
    before = next;
    next = separationAt(body, from, to, e1, e2, at, angle + step);
  }
  best.gapMm = Number.POSITIVE_INFINITY;
  searchArc(best, body, from, to, e1, e2, at, angle - UPHILL_RAD, angle + UPHILL_RAD, radiusMm);
}

/** The half circle towards the rod is looked through in so many steps. */
const SCAN_STEPS = 24;
