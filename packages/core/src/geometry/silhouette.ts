/**
 * Gap of a body to an endless straight line that lies level, as most crash beams and lower edges of windows do.
 *
 * Seen along a level line every ring is a straight stroke, so a piece of the body is a polygon and the line a point: the
 * distance is that of a point from a convex polygon, in closed form. Outside it is the nearest side or corner; inside it
 * is the side that is soonest reached. This is what the search of `arcSearch` comes to, at a small part of its cost.
 *
 * @see Schneider, Convex Bodies, 1.7, for the support of a shadow: that of the solid, for directions across the line
 */
import type { Gap } from './Gap';
import { copyReach, newReach, type PlacedBody } from './PlacedBody';
import type { Vec3 } from './vector';

/** Below this slope a line is level: a thousandth of a millimetre over a thousand kilometres. */
const LEVEL = 1e-12;
/** A side shorter than this has no direction, mm. */
const NO_LENGTH_MM = 1e-9;

/** Whether the closed form holds along this unit direction. */
export function isLevel(direction: Vec3): boolean {
  return Math.abs(direction[2]) < LEVEL;
}

/** Nearer than this the side that is touched tells the direction better than the points do, mm. */
const TOUCHES_MM = 1e-9;

/** Half widths of the rings as seen along the line, and their depths. */
let half = new Float64Array(16);
let depth = new Float64Array(16);
const reach = newReach();

/**
 * The best direction so far: across the line to the side, and into the door; and whether it is at right angles to a side,
 * whose nearest place lies between its corners.
 */
const best = { value: 0, side: 0, deep: 0, isSide: false };

/**
 * Keeps in `out` the gap of the rings `from` to `to` to the line through q when it is less than what stands there.
 *
 * @param sideX a level unit vector across the line, with `sideY`
 * @param thicknessMm radius of a rod about the line
 */
export function lineGap(
  out: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  q: Vec3,
  sideX: number,
  sideY: number,
  thicknessMm: number,
): void {
  offLine(body, q, look(body, from, to, sideX, sideY), sideX, sideY);
  keep(out, body, from, to, q, sideX, sideY, thicknessMm);
}

/**
 * The same to the edge of a sheet: only directions between the sheet's normal and straight up the sheet part the body
 * from it. Both are given as their shares to the side and into the door.
 */
export function edgeLineGap(
  out: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  q: Vec3,
  sideX: number,
  sideY: number,
  normalSide: number,
  normalDeep: number,
): void {
  const last = look(body, from, to, sideX, sideY);
  const off = offLine(body, q, last, sideX, sideY);
  // Up the sheet is a quarter turn from its normal.
  const [upSide, upDeep] = [normalDeep, -normalSide];
  const isWithin = (side: number, deep: number) =>
    side * normalSide + deep * normalDeep >= 0 && side * upSide + deep * upDeep >= 0;
  if (!isWithin(best.side, best.deep)) {
    const isApart = best.value > 0;
    best.value = Number.NEGATIVE_INFINITY;
    tryDirection(last, off, q[2], normalSide, normalDeep, false);
    tryDirection(last, off, q[2], upSide, upDeep, false);
    // Apart there is one peak, which lies beyond one end of the quarter. Overlapping there is one at every side.
    if (!isApart || best.value <= 0) {
      for (let at = 0; at < last; at++) {
        const length = sideOf(at);
        if (length < NO_LENGTH_MM) continue;
        const side = ((depth[at + 1] as number) - (depth[at] as number)) / length;
        const deep = ((half[at] as number) - (half[at + 1] as number)) / length;
        if (isWithin(side, deep)) tryDirection(last, off, q[2], side, deep, true);
        if (isWithin(-side, deep)) tryDirection(last, off, q[2], -side, deep, true);
      }
      if (isWithin(0, 1)) tryDirection(last, off, q[2], 0, 1, true);
      if (isWithin(0, -1)) tryDirection(last, off, q[2], 0, -1, true);
    }
  }
  keep(out, body, from, to, q, sideX, sideY, 0);
}

/** @returns the place of the last ring that was looked at */
function look(body: PlacedBody, from: number, to: number, sideX: number, sideY: number): number {
  const { rings, raised } = body;
  const along = body.along(sideX, sideY);
  const across = body.across(sideX, sideY);
  if (to - from >= half.length) {
    half = new Float64Array(2 * (to - from + 1));
    depth = new Float64Array(half.length);
  }
  for (let ring = from; ring <= to; ring++) {
    const base = ring * 3;
    const a = (rings[base + 1] as number) * along;
    const b = (rings[base + 2] as number) * across;
    half[ring - from] = Math.sqrt(a * a + b * b);
    depth[ring - from] = (rings[base] as number) - raised;
  }
  return to - from;
}

/** Finds the best direction whatever is asked of it; returns how far the line lies to the side of the body's axis. */
function offLine(body: PlacedBody, q: Vec3, last: number, sideX: number, sideY: number): number {
  const off = (q[0] - body.x) * sideX + (q[1] - body.y) * sideY;
  // The polygon is as wide to the left as to the right: a point to the left is asked as its image.
  nearest(last, Math.abs(off), q[2]);
  if (off < 0) best.side = -best.side;
  return off;
}

/** The direction that parts the polygon and a point to its right most, or tells the soonest way out. */
function nearest(last: number, x: number, z: number): void {
  best.value = Number.NEGATIVE_INFINITY;
  // Lines through the sides: where the point is outside one, that is a bound; inside all, the answer.
  offSide((depth[0] as number) - z, 0, -1);
  offSide(z - (depth[last] as number), 0, 1);
  for (let at = 0; at < last; at++) {
    const length = sideOf(at);
    if (length < NO_LENGTH_MM) continue;
    const side = ((depth[at + 1] as number) - (depth[at] as number)) / length;
    const deep = ((half[at] as number) - (half[at + 1] as number)) / length;
    offSide((x - (half[at] as number)) * side + (z - (depth[at] as number)) * deep, side, deep);
  }
  if (best.value <= TOUCHES_MM) return;
  let least = Number.POSITIVE_INFINITY;
  for (let at = -1; at <= last; at++) {
    // From the middle of the flat end around the right side to the middle of the other one.
    const x0 = at < 0 ? 0 : (half[at] as number);
    const z0 = depth[Math.max(0, at)] as number;
    const x1 = at === last ? 0 : (half[at + 1] as number);
    const z1 = depth[Math.min(last, at + 1)] as number;
    const dx = x1 - x0;
    const dz = z1 - z0;
    const square = dx * dx + dz * dz;
    const share = square > 0 ? Math.max(0, Math.min(1, ((x - x0) * dx + (z - z0) * dz) / square)) : 0;
    const offX = x - x0 - share * dx;
    const offZ = z - z0 - share * dz;
    const distance = offX * offX + offZ * offZ;
    if (distance >= least) continue;
    least = distance;
    // On a side its own normal is exact where the point all but touches it.
    if (share > 0 && share < 1) {
      const by = 1 / Math.sqrt(square);
      best.side = dz * by;
      best.deep = -dx * by;
      best.isSide = true;
    } else {
      const by = 1 / Math.sqrt(distance);
      best.side = offX * by;
      best.deep = offZ * by;
      best.isSide = false;
    }
  }
}

function offSide(value: number, side: number, deep: number, isSide = true): void {
  if (value <= best.value) return;
  best.value = value;
  best.isSide = isSide;
  best.side = side;
  best.deep = deep;
}

function sideOf(at: number): number {
  const x = (half[at + 1] as number) - (half[at] as number);
  const z = (depth[at + 1] as number) - (depth[at] as number);
  return Math.sqrt(x * x + z * z);
}

/** Takes a direction where it parts point and polygon more than the best so far. */
function tryDirection(last: number, off: number, z: number, side: number, deep: number, isSide: boolean): void {
  let value = Number.POSITIVE_INFINITY;
  for (let at = 0; at <= last; at++) {
    const each = off * side - (half[at] as number) * Math.abs(side) + (z - (depth[at] as number)) * deep;
    if (each < value) value = each;
  }
  offSide(value, side, deep, isSide);
}

function keep(
  out: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  q: Vec3,
  sideX: number,
  sideY: number,
  thicknessMm: number,
): void {
  const nx = best.side * sideX;
  const ny = best.side * sideY;
  body.reach(reach, from, to, nx, ny, best.deep);
  const gapMm = q[0] * nx + q[1] * ny + q[2] * best.deep - reach.valueMm - thicknessMm;
  if (gapMm >= out.gapMm) return;
  out.gapMm = gapMm;
  out.nx = nx;
  out.ny = ny;
  out.nz = best.deep;
  copyReach(out.reach, reach);
  if (best.isSide) moveAlongSide(out, q, sideX, sideY, gapMm + thicknessMm);
}

/** On a side the nearest point lies between the rings: straight across from the line. */
function moveAlongSide({ reach: at }: Gap, q: Vec3, sideX: number, sideY: number, offMm: number): void {
  const by = (q[0] - at.x) * sideX + (q[1] - at.y) * sideY - offMm * best.side;
  at.x += by * sideX;
  at.y += by * sideY;
  at.z = q[2] - offMm * best.deep;
}
