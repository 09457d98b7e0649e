/**
 * A cut through the opening along its axis: what of each solid lies in the plane. Drawing coordinates: x is the depth
 * from the mounting plane into the door, y runs downwards, so a place t up the cut is drawn at −t.
 */

import type { FitObstacle } from '@low-quarry/core/fit';
import { obstacleBox, obstacleRod } from '@low-quarry/core/fit';
import {
  add,
  dot,
  type GlassSheet,
  type Pose,
  RING_STRIDE,
  type RingsMm,
  scale,
  sheetDepthMm,
  type Vec3,
} from '@low-quarry/core/geometry';
import type { Point } from './DimensionLine';

export type CutPlane = {
  /** Direction of the cut in the face, rad from +x; what lies in this direction is drawn upwards. */
  readonly angleRad: number;
};

const SHEET_STEPS = 24;
const ROD_CORNERS = 48;
/** A rod that runs in the plane is drawn this far to both sides, mm. */
const ROD_REACH_MM = 220;
/** A point so near to the plane is in it, for a drawing, mm. */
const IN_PLANE_MM = 2;

export function toDrawing({ angleRad }: CutPlane, [x, y, z]: Vec3): Point {
  return { x: z, y: -(x * Math.cos(angleRad) + y * Math.sin(angleRad)) };
}

/** Whether a place is to be seen in this cut. */
export function isInPlane({ angleRad }: CutPlane, [x, y]: Vec3): boolean {
  return Math.abs(y * Math.cos(angleRad) - x * Math.sin(angleRad)) <= IN_PLANE_MM;
}

/** The cut that shows a place; null on the axis, which every cut shows. */
export function planeThrough([x, y]: Vec3): CutPlane | null {
  if (Math.hypot(x, y) < IN_PLANE_MM) return null;
  const angle = Math.atan2(y, x);
  return { angleRad: angle < 0 ? angle + Math.PI : angle };
}

/** The body's outline in the cut, from the flange inwards on the upper side and back on the lower. */
export function cutBody(rings: RingsMm, pose: Pose, plane: CutPlane): readonly Point[] {
  const upper: Point[] = [];
  const lower: Point[] = [];
  for (let at = 0; at < rings.length; at += RING_STRIDE) {
    const chord = ringChord(rings[at + 1] ?? 0, rings[at + 2] ?? 0, pose, plane);
    if (!chord) continue;
    const x = (rings[at] ?? 0) - pose.raisedMm;
    upper.push({ x, y: -chord.to });
    lower.push({ x, y: -chord.from });
  }
  return [...upper, ...lower.reverse()];
}

/** Where the cut meets an ellipse: along the cut, mm; null where it misses it. */
export function ringChord(
  halfLength: number,
  halfWidth: number,
  { xMm, yMm, angleRad }: Pick<Pose, 'xMm' | 'yMm' | 'angleRad'>,
  plane: CutPlane,
): { readonly from: number; readonly to: number } | null {
  const turn = plane.angleRad - angleRad;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  // The cut's own line runs through the opening's centre; the ellipse's centre lies off it by its own offset.
  const ox = -(xMm * Math.cos(angleRad) + yMm * Math.sin(angleRad));
  const oy = -(yMm * Math.cos(angleRad) - xMm * Math.sin(angleRad));
  const a = (cos / halfLength) ** 2 + (sin / halfWidth) ** 2;
  const b = (ox * cos) / halfLength ** 2 + (oy * sin) / halfWidth ** 2;
  const c = (ox / halfLength) ** 2 + (oy / halfWidth) ** 2 - 1;
  const root = b * b - a * c;
  if (!(root > 0) || !(a > 0)) return null;
  return { from: (-b - Math.sqrt(root)) / a, to: (-b + Math.sqrt(root)) / a };
}

/** The sheet's line in the cut between two heights along it; empty where its lower edge leaves nothing. */
export function cutSheet(sheet: GlassSheet, plane: CutPlane, fromMm: number, toMm: number): readonly Point[] {
  const points: Point[] = [];
  for (let step = 0; step <= SHEET_STEPS; step++) {
    const t = fromMm + ((toMm - fromMm) * step) / SHEET_STEPS;
    const x = t * Math.cos(plane.angleRad);
    const y = t * Math.sin(plane.angleRad);
    if (sheet.lowerEdgeMm !== null && y < sheet.lowerEdgeMm - 1e-9) continue;
    points.push({ x: sheetDepthMm(sheet, x, y), y: -t });
  }
  return points;
}

/** An obstacle's outline in the cut; empty where the cut misses it. */
export function cutObstacle(obstacle: FitObstacle, plane: CutPlane): readonly Point[] {
  return obstacle.shape.kind === 'rod' ? cutRod(obstacle, plane) : cutBox(obstacle, plane);
}

function axes({ angleRad }: CutPlane) {
  return {
    along: [Math.cos(angleRad), Math.sin(angleRad), 0] as Vec3,
    inwards: [0, 0, 1] as Vec3,
    normal: [-Math.sin(angleRad), Math.cos(angleRad), 0] as Vec3,
  };
}

function cutRod(obstacle: FitObstacle, plane: CutPlane): readonly Point[] {
  const { at, direction, radiusMm } = obstacleRod(obstacle);
  const { normal } = axes(plane);
  const across = dot(direction, normal);
  const off = dot(at, normal);
  if (Math.abs(across) < 0.05) {
    const half = radiusMm ** 2 - off ** 2;
    if (half <= 0) return [];
    const inPlane = toDrawing(plane, direction);
    const by = Math.hypot(inPlane.x, inPlane.y);
    const [ux, uy] = [inPlane.x / by, inPlane.y / by];
    const middle = toDrawing(plane, at);
    const width = Math.sqrt(half);
    return [
      [1, 1],
      [1, -1],
      [-1, -1],
      [-1, 1],
    ].map(([side = 1, edge = 1]) => ({
      x: middle.x + side * ROD_REACH_MM * ux - edge * width * uy,
      y: middle.y + side * ROD_REACH_MM * uy + edge * width * ux,
    }));
  }
  const centre = toDrawing(plane, add(at, scale(direction, -off / across)));
  const lean = toDrawing(plane, direction);
  const size = Math.hypot(lean.x, lean.y);
  const [ux, uy] = size > 1e-9 ? [lean.x / size, lean.y / size] : [1, 0];
  const long = Math.min(ROD_REACH_MM, radiusMm / Math.abs(across));
  return Array.from({ length: ROD_CORNERS }, (_, corner) => {
    const angle = (2 * Math.PI * corner) / ROD_CORNERS;
    const [p, q] = [long * Math.cos(angle), radiusMm * Math.sin(angle)];
    return { x: centre.x + p * ux - q * uy, y: centre.y + p * uy + q * ux };
  });
}

function cutBox(obstacle: FitObstacle, plane: CutPlane): readonly Point[] {
  const {
    middle,
    axes: [e1, e2, e3],
    halfSizeMm: [a, b, c],
  } = obstacleBox(obstacle);
  const { normal } = axes(plane);
  const corner = (x: number, y: number, z: number): Vec3 =>
    add(middle, add(add(scale(e1, x * a), scale(e2, y * b)), scale(e3, z * c)));
  const signs = [-1, 1] as const;
  const edges = signs.flatMap((p) =>
    signs.flatMap((q) => [
      [corner(-1, p, q), corner(1, p, q)] as const,
      [corner(p, -1, q), corner(p, 1, q)] as const,
      [corner(p, q, -1), corner(p, q, 1)] as const,
    ]),
  );
  const points = edges.flatMap(([from, to]) => {
    const [d1, d2] = [dot(from, normal), dot(to, normal)];
    if (d1 > 0 === d2 > 0) return [];
    const share = d1 / (d1 - d2);
    return [toDrawing(plane, add(scale(from, 1 - share), scale(to, share)))];
  });
  if (points.length < 3) return [];
  const cx = points.reduce((sum, { x }) => sum + x, 0) / points.length;
  const cy = points.reduce((sum, { y }) => sum + y, 0) / points.length;
  return points.sort((p, q) => Math.atan2(p.y - cy, p.x - cx) - Math.atan2(q.y - cy, q.x - cx));
}
