/**
 * The window glass as a sheet that may lean both ways and be curved in the direction in which it slides:
 * z = c0 + c1·x + c2·y + c3·y². A window has to slide along itself, so it is straight across and curved, if at all, up
 * and down; a second curvature would jam in its channels. What threatens the body is the sheet's swept area: everything
 * at and beyond the sheet, above the height to which its lower edge comes when the window is fully down.
 *
 * The sheet is straight along (1, 0, c1), so the nearest place is a question in the plane across that direction: along
 * the face one normal for each height, at the lower edge a fan of directions from the face's normal to straight up the
 * sheet. No mesh, no sampling of the sheet.
 */
import { leastBetween } from '../math';
import { scanArc, searchArc } from './arcSearch';
import { copyGap, type Gap, newGap } from './Gap';
import type { PlacedBody } from './PlacedBody';
import { edgeLineGap } from './silhouette';

export type GlassSheet = {
  /** z = c0 + c1·x + c2·y + c3·y²: mm, a ratio, a ratio, 1/mm. */
  readonly c0: number;
  readonly c1: number;
  readonly c2: number;
  readonly c3: number;
  /** Height of the lower edge when the window is fully down, mm above the opening's centre; null for the whole sheet. */
  readonly lowerEdgeMm: number | null;
};

/** Beyond this height from the centre no body reaches, mm. */
const SHEET_REACH_MM = 260;
const FOOT_STEPS = 14;
const NEWTON_STEPS = 8;
/** Nearer to the sheet's centre of curvature than this part of its radius Newton's method is not trusted. */
const LEAST_STEEP = 0.2;
/** A foot that is off by this is off by less than 1e-10 in the gap: the curvature times its square, mm. */
const SAME_FOOT_MM = 3e-4;
/** To this the height is searched for where following does not come to rest, mm. */
const SEARCHED_FOOT_MM = 1e-6;
/** Between two heights of a search over tangent planes. */
const HEIGHT_STEP_MM = 10;
/** Below this the sheet is flat for every purpose: under a hundredth of a millimetre over 400 mm. */
const FLAT_CURVATURE = 1e-9;

const other = newGap();
const trial = newGap();
const fan = newGap();
/** The fan of directions at the lower edge is looked through in so many steps where the body overlaps. */
const FAN_STEPS = 12;
/** A body that stands in the sheet is sure to part by the face when it reaches so many times as far over the edge. */
export const OVER_EDGE = 1.2;
/** Two directions are one when they are off by no more than this, rad. */
const SAME_DIRECTION = 1e-9;

/**
 * Gap between a body and the sheet, written into `out`. Exact to rounding for a flat sheet; on a curved one to the
 * square of the foot's last step.
 *
 * @returns whether the window's lower edge is what is nearest
 */
export function sheetGap(out: Gap, body: PlacedBody, sheet: GlassSheet): boolean {
  const edge = sheet.lowerEdgeMm;
  const foot = faceGap(out, body, 0, body.lastRing, sheet);
  if (edge === null || isOffFace(out, foot, edge)) return false;
  const pieces = body.pieces;
  let atEdge = false;
  copyGap(other, out);
  other.gapMm = Number.POSITIVE_INFINITY;
  for (let at = 0; at < pieces.length; at += 2) {
    const from = pieces[at] as number;
    const to = pieces[at + 1] as number;
    // A piece whose own nearest place lies above the edge has its gap to the face.
    const ownFoot = faceGap(out, body, from, to, sheet);
    const isAbove = ownFoot >= edge;
    if (isAbove && !isOffFace(out, ownFoot, edge)) {
      // It stands in the window: out under the edge may be a shorter way than off the face.
      edgeGap(fan, body, from, to, sheet, edge);
      const isUnder = fan.gapMm > out.gapMm;
      if (isUnder) copyGap(out, fan);
      if (out.gapMm < other.gapMm) {
        copyGap(other, out);
        atEdge = isUnder;
      }
      continue;
    }
    const hasFoot = isAbove || (sheet.c3 < 0 && upperFoot(out, body, from, to, sheet, edge));
    if (hasFoot && out.gapMm < other.gapMm) {
      copyGap(other, out);
      atEdge = false;
    }
    if (isAbove) continue;
    const isCorner = edgeGap(fan, body, from, to, sheet, edge);
    // Where the gap shrinks from the edge upwards, the foot up there is what is nearest.
    if (fan.gapMm < other.gapMm && (isCorner || !hasFoot)) {
      copyGap(other, fan);
      atEdge = true;
    }
  }
  copyGap(out, other);
  return atEdge;
}

/**
 * Whether a body with its nearest place so high parts from the sheet by its face: apart from it, or standing in it by less
 * than it reaches over the edge. In any direction between the face's normal and straight up it comes out by no more than
 * the longer way of these two.
 */
function isOffFace({ gapMm }: Gap, footMm: number, edgeMm: number): boolean {
  return footMm >= edgeMm && footMm - edgeMm >= -gapMm * OVER_EDGE;
}

/**
 * Gap to the endless sheet. Against a sheet that is hollow towards the body the nearest point lies on a ring, above or
 * below its middle, and every ring is asked; against one that bulges towards it each convex piece has one nearest place.
 *
 * @returns the height of the nearest place on the sheet, mm
 */
function faceGap(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet): number {
  if (Math.abs(sheet.c3) < FLAT_CURVATURE) {
    atHeight(out, body, from, to, sheet, 0);
    return footY(out);
  }
  out.gapMm = Number.POSITIVE_INFINITY;
  let foot = 0;
  if (sheet.c3 < 0 && sheet.c1 === 0 && levelRings(body, from, to, sheet)) {
    atHeight(out, body, level.ring, level.ring, sheet, level.foot);
    return level.foot;
  }
  if (sheet.c3 < 0) {
    for (let ring = to; ring >= from; ring--) {
      if (ringBound(body, ring, sheet) > out.gapMm) continue;
      const reach = Math.max(body.rings[ring * 3 + 1] as number, body.rings[ring * 3 + 2] as number);
      foot = keepLess(out, foot, body, ring, ring, sheet, body.y + reach);
      // A second nearest place, below the middle, is there only where the sheet's slope changes sign within the ring.
      const slopeAbove = sheet.c2 + 2 * sheet.c3 * (body.y + reach);
      const slopeBelow = sheet.c2 + 2 * sheet.c3 * (body.y - reach);
      if (slopeAbove * slopeBelow <= 0) foot = keepLess(out, foot, body, ring, ring, sheet, body.y - reach);
    }
    return foot;
  }
  const { pieces } = body;
  for (let at = 0; at < pieces.length; at += 2) {
    const first = Math.max(from, pieces[at] as number);
    const last = Math.min(to, pieces[at + 1] as number);
    if (first <= last) foot = keepLess(out, foot, body, first, last, sheet, body.y);
  }
  return foot;
}

/** The nearest ring of those that `levelRings` asked, and the height of its foot. */
const level = { ring: 0, foot: 0, gapMm: 0 };

/**
 * A sheet that is level across is met by the upper or the lower end of a ring, a point, whose foot Newton's method finds
 * in two or three steps. False where it does not come to rest.
 */
function levelRings(body: PlacedBody, from: number, to: number, sheet: GlassSheet): boolean {
  const { rings, raised, y: middle } = body;
  const along = body.along(0, 1);
  const across = body.across(0, 1);
  const { c2, c3 } = sheet;
  level.gapMm = Number.POSITIVE_INFINITY;
  for (let ring = to; ring >= from; ring--) {
    const a = (rings[ring * 3 + 1] as number) * along;
    const b = (rings[ring * 3 + 2] as number) * across;
    const half = Math.sqrt(a * a + b * b);
    const depth = (rings[ring * 3] as number) - raised;
    // Each end is the nearer one where the sheet comes nearer beyond it.
    if (c2 + 2 * c3 * (middle + half) <= 0 && !keepFoot(ring, middle + half, depth, sheet)) return false;
    if (c2 + 2 * c3 * (middle - half) >= 0 && !keepFoot(ring, middle - half, depth, sheet)) return false;
  }
  return true;
}

function keepFoot(ring: number, y: number, z: number, { c0, c2, c3 }: GlassSheet): boolean {
  let foot = y;
  for (let step = 0; step < NEWTON_STEPS; step++) {
    const slope = c2 + 2 * c3 * foot;
    const off = c0 + (c2 + c3 * foot) * foot - z;
    const steep = 1 + slope * slope + 2 * c3 * off;
    if (!(steep > LEAST_STEEP)) return false;
    const by = (foot - y + slope * off) / steep;
    foot -= by;
    if (Math.abs(by) > SAME_FOOT_MM) continue;
    const there = c2 + 2 * c3 * foot;
    const gapMm = (c0 + (c2 + c3 * foot) * foot - z - there * (foot - y)) / Math.sqrt(1 + there * there);
    if (gapMm < level.gapMm) {
      level.gapMm = gapMm;
      level.ring = ring;
      level.foot = foot;
    }
    return true;
  }
  return false;
}

/**
 * What of a hollow sheet is nearest above a ring's middle may be there when what is nearest below it is not. Writes the
 * least of these gaps into `out`; false where no foot lies above the edge.
 */
function upperFoot(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet, edge: number): boolean {
  out.gapMm = Number.POSITIVE_INFINITY;
  for (let ring = to; ring >= from; ring--) {
    const reach = Math.max(body.rings[ring * 3 + 1] as number, body.rings[ring * 3 + 2] as number);
    const foot = followFoot(trial, body, ring, ring, sheet, Math.max(edge, body.y + reach), edge);
    // What runs down to the edge has no foot above it.
    if (foot > edge + SEARCHED_FOOT_MM && trial.gapMm < out.gapMm) copyGap(out, trial);
  }
  return out.gapMm < Number.POSITIVE_INFINITY;
}

/** A figure that a ring's gap to a hollow sheet is never below: its least depth along z, taken along the steepest normal. */
function ringBound(body: PlacedBody, ring: number, { c0, c1, c2, c3 }: GlassSheet): number {
  const z = body.rings[ring * 3] as number;
  const radius = Math.max(body.rings[ring * 3 + 1] as number, body.rings[ring * 3 + 2] as number);
  const high = Math.abs(body.y) + radius;
  const depth = c0 + c1 * body.x + c2 * body.y - Math.sqrt(c1 * c1 + c2 * c2) * radius + c3 * high * high;
  const gap = depth - z + body.raised;
  if (gap <= 0) return Number.NEGATIVE_INFINITY;
  // The foot lies at most the gap to the side of the ring.
  const steepest = Math.abs(c2) - 2 * c3 * (high + gap);
  return gap / Math.sqrt(1 + c1 * c1 + steepest * steepest);
}

/** Follows the foot from a height; returns its height where the gap there is the least so far, else the one that stood. */
function keepLess(
  out: Gap,
  footMm: number,
  body: PlacedBody,
  from: number,
  to: number,
  sheet: GlassSheet,
  startMm: number,
): number {
  const foot = followFoot(trial, body, from, to, sheet, startMm);
  if (trial.gapMm >= out.gapMm) return footMm;
  copyGap(out, trial);
  return foot;
}

/** Support against the sheet's tangent plane at a height. */
function atHeight(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet, y: number): void {
  const { c0, c1, c2, c3 } = sheet;
  const slope = c2 + 2 * c3 * y;
  const by = 1 / Math.sqrt(1 + c1 * c1 + slope * slope);
  out.nx = -c1 * by;
  out.ny = -slope * by;
  out.nz = by;
  body.reach(out.reach, from, to, out.nx, out.ny, out.nz);
  out.gapMm = by * (c0 - c3 * y * y) - out.reach.valueMm;
}

/**
 * Moves the tangent's height to the foot of the body's nearest point until both agree. Each step shrinks the error by
 * gap times curvature, a few hundredths for a car's window. Where the sheet lies almost level with a flat end the nearest
 * point runs around the end's edge instead of coming to rest; then the height is searched for.
 *
 * @param lowestMm what lies lower is no part of the sheet
 * @returns the height of the foot; where the nearest point is a whole flat end, that of the sheet's place over it
 */
function followFoot(
  out: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  sheet: GlassSheet,
  startMm: number,
  lowestMm = -SHEET_REACH_MM,
): number {
  let y = startMm;
  for (let step = 0; step < FOOT_STEPS; step++) {
    atHeight(out, body, from, to, sheet, y);
    const next = Math.max(lowestMm, Math.min(SHEET_REACH_MM, footY(out)));
    if (Math.abs(next - y) < SAME_FOOT_MM) return next;
    y = next;
  }
  return searchHeight(out, body, from, to, sheet, lowestMm);
}

/**
 * The gap as a search over tangent planes: what lies beyond a sheet that bulges towards the body is convex, and the plane
 * that parts them most tells the distance; a hollow sheet has the body in a convex room, and the nearest of its planes
 * tells it.
 */
function searchHeight(
  out: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  sheet: GlassSheet,
  lowestMm: number,
): number {
  const sign = sheet.c3 > 0 ? -1 : 1;
  const at = (y: number) => {
    atHeight(out, body, from, to, sheet, y);
    return sign * out.gapMm;
  };
  let best = lowestMm;
  let least = Number.POSITIVE_INFINITY;
  for (let y = lowestMm; y <= SHEET_REACH_MM; y += HEIGHT_STEP_MM) {
    const value = at(y);
    if (value >= least) continue;
    best = y;
    least = value;
  }
  const foot = leastBetween(at, Math.max(lowestMm, best - HEIGHT_STEP_MM), best + HEIGHT_STEP_MM, SEARCHED_FOOT_MM);
  at(foot);
  return foot;
}

function footY({ reach, gapMm, ny }: Gap): number {
  return reach.y + gapMm * ny;
}

/**
 * Gap to the lower edge, written into `out`: a fan of directions from the sheet's normal there to straight up the sheet.
 *
 * @returns false where the fan's own start, the normal, parts the two most: then the edge is no nearest place by itself
 */
function edgeGap(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet, edge: number): boolean {
  const { c0, c1, c2, c3 } = sheet;
  const slope = c2 + 2 * c3 * edge;
  const by = 1 / Math.sqrt(1 + c1 * c1 + slope * slope);
  const at = [0, edge, c0 + c2 * edge + c3 * edge * edge] as const;
  const [nx, ny, nz] = [-c1 * by, -slope * by, by];
  const along = 1 / Math.sqrt(1 + c1 * c1);
  const [ex, ez] = [along, c1 * along];
  const up = [ny * ez, nz * ex - nx * ez, -ny * ex] as const;
  out.gapMm = Number.POSITIVE_INFINITY;
  if (c1 === 0) edgeLineGap(out, body, from, to, at, 0, 1, ny, nz);
  else {
    const normal = [nx, ny, nz] as const;
    searchArc(out, body, from, to, normal, up, at, 0, Math.PI / 2, 0);
    // Within the body the separation has more than one peak: it may come out under the edge sooner than off the face.
    if (out.gapMm <= 0) scanArc(out, body, from, to, normal, up, at, 0, Math.PI / 2, FAN_STEPS, 0);
  }
  return out.nx * up[0] + out.ny * up[1] + out.nz * up[2] > SAME_DIRECTION;
}

/** Depth of the sheet at a place of the face, mm. */
export function sheetDepthMm({ c0, c1, c2, c3 }: Omit<GlassSheet, 'lowerEdgeMm'>, xMm: number, yMm: number): number {
  return c0 + c1 * xMm + c2 * yMm + c3 * yMm * yMm;
}
