/** From a sum of contributions to the half-width of its interval, quickly: what `toMargin` does for a list of terms. */
import { readGrid, rectangularNormalGrid } from '../math';
import { coverageFactor, wholeFreedom } from './Margin';
import type { Variance } from './Variance';

export class Expansion {
  private readonly grid: Float64Array;
  /** The greatest factor of contributions that are exactly known. */
  readonly greatest: number;

  /** @param confidence one-sided, between 0.5 and 1 exclusive */
  constructor(private readonly confidence: number) {
    this.grid = rectangularNormalGrid(confidence);
    this.greatest = this.grid.reduce((most, each) => Math.max(most, each), 0);
  }

  /** mm. */
  expand(variance: Variance): number {
    const { sum, freedom, rectangularShare } = variance;
    if (freedom === Number.POSITIVE_INFINITY) return Math.sqrt(sum) * readGrid(this.grid, rectangularShare);
    return Math.sqrt(sum) * coverageFactor(this.confidence, wholeFreedom(freedom), rectangularShare);
  }
}
