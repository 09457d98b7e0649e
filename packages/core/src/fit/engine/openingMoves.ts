/**
 * By how much the margins of an opening can have risen, and by how much sunk, since another one: check by check, whatever
 * speaker is asked. Bounds, not the moves themselves: only what a changed length can do at the most. Infinity where more
 * than lengths changed.
 */
import type { Dimension } from '../../uncertainty/Dimension';
import type { FitObstacle, FitOpening } from '../shapes';
import { type FittedSheet, sheetFit } from '../sheetFit';

/** The most that a margin can have risen and sunk, mm; both at least 0. */
export type MoveMm = { readonly up: number; readonly down: number };

const ANYTHING: MoveMm = { up: Number.POSITIVE_INFINITY, down: Number.POSITIVE_INFINITY };
const NOTHING: MoveMm = { up: 0, down: 0 };

/** What of an opening must be the same for its lengths to be compared, as text. */
type Sameness = { readonly hole: string; readonly plate: string; readonly behind: string; readonly obstacles: string };

const known = new WeakMap<FitOpening, Sameness>();

function samenessOf(opening: FitOpening): Sameness {
  let sameness = known.get(opening);
  if (!sameness) {
    const { hole, recess, wallMm, material, behind, lowerEdge, obstacles } = opening;
    sameness = {
      hole: JSON.stringify(hole),
      plate: JSON.stringify([recess, wallMm, material]),
      behind: JSON.stringify([behind, lowerEdge]),
      obstacles: JSON.stringify(
        obstacles.map(({ id, kind, angleRad, tiltRad, shape }) => [id, kind, angleRad, tiltRad, shape]),
      ),
    };
    known.set(opening, sameness);
  }
  return sameness;
}

/** The vehicle's hole: how far its edge moves outwards and inwards at the most. */
export function holeMoved(before: FitOpening, now: FitOpening): MoveMm {
  const [was, is] = [samenessOf(before), samenessOf(now)];
  if (was.plate !== is.plate) return ANYTHING;
  if (was.hole === is.hole) return NOTHING;
  const [a, b] = [before.hole, now.hole];
  if (a.kind === 'circle' && b.kind === 'circle') {
    const off = growthMm(a.diameter, b.diameter) / 2;
    return bothWays(off, off);
  }
  if (a.kind === 'oval' && b.kind === 'oval') {
    const offs = [growthMm(a.length, b.length) / 2, growthMm(a.width, b.width) / 2] as const;
    return bothWays(Math.max(...offs), Math.min(...offs));
  }
  if (a.kind === 'roundedRectangle' && b.kind === 'roundedRectangle') {
    // The middle of a corner moves with both sides and, by less than its radius, with that.
    const sides = Math.abs(growthMm(a.length, b.length)) + Math.abs(growthMm(a.width, b.width));
    return anyWay(sides / 2 + Math.abs(b.cornerRadiusMm - a.cornerRadiusMm));
  }
  return ANYTHING;
}

/**
 * What stands behind, within so many mm of the hole's centre. A sheet without an edge that is nowhere nearer than it was
 * leaves every body at least the gap it had.
 *
 * @see the sheet's equation in `sheetFit`: the difference of two sheets is one itself, and greatest at a corner or vertex
 */
export function behindMoved(before: FitOpening, now: FitOpening, reachMm: number): MoveMm {
  if (samenessOf(before).behind !== samenessOf(now).behind) return ANYTHING;
  const [a, b] = [sheetFit(before), sheetFit(now)];
  if (!a || !b) return a === b ? NOTHING : ANYTHING;
  if (!isAsSure(a, b)) return ANYTHING;
  const off = (key: 'c0' | 'c1' | 'c2' | 'c3') => b.sheet[key] - a.sheet[key];
  const [c0, c2, c3] = [off('c0'), off('c2'), off('c3')];
  const at = (y: number) => c0 + c2 * y + c3 * y * y;
  const vertex = c3 === 0 ? 0 : -c2 / (2 * c3);
  const inside = Math.max(-reachMm, Math.min(reachMm, vertex));
  const offs = [at(-reachMm), at(reachMm), at(inside)] as const;
  const aside = Math.abs(off('c1')) * reachMm;
  // Under its lower edge a window ends at right angles to itself: what leaves the face may come nearer there.
  if (now.lowerEdge) return anyWay(Math.max(...offs.map(Math.abs)) + aside);
  return bothWays(Math.max(...offs) + aside, Math.min(...offs) - aside);
}

/** Beams and rails, where their places and depths are all that changed. */
export function obstaclesMoved(before: FitOpening, now: FitOpening): MoveMm {
  if (samenessOf(before).obstacles !== samenessOf(now).obstacles) return ANYTHING;
  let most = 0;
  for (const [at, obstacle] of now.obstacles.entries()) {
    const other = before.obstacles[at] as FitObstacle;
    if (!isAlikeSure(other.place, obstacle.place)) return ANYTHING;
    const depth = growthMm(other.depth, obstacle.depth);
    most = Math.max(most, Math.hypot(obstacle.xMm - other.xMm, obstacle.yMm - other.yMm, depth));
  }
  // A beam that goes deeper may leave the magnet and meet the basket.
  return anyWay(most);
}

/** The front gap, with its sign; NaN where it is not the same length with another value. */
export function frontShiftMm(before: FitOpening, now: FitOpening): number {
  const [a, b] = [before.frontGap, now.frontGap];
  if (!a && !b) return 0;
  return a && b && isAlikeSure(a, b) ? b.valueMm - a.valueMm : Number.NaN;
}

/** From the greatest and the least of what happens to a margin. */
function bothWays(mostMm: number, leastMm: number): MoveMm {
  if (!Number.isFinite(mostMm) || !Number.isFinite(leastMm)) return ANYTHING;
  return { up: Math.max(0, mostMm), down: Math.max(0, -leastMm) };
}

function anyWay(mm: number): MoveMm {
  return { up: mm, down: mm };
}

function growthMm(a: Dimension | null, b: Dimension | null): number {
  if (!a && !b) return 0;
  return a && b && isAlikeSure(a, b) ? b.valueMm - a.valueMm : Number.POSITIVE_INFINITY;
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
