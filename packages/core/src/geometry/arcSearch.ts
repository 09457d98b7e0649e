/**
 * The best separating direction on an arc from `a` (at angle 0) towards `b` (at right angles to it).
 *
 * The separation of two convex sets is unimodal over an arc of directions where it is positive, and its derivative
 * needs only the two touching points, so the sign of the derivative is halved: forty-four times for the last digit.
 */
import type { Gap } from './Gap';
import { newReach, type PlacedBody } from './PlacedBody';

const HALVINGS = 44;

const trial = newReach();

/**
 * Keeps in `out` the gap of the rings `from` to `to` to the point or axis (qx, qy, qz) when it is less than what stands
 * there.
 *
 * @param lowRad start of the arc; a maximum at the start is taken at once
 * @param thicknessMm radius of a rod about the axis; 0 for an edge
 */
export function searchArc(
  out: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  [ax, ay, az]: readonly [number, number, number],
  [bx, by, bz]: readonly [number, number, number],
  [qx, qy, qz]: readonly [number, number, number],
  lowRad: number,
  highRad: number,
  thicknessMm: number,
): void {
  let low = lowRad;
  let high = highRad;
  let angle = lowRad;
  let nx = ax;
  let ny = ay;
  let nz = az;
  for (let step = 0; step <= HALVINGS + 2; step++) {
    const cos = Math.cos(angle);
    const sin = Math.sin(angle);
    nx = cos * ax + sin * bx;
    ny = cos * ay + sin * by;
    nz = cos * az + sin * bz;
    body.reach(trial, from, to, nx, ny, nz);
    const slope =
      (qx - trial.x) * (cos * bx - sin * ax) +
      (qy - trial.y) * (cos * by - sin * ay) +
      (qz - trial.z) * (cos * bz - sin * az);
    if (step === 0) {
      if (slope <= 0) break;
      angle = highRad;
      continue;
    }
    if (step === 1 && slope >= 0) break;
    if (slope > 0) low = angle;
    else high = angle;
    if (high - low < 1e-12) break;
    angle = (low + high) / 2;
  }
  const gapMm = qx * nx + qy * ny + qz * nz - trial.valueMm - thicknessMm;
  if (gapMm >= out.gapMm) return;
  out.gapMm = gapMm;
  out.nx = nx;
  out.ny = ny;
  out.nz = nz;
  Object.assign(out.reach, trial);
}
