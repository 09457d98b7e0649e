/**
 * The most that the dimensions of a fitted sheet can add to the variance of its depth, between two heights: a table by the
 * millimetre, worked out once for an opening and read for every body.
 */
export type SheetTerm = {
  readonly uncertaintyMm: number;
  readonly degreesOfFreedom: number | null;
  readonly isRectangular: boolean;
  /** How the depth at (x, y) depends on the dimension: k0 + k1·x + k2·y + k3·y². */
  readonly k0: number;
  readonly k1: number;
  readonly k2: number;
  readonly k3: number;
};

/** Heights in the table reach so far from the centre, mm. */
const REACH_MM = 512;

export class SheetDoubts {
  /** The most between the centre and each whole millimetre above it, and below it, mm². */
  private readonly above = new Float64Array(REACH_MM + 1);
  private readonly below = new Float64Array(REACH_MM + 1);
  /** What readings to the side of the middle add, no farther from the centre than each whole millimetre, mm². */
  private readonly around = new Float64Array(REACH_MM + 1);
  /** What an unknown lean aside adds for each square millimetre to the side. */
  private leanVariance = 0;

  setTerms(terms: readonly SheetTerm[]): void {
    const { above, below, around } = this;
    const level = terms.filter(({ k1 }) => k1 === 0);
    const leans = terms.filter((term) => term.k1 !== 0 && isLean(term));
    const aside = terms.filter((term) => term.k1 !== 0 && !isLean(term));
    this.leanVariance = leans.reduce((sum, { k1, uncertaintyMm }) => sum + (k1 * uncertaintyMm) ** 2, 0);
    above[0] = mostOver(level, 0, 0);
    below[0] = above[0];
    for (let mm = 0; mm <= REACH_MM; mm++) {
      around[mm] = mostAround(aside, mm);
      if (mm === 0) continue;
      above[mm] = Math.max(above[mm - 1] as number, mostOver(level, mm - 1, mm));
      below[mm] = Math.max(below[mm - 1] as number, mostOver(level, -mm, 1 - mm));
    }
  }

  /**
   * Bound over the places between two heights and no farther to the side than this, mm²; Infinity beyond all bodies.
   *
   * @param lowMm the centre is always taken to lie between the two
   */
  most(lowMm: number, highMm: number, asideMm: number): number {
    const down = Math.max(0, Math.ceil(-lowMm));
    const up = Math.max(0, Math.ceil(highMm));
    const far = Math.max(down, up, Math.ceil(asideMm));
    if (!(far <= REACH_MM)) return Number.POSITIVE_INFINITY;
    const level = Math.max(this.below[down] as number, this.above[up] as number);
    return level + (this.around[far] as number) + this.leanVariance * asideMm * asideMm;
  }
}

function isLean({ k0, k2, k3 }: SheetTerm): boolean {
  return k0 === 0 && k2 === 0 && k3 === 0;
}

/** A term runs between two heights as a parabola: off its chord by a quarter of k3 at the most, one millimetre apart. */
function mostOver(terms: readonly SheetTerm[], fromMm: number, toMm: number): number {
  let sum = 0;
  for (const { k0, k2, k3, uncertaintyMm } of terms) {
    const at = (y: number) => Math.abs(k0 + (k2 + k3 * y) * y);
    sum += ((Math.max(at(fromMm), at(toMm)) + Math.abs(k3) / 4) * uncertaintyMm) ** 2;
  }
  return sum;
}

/** The same for every place no farther from the centre than this, whichever way the sheet leans; each term at its most, mm². */
export function mostAround(terms: readonly SheetTerm[], reachMm: number): number {
  let sum = 0;
  for (const { k0, k1, k2, k3, uncertaintyMm } of terms) {
    const most = Math.abs(k0) + (Math.abs(k1) + Math.abs(k2) + Math.abs(k3) * reachMm) * reachMm;
    sum += (most * uncertaintyMm) ** 2;
  }
  return sum;
}
