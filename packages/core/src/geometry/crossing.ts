/** Whether a closed outline crosses itself. */

type Point = readonly [number, number];

/** @returns where two of its sides that are no neighbours cross; null where none do */
export function crossing(points: readonly Point[]): Point | null {
  const count = points.length;
  for (let i = 0; i < count; i++) {
    for (let j = i + 2; j < count; j++) {
      if (i === 0 && j === count - 1) continue;
      const at = meeting(
        points[i] as Point,
        points[i + 1] as Point,
        points[j] as Point,
        points[(j + 1) % count] as Point,
      );
      if (at) return at;
    }
  }
  return null;
}

/** Where two sides cross inside both; null where they do not. */
function meeting([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point, [dx, dy]: Point): Point | null {
  const [ux, uy, vx, vy] = [bx - ax, by - ay, dx - cx, dy - cy];
  const turn = ux * vy - uy * vx;
  if (turn === 0) return null;
  const t = ((cx - ax) * vy - (cy - ay) * vx) / turn;
  const s = ((cx - ax) * uy - (cy - ay) * ux) / turn;
  return t > 0 && t < 1 && s > 0 && s < 1 ? [ax + t * ux, ay + t * uy] : null;
}
