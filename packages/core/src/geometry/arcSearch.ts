/**
 * The best separating direction on an arc from `a` (at angle 0) towards `b` (at right angles to it), for a body and an
 * endless edge or rod: a point q when one looks along it.
 *
 * The separation n · (q − p(n)) is unimodal over the arc where it is positive, and the sign of its derivative needs only
 * the touching point p. Between an angle at which it rises and one at which it falls, the next angle is that of q from the
 * nearest place of the chord between their touching points: for a corner or a straight flank, which is what bodies
 * consist of, it is the answer at once. Where that leads outside the bracket, or the body overlaps q, the bracket is cut
 * at the chord's normal or halved.
 */
import { copyGap, type Gap, newGap } from './Gap';
import { copyReach, newReach, type PlacedBody } from './PlacedBody';
import type { Vec3 } from './vector';

const MOST_STEPS = 60;
/** A direction that is off by this, or a slope so small, costs the gap less than 1e-7 mm: a kink is worst, with its two slopes. */
const SAME_RAD = 1e-9;
const SAME_MM = 1e-6;

const trial = newReach();

/** The two ends of the bracket: angle, and the touching point in the plane of the arc. */
const low = { angle: 0, u: 0, v: 0 };
const high = { angle: 0, u: 0, v: 0 };

/**
 * Keeps in `out` the gap of the rings `from` to `to` to the axis through q when it is less than what stands there.
 *
 * @param lowRad start of the arc; a maximum at the start is taken at once
 * @param thicknessMm radius of a rod about the axis; 0 for an edge
 */
export function searchArc(
  out: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  a: Vec3,
  b: Vec3,
  q: Vec3,
  lowRad: number,
  highRad: number,
  thicknessMm: number,
): void {
  const qu = q[0] * a[0] + q[1] * a[1] + q[2] * a[2];
  const qv = q[0] * b[0] + q[1] * b[1] + q[2] * b[2];
  let angle = lowRad;
  let cos = Math.cos(angle);
  let sin = Math.sin(angle);
  for (let step = 0; step < MOST_STEPS; step++) {
    body.reach(trial, from, to, cos * a[0] + sin * b[0], cos * a[1] + sin * b[1], cos * a[2] + sin * b[2]);
    const u = trial.x * a[0] + trial.y * a[1] + trial.z * a[2];
    const v = trial.x * b[0] + trial.y * b[1] + trial.z * b[2];
    const slope = cos * (qv - v) - sin * (qu - u);
    if (step === 0) {
      if (slope <= 0) break;
      setEnd(low, angle, u, v);
      angle = highRad;
    } else if (step === 1) {
      if (slope >= 0) break;
      setEnd(high, angle, u, v);
      angle = nextAngle(qu, qv);
    } else {
      if (Math.abs(slope) < SAME_MM) break;
      // The same point on both sides of the bracket that is cut: its own angle was asked, and rounding is all that is left.
      setEnd(slope > 0 ? low : high, angle, u, v);
      if (high.angle - low.angle < SAME_RAD) break;
      const next = nextAngle(qu, qv);
      if (Math.abs(next - angle) < SAME_RAD) break;
      angle = next;
    }
    cos = Math.cos(angle);
    sin = Math.sin(angle);
  }
  const gapMm = qu * cos + qv * sin - trial.valueMm - thicknessMm;
  if (gapMm >= out.gapMm) return;
  out.gapMm = gapMm;
  out.nx = cos * a[0] + sin * b[0];
  out.ny = cos * a[1] + sin * b[1];
  out.nz = cos * a[2] + sin * b[2];
  copyReach(out.reach, trial);
}

const values = new Float64Array(65);
const found = newGap();

/** Peaks of a scan this close to the highest are all searched: a step beside a flat flank costs some millimetres. */
const PEAK_MM = 10;

/**
 * The greatest separation on an arc, written into `out`, whatever its sign. Where the two overlap the separation may rise
 * again past the body's other corners, so the search starts at the peaks of a scan.
 *
 * @param steps the arc is looked through in so many steps, up to 64
 */
export function scanArc(
  out: Gap,
  body: PlacedBody,
  from: number,
  to: number,
  a: Vec3,
  b: Vec3,
  q: Vec3,
  lowRad: number,
  highRad: number,
  steps: number,
  thicknessMm: number,
): void {
  const step = (highRad - lowRad) / steps;
  let most = Number.NEGATIVE_INFINITY;
  for (let index = 0; index <= steps; index++) {
    const value = separationAt(body, from, to, a, b, q, lowRad + index * step);
    values[index] = value;
    if (value > most) most = value;
  }
  out.gapMm = Number.NEGATIVE_INFINITY;
  for (let index = 0; index <= steps; index++) {
    const value = values[index] as number;
    const isPeak =
      value >= (values[Math.max(0, index - 1)] as number) && value >= (values[Math.min(steps, index + 1)] as number);
    if (!isPeak || value < most - PEAK_MM) continue;
    const low = Math.max(0, index - 1);
    const high = Math.min(steps, index + 1);
    found.gapMm = Number.POSITIVE_INFINITY;
    searchArc(found, body, from, to, a, b, q, lowRad + low * step, lowRad + high * step, thicknessMm);
    if (found.gapMm > out.gapMm) copyGap(out, found);
  }
}

/** How far the rings and the axis through q lie apart in the direction at an angle, mm. */
export function separationAt(
  body: PlacedBody,
  from: number,
  to: number,
  a: Vec3,
  b: Vec3,
  q: Vec3,
  angle: number,
): number {
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  return separation(body, from, to, q, cos * a[0] + sin * b[0], cos * a[1] + sin * b[1], cos * a[2] + sin * b[2]);
}

export function separation(
  body: PlacedBody,
  from: number,
  to: number,
  q: Vec3,
  nx: number,
  ny: number,
  nz: number,
): number {
  body.reach(trial, from, to, nx, ny, nz);
  return q[0] * nx + q[1] * ny + q[2] * nz - trial.valueMm;
}

function setEnd(end: typeof low, angle: number, u: number, v: number): void {
  end.angle = angle;
  end.u = u;
  end.v = v;
}

/** The angle of q from the nearest place of the chord low–high; the chord's outward normal where q is not outside of it. */
function nextAngle(qu: number, qv: number): number {
  const du = high.u - low.u;
  const dv = high.v - low.v;
  const square = du * du + dv * dv;
  const middle = (low.angle + high.angle) / 2;
  let angle = middle;
  if (square < 1e-18) {
    angle = Math.atan2(qv - low.v, qu - low.u);
  } else {
    const t = ((qu - low.u) * du + (qv - low.v) * dv) / square;
    // Turning from low to high runs anticlockwise, so outwards is to the right of the chord.
    const outside = (qu - low.u) * dv - (qv - low.v) * du;
    if (outside > 0 && t <= 0) angle = Math.atan2(qv - low.v, qu - low.u);
    else if (outside > 0 && t >= 1) angle = Math.atan2(qv - high.v, qu - high.u);
    else angle = Math.atan2(-du, dv);
  }
  return angle > low.angle && angle < high.angle ? angle : middle;
}
