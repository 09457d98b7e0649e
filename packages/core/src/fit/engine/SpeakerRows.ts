/**
 * What a look at the whole catalogue reads of every speaker, side by side in one row: a speaker then costs two lines of the
 * machine's memory and not one for every figure.
 */

/** In the order in which they are first asked. */
const FIGURES = [
  'terminalsClass',
  'frontMm',
  'frontDoubt',
  'isAllRound',
  'bodyReachMm',
  'mostWidthVariance',
  'fullWidthTo',
  'firstRing',
  'firstEndRing',
  'endRing',
  'deepMm',
  'endNarrowMm',
  'endWideMm',
  'endGapVariance',
  'mostGapVariance',
  'costMinor',
] as const;
type Figure = (typeof FIGURES)[number];
const STRIDE = FIGURES.length;

export class SpeakerRows {
  private readonly all: Float64Array;

  constructor(columns: Readonly<Record<Figure, ArrayLike<number>>>) {
    const count = columns.frontMm.length;
    this.all = new Float64Array(count * STRIDE);
    FIGURES.forEach((figure, place) => {
      const column = columns[figure];
      for (let speaker = 0; speaker < count; speaker++) this.all[speaker * STRIDE + place] = column[speaker] as number;
    });
  }

  terminalsClass(speaker: number): number {
    return this.all[speaker * STRIDE] as number;
  }

  /** Flange and front height together. */
  frontMm(speaker: number): number {
    return this.all[speaker * STRIDE + 1] as number;
  }

  /** Speakers whose fronts are as sure as each other's share a number. */
  frontDoubt(speaker: number): number {
    return this.all[speaker * STRIDE + 2] as number;
  }

  /** Whether all its rings are round and as sure along as across. */
  isAllRound(speaker: number): boolean {
    return this.all[speaker * STRIDE + 3] === 1;
  }

  /** How far the body reaches from its axis. */
  bodyReachMm(speaker: number): number {
    return this.all[speaker * STRIDE + 4] as number;
  }

  /** The most that a ring can add to the variance of a room by its widths, mm². */
  mostWidthVariance(speaker: number): number {
    return this.all[speaker * STRIDE + 5] as number;
  }

  /** Depth to which the body keeps the width it has at the flange, mm. */
  fullWidthTo(speaker: number): number {
    return this.all[speaker * STRIDE + 6] as number;
  }

  /** Where its rings begin among those of all speakers, and where they end. */
  firstRing(speaker: number): number {
    return this.all[speaker * STRIDE + 7] as number;
  }

  /** The first of its rings that can come nearest to a sheet no steeper than `STEEP_SHEET`. */
  firstEndRing(speaker: number): number {
    return this.all[speaker * STRIDE + 8] as number;
  }

  endRing(speaker: number): number {
    return this.all[speaker * STRIDE + 9] as number;
  }

  /** How deep the body reaches. */
  deepMm(speaker: number): number {
    return this.all[speaker * STRIDE + 10] as number;
  }

  /** Of the rings that can come nearest to such a sheet the least and the greatest half width. */
  endNarrowMm(speaker: number): number {
    return this.all[speaker * STRIDE + 11] as number;
  }

  endWideMm(speaker: number): number {
    return this.all[speaker * STRIDE + 12] as number;
  }

  /** The most that one of these can add to the variance of a gap, and that any ring can, mm². */
  endGapVariance(speaker: number): number {
    return this.all[speaker * STRIDE + 13] as number;
  }

  mostGapVariance(speaker: number): number {
    return this.all[speaker * STRIDE + 14] as number;
  }

  costMinor(speaker: number): number {
    return this.all[speaker * STRIDE + 15] as number;
  }
}
