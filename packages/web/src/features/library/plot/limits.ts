/** What an opening lets pass by itself, without bracket or ring, as lines in a plot of lengths. */
import type { Plotted } from '@low-quarry/core/contracts/partPoints';
import type { FitOpening, FitRules } from '@low-quarry/core/fit';
import { outlineMm, spanOf } from '@low-quarry/core/geometry';

/** The most that a length may be, mm; what nobody measured sets no limit. */
export type Limits = Readonly<Partial<Record<Plotted, number>>>;

export function limitsOf({ hole, depths, behind }: FitOpening, { clearancesMm }: FitRules): Limits {
  const outline = outlineMm(hole);
  const narrowestMm = (outline && spanOf(outline)?.narrowestMm) ?? null;
  const clearance = behind === 'metal' ? clearancesMm.metal : clearancesMm.glass;
  const leastMm = Math.min(...depths.map(({ depth }) => depth.valueMm));
  return {
    ...(narrowestMm === null ? {} : { cutout: narrowestMm - 2 * clearancesMm.hole }),
    ...(behind === 'nothing' || depths.length === 0 ? {} : { depth: leastMm - clearance }),
  };
}

/** Whether a point keeps every limit that there is of its two lengths. */
export function isWithin(
  point: { readonly x: number; readonly y: number },
  limits: Limits,
  x: Plotted,
  y: Plotted,
): boolean {
  return point.x <= (limits[x] ?? Number.POSITIVE_INFINITY) && point.y <= (limits[y] ?? Number.POSITIVE_INFINITY);
}
