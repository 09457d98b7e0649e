/** Edges of a piece, whichever shape they have: how far a place lies off one, where a ray leaves it, and its line in places. */
import { type EllipseMm, ellipseDistance } from '../geometry';
import type { Edge } from './Template';

export type PlaceMm = { readonly xMm: number; readonly yMm: number };

/** A closed line with the box around it, which is what stands for it where an ellipse would. @param corners anticlockwise, at least 3 */
export function lineEdge(corners: readonly PlaceMm[]): Edge {
  const [xs, ys] = [corners.map(({ xMm }) => xMm), corners.map(({ yMm }) => yMm)];
  const [minX, maxX, minY, maxY] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return {
    ...{ xMm: (minX + maxX) / 2, yMm: (minY + maxY) / 2, angleRad: 0 },
    ...{ halfLengthMm: (maxX - minX) / 2, halfWidthMm: (maxY - minY) / 2 },
    corners,
  };
}

/** From a place to an edge, mm: positive outside of it. */
export function offEdgeMm(edge: Edge, xMm: number, yMm: number): number {
  const { corners } = edge;
  if (!corners) return ellipseDistance(edge, xMm, yMm).distanceMm;
  let [nearest, isInside] = [Number.POSITIVE_INFINITY, false];
  corners.forEach((a, at) => {
    const b = corners[(at + 1) % corners.length] as PlaceMm;
    const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
    const square = dx * dx + dy * dy;
    const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((xMm - a.xMm) * dx + (yMm - a.yMm) * dy) / square));
    nearest = Math.min(nearest, Math.hypot(xMm - a.xMm - t * dx, yMm - a.yMm - t * dy));
    if (a.yMm > yMm !== b.yMm > yMm && xMm < a.xMm + ((yMm - a.yMm) * dx) / dy) isInside = !isInside;
  });
  return isInside ? -nearest : nearest;
}

/** Where a ray from inside leaves an edge. */
export function leaves(from: PlaceMm, ux: number, uy: number, edge: Edge): PlaceMm {
  const t = edge.corners ? lineExitMm(from, ux, uy, edge.corners) : ellipseExitMm(from, ux, uy, edge);
  return { xMm: from.xMm + ux * t, yMm: from.yMm + uy * t };
}

function ellipseExitMm(
  { xMm, yMm }: PlaceMm,
  ux: number,
  uy: number,
  { xMm: cx, yMm: cy, halfLengthMm: a, halfWidthMm: b, angleRad }: EllipseMm,
): number {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  const [dx, dy] = [xMm - cx, yMm - cy];
  const [px, py] = [(dx * cos + dy * sin) / a, (dy * cos - dx * sin) / b];
  const [vx, vy] = [(ux * cos + uy * sin) / a, (uy * cos - ux * sin) / b];
  const [qa, qb, qc] = [vx * vx + vy * vy, px * vx + py * vy, px * px + py * py - 1];
  return (-qb + Math.sqrt(Math.max(0, qb * qb - qa * qc))) / qa;
}

function lineExitMm({ xMm, yMm }: PlaceMm, ux: number, uy: number, corners: readonly PlaceMm[]): number {
  let farthest = 0;
  corners.forEach((a, at) => {
    const b = corners[(at + 1) % corners.length] as PlaceMm;
    const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
    const det = ux * dy - uy * dx;
    if (Math.abs(det) < 1e-12) return;
    const t = ((a.xMm - xMm) * dy - (a.yMm - yMm) * dx) / det;
    const s = ((a.xMm - xMm) * uy - (a.yMm - yMm) * ux) / det;
    if (t > farthest && s >= 0 && s <= 1) farthest = t;
  });
  return farthest;
}

/** A line that leaves the edge by no more than `chordMm`, anticlockwise. */
export function edgeLine(edge: Edge, chordMm: number): readonly PlaceMm[] {
  if (edge.corners) return edge.corners;
  const { xMm, yMm, halfLengthMm, halfWidthMm, angleRad } = edge;
  const half = Math.max(halfLengthMm, halfWidthMm);
  const count = Math.max(24, Math.ceil(Math.PI / Math.acos(1 - chordMm / half)));
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  return Array.from({ length: count }, (_, at) => {
    const turn = (2 * Math.PI * at) / count;
    const [x, y] = [halfLengthMm * Math.cos(turn), halfWidthMm * Math.sin(turn)];
    return { xMm: xMm + x * cos - y * sin, yMm: yMm + x * sin + y * cos };
  });
}
