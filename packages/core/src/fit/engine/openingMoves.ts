/**
 * By how much the margins of an opening can have moved since another one, check by check, whatever speaker is asked. A
 * bound, not the move itself: only what a changed length can do at the most. Infinity where more than lengths changed.
 */
import type { Dimension } from '../../uncertainty/Dimension';
import type { FitObstacle, FitOpening } from '../shapes';
import { type FittedSheet, sheetFit } from '../sheetFit';

const ANYTHING = Number.POSITIVE_INFINITY;

/** The vehicle's hole: no point of its edge moves farther than this, mm. */
export function holeMovedMm(before: FitOpening, now: FitOpening): number {
  const others = (of: FitOpening) => JSON.stringify([of.recess, of.wallMm, of.material]);
  if (others(before) !== others(now)) return ANYTHING;
  const [a, b] = [before.hole, now.hole];
  if (JSON.stringify(a) === JSON.stringify(b)) return 0;
  if (a.kind === 'circle' && b.kind === 'circle') return movedMm(a.diameter, b.diameter) / 2;
  if (a.kind === 'oval' && b.kind === 'oval') {
    return Math.max(movedMm(a.length, b.length), movedMm(a.width, b.width)) / 2;
  }
  if (a.kind === 'roundedRectangle' && b.kind === 'roundedRectangle') {
    // The middle of a corner moves with both sides and, by less than its radius, with that.
    return (
      (movedMm(a.length, b.length) + movedMm(a.width, b.width)) / 2 + Math.abs(b.cornerRadiusMm - a.cornerRadiusMm)
    );
  }
  return ANYTHING;
}

/**
 * What stands behind, within so many mm of the hole's centre.
 *
 * @see the sheet's equation in `sheetFit`: the difference of two sheets is one itself, and greatest at a corner or vertex
 */
export function behindMovedMm(before: FitOpening, now: FitOpening, reachMm: number): number {
  const others = (of: FitOpening) => JSON.stringify([of.behind, of.lowerEdge]);
  if (others(before) !== others(now)) return ANYTHING;
  const [a, b] = [sheetFit(before), sheetFit(now)];
  if (!a || !b) return a === b ? 0 : ANYTHING;
  if (!isAsSure(a, b)) return ANYTHING;
  const off = (key: 'c0' | 'c1' | 'c2' | 'c3') => b.sheet[key] - a.sheet[key];
  const [c0, c2, c3] = [off('c0'), off('c2'), off('c3')];
  const at = (y: number) => Math.abs(c0 + c2 * y + c3 * y * y);
  const vertex = c3 === 0 ? 0 : -c2 / (2 * c3);
  const inside = Math.max(-reachMm, Math.min(reachMm, vertex));
  return Math.max(at(-reachMm), at(reachMm), at(inside)) + Math.abs(off('c1')) * reachMm;
}

/** Beams and rails, where their places and depths are all that changed. */
export function obstaclesMovedMm(before: FitOpening, now: FitOpening): number {
  if (before.obstacles.length !== now.obstacles.length) return ANYTHING;
  let most = 0;
  for (const [at, obstacle] of now.obstacles.entries()) {
    const other = before.obstacles[at] as FitObstacle;
    if (fixedPart(other) !== fixedPart(obstacle) || !isAlikeSure(other.place, obstacle.place)) return ANYTHING;
    const depth = movedMm(other.depth, obstacle.depth);
    most = Math.max(most, Math.hypot(obstacle.xMm - other.xMm, obstacle.yMm - other.yMm, depth));
  }
  return most;
}

/** The front gap, with its sign; Infinity where it is not the same length with another value. */
export function frontShiftMm(before: FitOpening, now: FitOpening): number {
  const [a, b] = [before.frontGap, now.frontGap];
  if (!a && !b) return 0;
  return a && b && isAlikeSure(a, b) ? b.valueMm - a.valueMm : ANYTHING;
}

function fixedPart({ id, kind, angleRad, tiltRad, shape }: FitObstacle): string {
  return JSON.stringify([id, kind, angleRad, tiltRad, shape]);
}

function movedMm(a: Dimension | null, b: Dimension | null): number {
  if (!a && !b) return 0;
  return a && b && isAlikeSure(a, b) ? Math.abs(b.valueMm - a.valueMm) : ANYTHING;
}

function isAlikeSure(a: Dimension, b: Dimension): boolean {
  return (
    a.uncertaintyMm === b.uncertaintyMm &&
    a.degreesOfFreedom === b.degreesOfFreedom &&
    (a.isRectangular ?? false) === (b.isRectangular ?? false)
  );
}

/** Whether two sheets depend on the same dimensions in the same way. */
function isAsSure(a: FittedSheet, b: FittedSheet): boolean {
  return a.coefficients.every(({ terms }, column) => {
    const others = b.coefficients[column]?.terms ?? [];
    return (
      terms.length === others.length &&
      terms.every(({ name, dimension, sensitivity }, at) => {
        const other = others[at];
        return (
          other !== undefined &&
          other.name === name &&
          isAlikeSure(other.dimension, dimension) &&
          Math.abs(other.sensitivity - sensitivity) <= 1e-9 * Math.abs(sensitivity)
        );
      })
    );
  });
}
