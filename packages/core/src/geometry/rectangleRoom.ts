/**
 * How much room a rectangle has inside an outline, edges and all: a terminal beside a tab of a traced hole is nearest to it
 * in the middle of its side, where neither of its corners is.
 *
 * A convex outline holds a rectangle exactly when it holds its corners. In a free polygon the room is the least distance
 * between the sides of both, and where they cross it is as deep as the polygon's edge lies in the rectangle.
 */
import { EDGE_SHARE, leastBetween } from '../math';
import { type OutlineMm, polygonPoints } from './Outline';
import { isInsidePolygon, type OutlineRoom, outlineRoom } from './outlineRoom';

/** A rectangle of the face: its middle, the direction of its length, half its sizes. */
export type RectangleMm = {
  readonly xMm: number;
  readonly yMm: number;
  readonly angleRad: number;
  readonly halfLengthMm: number;
  readonly halfWidthMm: number;
};

export type RectangleRoom = Pick<OutlineRoom, 'roomMm' | 'outer'> & {
  /** Where the rectangle is nearest to the outline, and unit direction from there to it, in the opening's frame. */
  readonly xMm: number;
  readonly yMm: number;
  readonly nx: number;
  readonly ny: number;
};

type Frame = { readonly xMm: number; readonly yMm: number; readonly angleRad: number };
type Point = readonly [number, number];

/** @param frame where the outline lies */
export function rectangleRoom(outer: OutlineMm, frame: Frame, rectangle: RectangleMm): RectangleRoom {
  const cos = Math.cos(frame.angleRad);
  const sin = Math.sin(frame.angleRad);
  const inFrame = ([x, y]: Point): Point => [
    (x - frame.xMm) * cos + (y - frame.yMm) * sin,
    (y - frame.yMm) * cos - (x - frame.xMm) * sin,
  ];
  const corners = rectangleCorners(rectangle).map(inFrame);
  // Of a mere point, such as a screw's, one corner is all of it.
  const isPoint = rectangle.halfLengthMm === 0 && rectangle.halfWidthMm === 0;
  const found =
    outer.kind === 'polygon' ? inPolygon(outer, corners) : inConvex(outer, isPoint ? corners.slice(0, 1) : corners);
  const { x, y, nx, ny } = found;
  return {
    roomMm: found.roomMm,
    outer: found.outer,
    xMm: frame.xMm + x * cos - y * sin,
    yMm: frame.yMm + x * sin + y * cos,
    nx: nx * cos - ny * sin,
    ny: nx * sin + ny * cos,
  };
}

export function rectangleCorners({ xMm, yMm, angleRad, halfLengthMm, halfWidthMm }: RectangleMm): readonly Point[] {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  const signs: readonly Point[] = [
    [1, 1],
    [-1, 1],
    [-1, -1],
    [1, -1],
  ];
  return signs.map(([along, across]): Point => {
    const [a, b] = [along * halfLengthMm, across * halfWidthMm];
    return [xMm + a * cos - b * sin, yMm + a * sin + b * cos];
  });
}

type Found = Pick<OutlineRoom, 'roomMm' | 'outer' | 'nx' | 'ny'> & { readonly x: number; readonly y: number };

function inConvex(outer: OutlineMm, corners: readonly Point[]): Found {
  return corners
    .map(
      ([x, y]): Found => ({
        ...outlineRoom(outer, { xMm: x, yMm: y, halfLengthMm: 0, halfWidthMm: 0, angleRad: 0 }),
        x,
        y,
      }),
    )
    .reduce((least, each) => (each.roomMm < least.roomMm ? each : least));
}

function inPolygon(outer: Extract<OutlineMm, { kind: 'polygon' }>, corners: readonly Point[]): Found {
  // The polygon's own corners that lie in the rectangle, and the rectangle's own by their signed distance.
  const points = polygonPoints(outer);
  let best = corners
    .map((corner) => pointRoom(points, outer.edgeOffset, corner))
    .reduce((least, each) => (each.roomMm < least.roomMm ? each : least));
  const take = (mm: number, x: number, y: number, nx: number, ny: number) => {
    const roomMm = mm + outer.edgeOffset;
    if (roomMm < best.roomMm) best = { roomMm, x, y, nx, ny, outer: [1] };
  };
  points.forEach((from, index) => {
    const to = points[(index + 1) % points.length] as Point;
    const cut = clipped(from, to, corners);
    if (cut) {
      // A side that runs through the rectangle: as deep as its deepest place lies in it.
      const place = (share: number): Point => [
        cut[0][0] + share * (cut[1][0] - cut[0][0]),
        cut[0][1] + share * (cut[1][1] - cut[0][1]),
      ];
      const share = leastBetween((each) => -depthIn(corners, place(each)), 0, 1, EDGE_SHARE);
      const [x, y] = place(share);
      const { nx, ny, depthMm } = wayOut(corners, [x, y]);
      take(-depthMm, x, y, nx, ny);
      return;
    }
    for (let side = 0; side < 4; side++) {
      const [x, y] = nearestOn(corners[side] as Point, corners[(side + 1) % 4] as Point, from);
      const apart = Math.hypot(from[0] - x, from[1] - y);
      if (apart > 0) take(apart, x, y, (from[0] - x) / apart, (from[1] - y) / apart);
    }
  });
  return best;
}

/** How deep a place lies in a rectangle, mm. */
function depthIn(corners: readonly Point[], at: Point): number {
  return wayOut(corners, at).depthMm;
}

/** The nearest side of a rectangle from a place inside it, and the direction from there to it. */
function wayOut(corners: readonly Point[], [x, y]: Point) {
  let depthMm = Number.POSITIVE_INFINITY;
  let [nx, ny] = [1, 0];
  corners.forEach(([x1, y1], index) => {
    const [x2, y2] = corners[(index + 1) % corners.length] as Point;
    const length = Math.hypot(x2 - x1, y2 - y1) || 1;
    const off = ((x2 - x1) * (y - y1) - (y2 - y1) * (x - x1)) / length;
    if (off >= depthMm) return;
    depthMm = off;
    [nx, ny] = [(y2 - y1) / length, -(x2 - x1) / length];
  });
  return { depthMm, nx, ny };
}

/** Signed distance of a point from the edge of a polygon, positive inside. */
function pointRoom(points: readonly Point[], edgeOffset: number, [x, y]: Point): Found {
  let least = Number.POSITIVE_INFINITY;
  let [nx, ny] = [1, 0];
  points.forEach((from, index) => {
    const [sx, sy] = nearestOn(from, points[(index + 1) % points.length] as Point, [x, y]);
    const apart = Math.hypot(sx - x, sy - y);
    if (apart >= least) return;
    least = apart;
    if (apart > 0) [nx, ny] = [(sx - x) / apart, (sy - y) / apart];
  });
  const isInside = isInsidePolygon(points, x, y);
  const sign = isInside ? 1 : -1;
  return { roomMm: sign * least + edgeOffset, outer: [1], x, y, nx: sign * nx, ny: sign * ny };
}

function nearestOn(from: Point, to: Point, [x, y]: Point): Point {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const square = dx * dx + dy * dy;
  const t = square > 0 ? Math.max(0, Math.min(1, ((x - from[0]) * dx + (y - from[1]) * dy) / square)) : 0;
  return [from[0] + t * dx, from[1] + t * dy];
}

function leftOf(from: Point, to: Point, [x, y]: Point): number {
  return (to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0]);
}

/** The part of a side that lies inside a rectangle; null where none does. Liang–Barsky on the rectangle's four sides. */
function clipped(from: Point, to: Point, corners: readonly Point[]): readonly [Point, Point] | null {
  let low = 0;
  let high = 1;
  for (let side = 0; side < 4; side++) {
    const a = corners[side] as Point;
    const b = corners[(side + 1) % 4] as Point;
    const [start, end] = [leftOf(a, b, from), leftOf(a, b, to)];
    if (start < 0 && end < 0) return null;
    const at = start / (start - end);
    if (start < 0) low = Math.max(low, at);
    else if (end < 0) high = Math.min(high, at);
  }
  if (low >= high) return null;
  const place = (t: number): Point => [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
  return [place(low), place(high)];
}
