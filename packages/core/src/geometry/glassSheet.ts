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
import { leastBetween } from '../math/leastBetween';
import { scanArc, searchArc } from './arcSearch';
import { copyGap, type Gap, newGap } from './Gap';
import type { PlacedBody } from './PlacedBody';

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

/**
 * Gap between a body and the sheet, written into `out`. Exact to rounding for a flat sheet; on a curved one to the
 * square of the foot's last step.
 *
 * @returns whether the window's lower edge is what is nearest
 */
export function sheetGap(out: Gap, body: PlacedBody, sheet: GlassSheet): boolean {
  const edge = sheet.lowerEdgeMm;
  faceGap(out, body, 0, body.lastRing, sheet);
  if (edge === null || footY(out) >= edge) return false;
  const pieces = body.pieces;
  let atEdge = false;
  let least = Number.POSITIVE_INFINITY;
  copyGap(other, out);
  other.gapMm = Number.POSITIVE_INFINITY;
  for (let at = 0; at < pieces.length; at += 2) {
    const from = pieces[at] as number;
    const to = pieces[at + 1] as number;
    // A piece whose own nearest place lies above the edge has its gap to the face.
    faceGap(out, body, from, to, sheet);
    if (footY(out) >= edge) {
      if (out.gapMm < other.gapMm) copyGap(other, out);
    } else {
      edgeGap(other, body, from, to, sheet, edge);
    }
    if (other.gapMm < least) {
      least = other.gapMm;
      atEdge = footY(out) < edge;
    }
  }
  copyGap(out, other);
  return atEdge;
}

/**
 * Gap to the endless sheet. Against a sheet that is hollow towards the body the nearest point lies on a ring, above or
 * below its middle, and every ring is asked; against one that bulges towards it each convex piece has one nearest place.
 */
function faceGap(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet): void {
  if (Math.abs(sheet.c3) < FLAT_CURVATURE) {
    atHeight(out, body, from, to, sheet, 0);
    return;
  }
  out.gapMm = Number.POSITIVE_INFINITY;
  if (sheet.c3 < 0) {
    for (let ring = to; ring >= from; ring--) {
      if (ringBound(body, ring, sheet) > out.gapMm) continue;
      const reach = Math.max(body.rings[ring * 3 + 1] as number, body.rings[ring * 3 + 2] as number);
      keepLess(out, body, ring, ring, sheet, body.y + reach);
      // A second nearest place, below the middle, is there only where the sheet's slope changes sign within the ring.
      const slopeAbove = sheet.c2 + 2 * sheet.c3 * (body.y + reach);
      const slopeBelow = sheet.c2 + 2 * sheet.c3 * (body.y - reach);
      if (slopeAbove * slopeBelow <= 0) keepLess(out, body, ring, ring, sheet, body.y - reach);
    }
    return;
  }
  const { pieces } = body;
  for (let at = 0; at < pieces.length; at += 2) {
    const first = Math.max(from, pieces[at] as number);
    const last = Math.min(to, pieces[at + 1] as number);
    if (first <= last) keepLess(out, body, first, last, sheet, body.y);
  }
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

function keepLess(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet, startMm: number): void {
  followFoot(trial, body, from, to, sheet, startMm);
  if (trial.gapMm < out.gapMm) copyGap(out, trial);
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
 */
function followFoot(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet, startMm: number): void {
  let y = startMm;
  for (let step = 0; step < FOOT_STEPS; step++) {
    atHeight(out, body, from, to, sheet, y);
    const next = Math.max(-SHEET_REACH_MM, Math.min(SHEET_REACH_MM, footY(out)));
    if (Math.abs(next - y) < SAME_FOOT_MM) return;
    y = next;
  }
  searchHeight(out, body, from, to, sheet);
}

/**
 * The gap as a search over tangent planes: what lies beyond a sheet that bulges towards the body is convex, and the plane
 * that parts them most tells the distance; a hollow sheet has the body in a convex room, and the nearest of its planes
 * tells it.
 */
function searchHeight(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet): void {
  const sign = sheet.c3 > 0 ? -1 : 1;
  const at = (y: number) => {
    atHeight(out, body, from, to, sheet, y);
    return sign * out.gapMm;
  };
  let best = 0;
  let least = Number.POSITIVE_INFINITY;
  for (let y = -SHEET_REACH_MM; y <= SHEET_REACH_MM; y += HEIGHT_STEP_MM) {
    const value = at(y);
    if (value >= least) continue;
    best = y;
    least = value;
  }
  at(leastBetween(at, best - HEIGHT_STEP_MM, best + HEIGHT_STEP_MM, SEARCHED_FOOT_MM));
}

function footY({ reach, gapMm, ny }: Gap): number {
  return reach.y + gapMm * ny;
}

/** Gap to the lower edge: a fan of directions from the sheet's normal there to straight up the sheet. */
function edgeGap(out: Gap, body: PlacedBody, from: number, to: number, sheet: GlassSheet, edge: number): void {
  const { c0, c1, c2, c3 } = sheet;
  const slope = c2 + 2 * c3 * edge;
  const by = 1 / Math.sqrt(1 + c1 * c1 + slope * slope);
  const along = 1 / Math.sqrt(1 + c1 * c1);
  const [nx, ny, nz] = [-c1 * by, -slope * by, by];
  const [ex, ez] = [along, c1 * along];
  const up = [ny * ez, nz * ex - nx * ez, -ny * ex] as const;
  const depth = c0 + c2 * edge + c3 * edge * edge;
  const normal = [nx, ny, nz] as const;
  const at = [0, edge, depth] as const;
  fan.gapMm = Number.POSITIVE_INFINITY;
  searchArc(fan, body, from, to, normal, up, at, 0, Math.PI / 2, 0);
  // Within the body the separation has more than one peak: it may come out under the edge sooner than off the face.
  if (fan.gapMm <= 0) scanArc(fan, body, from, to, normal, up, at, 0, Math.PI / 2, FAN_STEPS, 0);
  if (fan.gapMm < out.gapMm) copyGap(out, fan);
}

/** Depth of the sheet at a place of the face, mm. */
export function sheetDepthMm({ c0, c1, c2, c3 }: Omit<GlassSheet, 'lowerEdgeMm'>, xMm: number, yMm: number): number {
  return c0 + c1 * xMm + c2 * yMm + c3 * yMm * yMm;
}
