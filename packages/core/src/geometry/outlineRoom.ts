/**
 * How much room an elliptical section has inside an outline: the least distance between the two edges, negative when the
 * section sticks out. The section may be turned and off centre.
 *
 * Convex outlines: A ⊕ disc(d) lies in B exactly when h_A + d ≤ h_B in every direction (h is the support function), so the
 * room is min over θ of h_B(θ) − h_A(θ). Comparing only half axes would be wrong for two ellipses of different slimness:
 * the tight place is then between the axes. By the envelope theorem the sensitivities are those of the support
 * functions at the tight direction. Free polygons may be hollow: there the room is the least signed distance from the
 * ellipse to the polygon's edge, side by side.
 *
 * @see Schneider, Convex Bodies: The Brunn–Minkowski Theory, section 1.7 (support functions), from memory
 */
import { leastBetween } from '../math';
import type { OutlineMm } from './Outline';
import { polygonPoints } from './Outline';

/** A section of a body, or any ellipse, in the opening's frame. */
export type EllipseMm = {
  readonly xMm: number;
  readonly yMm: number;
  readonly halfLengthMm: number;
  readonly halfWidthMm: number;
  readonly angleRad: number;
};

export type OutlineRoom = {
  /** Least distance from the section to the outline, mm; negative: how far it sticks out. */
  readonly roomMm: number;
  /** Unit direction of the tight place. */
  readonly nx: number;
  readonly ny: number;
  /** ∂room/∂ each length of the outline, in the order of `outlineLengths`. */
  readonly outer: readonly number[];
  /** ∂room/∂(half length) and ∂room/∂(half width) of the section. */
  readonly innerAlong: number;
  readonly innerAcross: number;
};

const STEPS = 48;
/** Overwritten by each scan. */
const scan = new Float64Array(STEPS + 1);
/** The room is flat about its least: off by this it is off by less than a millionth of a millimetre. */
const DIRECTION_TOLERANCE_RAD = 1e-5;

/**
 * @example outlineRoom({ kind: 'circle', diameter: 150 }, { xMm: 0, yMm: 0, halfLengthMm: 71, halfWidthMm: 71, angleRad: 0 }).roomMm // 4
 */
export function outlineRoom(outer: OutlineMm, inner: EllipseMm): OutlineRoom {
  if (outer.kind === 'polygon') return polygonRoom(outer, inner);
  if (outer.kind === 'oval' && inner.halfLengthMm === inner.halfWidthMm) return roundInOval(outer, inner);
  const turnCos = Math.cos(inner.angleRad);
  const turnSin = Math.sin(inner.angleRad);
  const gap = (angle: number) => {
    const nx = Math.cos(angle);
    const ny = Math.sin(angle);
    const along = inner.halfLengthMm * (nx * turnCos + ny * turnSin);
    const across = inner.halfWidthMm * (ny * turnCos - nx * turnSin);
    return supportMm(outer, nx, ny) - Math.sqrt(along * along + across * across) - inner.xMm * nx - inner.yMm * ny;
  };
  const isRound = outer.kind === 'circle' && inner.halfLengthMm === inner.halfWidthMm;
  const angle = isRound ? Math.atan2(inner.yMm, inner.xMm) : leastAngle(gap, quarterDoes(outer, inner));
  const nx = Math.cos(angle);
  const ny = Math.sin(angle);
  return { roomMm: gap(angle), nx, ny, outer: supportSlopes(outer, nx, ny), ...ellipseSlopes(inner, nx, ny) };
}

/** A disc in an ellipse has the room of its middle, less its radius. */
function roundInOval(outer: Extract<OutlineMm, { kind: 'oval' }>, inner: EllipseMm): OutlineRoom {
  const ellipse = { xMm: 0, yMm: 0, halfLengthMm: outer.length / 2, halfWidthMm: outer.width / 2, angleRad: 0 };
  const { distanceMm, nx, ny } = ellipseDistance(ellipse, inner.xMm, inner.yMm);
  return {
    roomMm: -distanceMm - inner.halfLengthMm,
    nx,
    ny,
    outer: supportSlopes(outer, nx, ny),
    ...ellipseSlopes(inner, nx, ny),
  };
}

/** With a common centre and common axes the four quarters are mirror images. */
function quarterDoes(outer: OutlineMm, { xMm, yMm, angleRad, halfLengthMm, halfWidthMm }: EllipseMm): boolean {
  if (xMm !== 0 || yMm !== 0) return false;
  return halfLengthMm === halfWidthMm || outer.kind === 'circle'
    ? angleRad === 0 || halfLengthMm === halfWidthMm
    : Math.abs(Math.sin(angleRad)) < 1e-12;
}

function supportMm(outline: Exclude<OutlineMm, { kind: 'polygon' }>, nx: number, ny: number): number {
  switch (outline.kind) {
    case 'circle':
      return outline.diameter / 2;
    case 'oval': {
      const along = outline.length * nx;
      const across = outline.width * ny;
      return Math.sqrt(along * along + across * across) / 2;
    }
    case 'roundedRectangle': {
      const r = cornerMm(outline);
      return (outline.length / 2 - r) * Math.abs(nx) + (outline.width / 2 - r) * Math.abs(ny) + r;
    }
  }
}

/** A corner is never rounder than half the hole; whoever noted another radius is asked. */
function cornerMm({ cornerRadiusMm, length, width }: Extract<OutlineMm, { kind: 'roundedRectangle' }>): number {
  return Math.min(cornerRadiusMm, length / 2, width / 2);
}

function supportSlopes(outline: Exclude<OutlineMm, { kind: 'polygon' }>, nx: number, ny: number): readonly number[] {
  switch (outline.kind) {
    case 'circle':
      return [0.5];
    case 'oval': {
      const support = supportMm(outline, nx, ny);
      return [(outline.length * nx * nx) / (4 * support), (outline.width * ny * ny) / (4 * support)];
    }
    case 'roundedRectangle':
      return [Math.abs(nx) / 2, Math.abs(ny) / 2];
  }
}

function turned({ angleRad }: EllipseMm, nx: number, ny: number): readonly [number, number] {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  return [nx * cos + ny * sin, ny * cos - nx * sin];
}

function ellipseSlopes(inner: EllipseMm, nx: number, ny: number) {
  const [u, v] = turned(inner, nx, ny);
  const radial = Math.hypot(inner.halfLengthMm * u, inner.halfWidthMm * v);
  if (radial === 0) return { innerAlong: 0, innerAcross: 0 };
  return {
    innerAlong: (-inner.halfLengthMm * u * u) / radial,
    innerAcross: (-inner.halfWidthMm * v * v) / radial,
  };
}

/**
 * A scan, and a search around each of its low places that may be the lowest: two that are nearly mirror images lie as low, and the scan meets
 * them at different distances. Between two steps a smooth gap falls below the lower by an eighth of its second difference; twice that is allowed.
 */
function leastAngle(gap: (angle: number) => number, quarter: boolean): number {
  const turn = quarter ? Math.PI / 2 : 2 * Math.PI;
  const steps = quarter ? STEPS / 4 : STEPS;
  const step = turn / steps;
  const last = quarter ? steps : steps - 1;
  for (let index = 0; index <= last; index++) scan[index] = gap(index * step);
  let best = 0;
  let bestGap = scan[0] as number;
  for (let index = 1; index <= last; index++) {
    if ((scan[index] as number) >= bestGap) continue;
    best = index * step;
    bestGap = scan[index] as number;
  }
  for (let index = 0; index <= last; index++) {
    const here = scan[index] as number;
    const before = scan[index === 0 ? (quarter ? 1 : last) : index - 1] as number;
    const after = scan[index === last ? (quarter ? last - 1 : 0) : index + 1] as number;
    if (here > before || here > after || here - (before - 2 * here + after) / 4 > bestGap) continue;
    const from = (index - 1) * step;
    const to = (index + 1) * step;
    const inside = leastBetween(
      gap,
      quarter ? Math.max(0, from) : from,
      quarter ? Math.min(turn, to) : to,
      DIRECTION_TOLERANCE_RAD,
    );
    const insideGap = gap(inside);
    if (insideGap >= bestGap) continue;
    best = inside;
    bestGap = insideGap;
  }
  return best;
}

function polygonRoom(outer: Extract<OutlineMm, { kind: 'polygon' }>, inner: EllipseMm): OutlineRoom {
  const points = polygonPoints(outer);
  const {
    distanceMm: least,
    nx,
    ny,
  } = inner.halfLengthMm === inner.halfWidthMm ? nearestToDisc(points, inner) : nearestToEllipse(points, inner);
  const centreOutside = !isInsidePolygon(points, inner.xMm, inner.yMm);
  // A centre that lies outside is as bad as the whole way to its edge.
  const roomMm = centreOutside ? Math.min(-Math.abs(least), least) : least;
  return { roomMm: roomMm + outer.edgeOffset, nx, ny, outer: [1], ...ellipseSlopes(inner, nx, ny) };
}

type Nearest = { readonly distanceMm: number; readonly nx: number; readonly ny: number };
type Corner = readonly [number, number];

/** A disc's distance is that of its middle, less its radius. */
function nearestToDisc(points: readonly Corner[], { xMm, yMm, halfLengthMm }: EllipseMm): Nearest {
  let least = Number.POSITIVE_INFINITY;
  let [dx, dy] = [1, 0];
  for (let at = 0; at < points.length; at++) {
    const from = points[at] as Corner;
    const to = points[(at + 1) % points.length] as Corner;
    const t = footOnSegment(xMm, yMm, from, to);
    const x = from[0] + t * (to[0] - from[0]) - xMm;
    const y = from[1] + t * (to[1] - from[1]) - yMm;
    const square = x * x + y * y;
    if (square >= least) continue;
    least = square;
    dx = x;
    dy = y;
  }
  const distance = Math.sqrt(least);
  const [nx, ny] = distance > 0 ? [dx / distance, dy / distance] : [1, 0];
  return { distanceMm: distance - halfLengthMm, nx, ny };
}

/**
 * The signed distance to an ellipse is convex along a straight side: it lies above its tangents at both corners. Where those fall
 * towards each other its least lies between them, and is searched for only where the place in which they meet is below the least so far.
 */
function nearestToEllipse(points: readonly Corner[], inner: EllipseMm): Nearest {
  const corners = points.map(([x, y]) => ellipseDistance(inner, x, y));
  let nearest = corners.reduce((least, each) => (each.distanceMm < least.distanceMm ? each : least));
  for (let at = 0; at < points.length; at++) {
    const next = (at + 1) % points.length;
    const [from, to] = [points[at] as Corner, points[next] as Corner];
    const [first, last] = [corners[at] as Nearest, corners[next] as Nearest];
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (length === 0) continue;
    const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
    const falls = first.nx * ux + first.ny * uy;
    const rises = last.nx * ux + last.ny * uy;
    if (falls >= 0 || rises <= 0) continue;
    const meet = (last.distanceMm - rises * length - first.distanceMm) / (falls - rises);
    if (first.distanceMm + falls * meet >= nearest.distanceMm) continue;
    const along = (t: number) =>
      ellipseDistance(inner, from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1]));
    const found = along(leastBetween((t) => along(t).distanceMm, 0, 1, 1e-10));
    if (found.distanceMm < nearest.distanceMm) nearest = found;
  }
  return nearest;
}

/** Where on a segment a point is nearest, 0 at its start to 1 at its end. */
function footOnSegment(x: number, y: number, from: Corner, to: Corner): number {
  const dx = to[0] - from[0];
  const dy = to[1] - from[1];
  const square = dx * dx + dy * dy;
  return square > 0 ? Math.max(0, Math.min(1, ((x - from[0]) * dx + (y - from[1]) * dy) / square)) : 0;
}

/**
 * Signed distance from a point to an ellipse, positive outside, with the direction from the ellipse to the point.
 * Newton on the angle of the foot; the start between the two axes' own answers makes it converge in the first quadrant.
 *
 * @see Eberly, Distance from a Point to an Ellipse (robust root of the foot's equation), from memory
 */
export function ellipseDistance(inner: EllipseMm, xMm: number, yMm: number): Nearest {
  const [u, v] = turned(inner, xMm - inner.xMm, yMm - inner.yMm);
  const swap = inner.halfWidthMm > inner.halfLengthMm;
  const a = swap ? inner.halfWidthMm : inner.halfLengthMm;
  const b = swap ? inner.halfLengthMm : inner.halfWidthMm;
  const px = Math.abs(swap ? v : u);
  const py = Math.abs(swap ? u : v);
  const [fx, fy] = footOnEllipse(a, b, px, py);
  const isOutside = (px / a) ** 2 + (py / b) ** 2 >= 1;
  const distance = Math.hypot(px - fx, py - fy);
  // The outward normal at the foot, in the first quadrant, then back to the point's own.
  const normal = Math.hypot(fx / (a * a), fy / (b * b));
  const n1 = fx / (a * a) / normal;
  const n2 = fy / (b * b) / normal;
  const nu = (swap ? n2 : n1) * (u < 0 ? -1 : 1);
  const nv = (swap ? n1 : n2) * (v < 0 ? -1 : 1);
  const cos = Math.cos(inner.angleRad);
  const sin = Math.sin(inner.angleRad);
  return { distanceMm: isOutside ? distance : -distance, nx: nu * cos - nv * sin, ny: nu * sin + nv * cos };
}

/** Foot of (px, py), both at least 0, on the ellipse with half axes a ≥ b: bisection on Eberly's monotone function. */
function footOnEllipse(a: number, b: number, px: number, py: number): readonly [number, number] {
  if (a === b) {
    const radius = Math.hypot(px, py);
    return radius > 0 ? [(a * px) / radius, (a * py) / radius] : [a, 0];
  }
  if (py === 0) {
    const limit = (a * a - b * b) / a;
    if (px >= limit) return [a, 0];
    const fx = (a * a * px) / (a * a - b * b);
    return [fx, b * Math.sqrt(Math.max(0, 1 - (fx / a) ** 2))];
  }
  const value = (t: number) => ((a * px) / (t + a * a)) ** 2 + ((b * py) / (t + b * b)) ** 2 - 1;
  let low = -b * b + b * py;
  let high = -b * b + Math.hypot(a * px, b * py);
  for (let step = 0; step < 80 && high - low > 1e-13 * Math.max(1, Math.abs(high)); step++) {
    const middle = (low + high) / 2;
    if (value(middle) > 0) low = middle;
    else high = middle;
  }
  const t = (low + high) / 2;
  return [(a * a * px) / (t + a * a), (b * b * py) / (t + b * b)];
}

/** Whether a place lies within a polygon. */
export function isInsidePolygon(points: readonly (readonly [number, number])[], x: number, y: number): boolean {
  let inside = false;
  points.forEach(([x1, y1], index) => {
    const [x2, y2] = points[(index + 1) % points.length] ?? [x1, y1];
    if (y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1) inside = !inside;
  });
  return inside;
}
