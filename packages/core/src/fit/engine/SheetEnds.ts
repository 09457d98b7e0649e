/**
 * Where bodies come near a window that is level across and nearer the higher up: at the upper ends of their last rings. For
 * such a sheet, or any number of them, the heights between which a body's nearest place lies, for bounds that are worked
 * out without asking where it is.
 */
import { type GlassSheet, OVER_EDGE } from '../../geometry/glassSheet';
import { type CatalogueIndex, STEEP_SHEET } from './CatalogueIndex';

/** How far beyond a body the foot on a steep sheet may lie, mm; for bounds only. */
export const BOUND_ROOM_MM = 60;
/** A gap beyond this is nobody's question, mm. */
export const FARTHEST_GAP_MM = 300;

/** What all of some sheets stay within. */
export type SheetLimits = {
  /** Greatest slope without its sign, and with it; the greatest change of slope with the height, 1/mm. */
  readonly steepest: number;
  readonly leastSteep: number;
  readonly bend: number;
  /** No sheet is nearer than c0 + c2·y + c3·y² with these, for heights above the centre. */
  readonly c0: number;
  readonly c2: number;
  readonly c3: number;
  /** The highest of their lower edges; null where they have none. */
  readonly edgeMm: number | null;
};

/** Null where one of the sheets leans aside too. */
export function limitsOf(...sheets: readonly GlassSheet[]): SheetLimits | null {
  if (sheets.some(({ c1 }) => c1 !== 0)) return null;
  const most = (of: (sheet: GlassSheet) => number) => Math.max(...sheets.map(of));
  const edges = sheets.flatMap(({ lowerEdgeMm }) => (lowerEdgeMm === null ? [] : [lowerEdgeMm]));
  return {
    steepest: most(({ c2 }) => Math.abs(c2)),
    leastSteep: most(({ c2 }) => c2),
    bend: 2 * most(({ c3 }) => Math.abs(c3)),
    c0: -most(({ c0 }) => -c0),
    c2: -most(({ c2 }) => -c2),
    c3: -most(({ c3 }) => -c3),
    edgeMm: edges.length > 0 ? Math.max(...edges) : null,
  };
}

export class SheetEnds {
  /** Of the body that was placed last: the heights of its feet, and the steepest slope there. */
  lowMm = 0;
  highMm = 0;
  steep = 0;

  constructor(private readonly index: CatalogueIndex) {}

  /**
   * @param offsetMm how far chains set the body off the hole's centre at the most
   * @param gapMm no gap that is asked is wider
   * @returns false where the body may be met elsewhere, or the lower edge may be what is nearest
   */
  place(speaker: number, offsetMm: number, limits: SheetLimits, gapMm: number): boolean {
    const { index } = this;
    const reach = index.row.bodyReachMm(speaker) + offsetMm;
    const steep = limits.steepest + limits.bend * (reach + BOUND_ROOM_MM);
    const high = reach + steep * gapMm;
    if (steep > STEEP_SHEET || !(limits.leastSteep + limits.bend * high < 0)) return false;
    // A body that stands in the sheet is met as much lower as the sheet leans over what stands in it.
    const nearest = limits.c0 + (limits.c2 + limits.c3 * high) * high;
    const standsIn = Math.max(0, index.row.deepMm(speaker) - nearest);
    const low = index.row.endNarrowMm(speaker) - offsetMm - steep * standsIn;
    if (limits.edgeMm !== null && low - limits.edgeMm <= OVER_EDGE * standsIn) return false;
    this.lowMm = low;
    this.highMm = index.row.endWideMm(speaker) + offsetMm + steep * gapMm;
    this.steep = steep;
    return true;
  }
}
