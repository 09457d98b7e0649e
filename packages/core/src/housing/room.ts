/** What is inside a housing: its volume, and how wide it is about the speaker's axis. */
import { cross, dot, type Vec3 } from '../geometry';
import { type FaceFrame, toFace } from './frame';
import type { PlaceMm, Shell } from './shell';

const MM3_PER_LITRE = 1e6;

/**
 * From the panel to the back of its face, with nothing in it: the speaker takes its own of it.
 *
 * @returns litres; by the divergence theorem over the wall's triangles, exact for the solid that they bound
 */
export function volumeL({ inside, behind }: Pick<Shell, 'inside' | 'behind'>): number {
  const low = inside.map(([x, y]): Vec3 => [x, y, 0]);
  const [lowMiddle, highMiddle] = [meanOf(low), meanOf(behind)];
  let sixfold = 0;
  const add = (a: Vec3, b: Vec3, c: Vec3) => {
    sixfold += dot(a, cross(b, c));
  };
  low.forEach((a, at) => {
    const next = (at + 1) % low.length;
    const [b, c, d] = [low[next], behind[next], behind[at]] as [Vec3, Vec3, Vec3];
    add(a, b, c);
    add(a, c, d);
    add(lowMiddle, b, a);
    add(highMiddle, d, c);
  });
  return Math.abs(sixfold) / 6 / MM3_PER_LITRE;
}

function meanOf(places: readonly Vec3[]): Vec3 {
  const sum = places.reduce(([x, y, z], [dx, dy, dz]) => [x + dx, y + dy, z + dz] as Vec3, [0, 0, 0] as Vec3);
  return [sum[0] / places.length, sum[1] / places.length, sum[2] / places.length];
}

export type BoreMm = { readonly insideMm: number; readonly depthMm: number };

/**
 * The widest round thing that goes from the face straight in past all of these edges, and how deep the farthest of them lies.
 *
 * @param edges closed lines around the axis, in the panel's frame
 */
export function boreOf(frame: FaceFrame, edges: readonly (readonly Vec3[])[]): BoreMm {
  let [leastMm, depthMm] = [Number.POSITIVE_INFINITY, 0];
  for (const edge of edges) {
    const seen = edge.map((place) => toFace(frame, place));
    seen.forEach(([x, y, z], at) => {
      const [nextX, nextY] = seen[(at + 1) % seen.length] as Vec3;
      leastMm = Math.min(leastMm, nearestOn([x, y], [nextX, nextY]));
      depthMm = Math.max(depthMm, z);
    });
  }
  return { insideMm: 2 * leastMm, depthMm };
}

/** From the axis to a stretch beside it. */
function nearestOn([ax, ay]: PlaceMm, [bx, by]: PlaceMm): number {
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy;
  const t = square === 0 ? 0 : Math.max(0, Math.min(1, -(ax * dx + ay * dy) / square));
  return Math.hypot(ax + t * dx, ay + t * dy);
}
