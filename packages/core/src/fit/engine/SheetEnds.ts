/**
 * Where bodies come near a window that is level across and nearer the higher up: at the upper ends of their last rings. The
 * heights between which a body's nearest place lies, and how far aside, for bounds that are worked out without asking where
 * it is.
 */
import { type GlassSheet, OVER_EDGE } from '../../geometry/glassSheet';
import { type CatalogueIndex, STEEP_SHEET } from './CatalogueIndex';

/** How far beyond a body the foot on a steep sheet may lie, mm; for bounds only. */
export const BOUND_ROOM_MM = 60;
/** A gap beyond this is nobody's question, mm. */
export const FARTHEST_GAP_MM = 300;

export class SheetEnds {
  /** Of the body that was placed last, where on the sheet its foot can be: heights, and how far to the side of the middle. */
  lowMm = 0;
  highMm = 0;
  asideMm = 0;

  constructor(private readonly index: CatalogueIndex) {}

  /**
   * @param offsetMm how far chains set the body off the hole's centre at the most
   * @param gapMm no gap that is asked is wider
   * @returns false where the body may be met elsewhere, or the lower edge may be what is nearest
   */
  place(speaker: number, offsetMm: number, { c0, c1, c2, c3, lowerEdgeMm }: GlassSheet, gapMm: number): boolean {
    const { row } = this.index;
    const reach = row.bodyReachMm(speaker) + offsetMm;
    const bend = 2 * Math.abs(c3);
    const steep = Math.abs(c2) + bend * (reach + BOUND_ROOM_MM);
    const high = reach + steep * gapMm;
    if (c1 !== 0 || steep > STEEP_SHEET || !(c2 + bend * high < 0)) return false;
    // A body that stands in the sheet is met as much lower as the sheet leans over what stands in it.
    const nearest = c0 + (c2 + c3 * high) * high;
    const standsIn = Math.max(0, row.deepMm(speaker) - nearest);
    const low = row.endNarrowMm(speaker) - offsetMm - steep * standsIn;
    if (lowerEdgeMm !== null && low - lowerEdgeMm <= OVER_EDGE * standsIn) return false;
    this.lowMm = low;
    this.highMm = row.endWideMm(speaker) + offsetMm + steep * gapMm;
    // A round body meets a sheet that is level across straight above its axis.
    this.asideMm = row.isAllRound(speaker) ? offsetMm : reach;
    return true;
  }
}
