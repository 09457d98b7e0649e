/** Expanded uncertainty from a variance in plain numbers: what `toMargin` does for a sum of terms. */
import { readGrid, rectangularNormalGrid } from '../../math/rectangularNormal';
import { coverageFactor } from '../../uncertainty/Margin';

export class Expansion {
  private readonly grid: Float64Array;
  private readonly greatest: number;
  /** The last that `widest` was asked, because an opening asks for the same ten thousands of times. */
  private freedom: number | null = null;
  private factor: number;

  constructor(private readonly confidence: number) {
    this.grid = rectangularNormalGrid(confidence);
    this.greatest = this.grid.reduce((most, each) => Math.max(most, each), 0);
    this.factor = this.greatest;
  }

  /**
   * @param variance mm²
   * @param fourth the Welch–Satterthwaite sum: squares of the parts of the variance, each over its degrees of freedom
   * @param rectangular sum of the squares of the rectangular parts of the variance
   */
  expand(variance: number, fourth: number, rectangular: number): number {
    const share = variance > 0 ? Math.sqrt(rectangular) / variance : 0;
    if (fourth === 0) return Math.sqrt(variance) * readGrid(this.grid, share);
    const freedom = Math.max(1, Math.floor((variance * variance) / fourth));
    return Math.sqrt(variance) * coverageFactor(this.confidence, freedom, share);
  }

  /** The most that `expand` can say of a variance whose parts have no fewer degrees of freedom; null for exactly known ones. */
  widest(variance: number, leastFreedom: number | null): number {
    if (leastFreedom !== this.freedom) {
      this.freedom = leastFreedom;
      this.factor =
        leastFreedom === null
          ? this.greatest
          : Math.max(this.greatest, coverageFactor(this.confidence, Math.max(1, Math.floor(leastFreedom)), 0));
    }
    return Math.sqrt(variance) * this.factor;
  }
}
