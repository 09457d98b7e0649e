/**
 * The one place where contributions to an uncertainty are added up: the law of propagation for uncorrelated inputs, what
 * Welch and Satterthwaite need, and how rectangular the sum is. Written over and over; nothing in it allocates.
 *
 * @see JCGM 100:2008, equation (10) for u_c, (G.2b) for the effective degrees of freedom
 */
export class Variance {
  /** mm². */
  sum = 0;
  /** Squares of the parts, each over its degrees of freedom. */
  private fourth = 0;
  /** Squares of the rectangular parts. */
  private rectangular = 0;

  clear(): void {
    this.sum = 0;
    this.fourth = 0;
    this.rectangular = 0;
  }

  /**
   * @param part (sensitivity · standard uncertainty)², mm²
   * @param freedom degrees of freedom; Infinity where it is taken as exactly known
   */
  add(part: number, freedom: number, isRectangular: boolean): void {
    this.sum += part;
    if (isRectangular) this.rectangular += part * part;
    if (freedom < Number.POSITIVE_INFINITY) this.fourth += (part * part) / freedom;
  }

  /** Several rectangular parts at once, with the sum of their squares. */
  addRectangular(parts: number, squares: number): void {
    this.sum += parts;
    this.rectangular += squares;
  }

  /** Effective degrees of freedom, not truncated; Infinity where every input's are. */
  get freedom(): number {
    return this.fourth > 0 ? (this.sum * this.sum) / this.fourth : Number.POSITIVE_INFINITY;
  }

  /**
   * How much of the sum is as good as one rectangular distribution, from 0 (normal) to 1: the share of the variance that a
   * single one would need for the same kurtosis, √Σ(part²)/variance over the rectangular parts.
   */
  get rectangularShare(): number {
    return this.sum > 0 ? Math.sqrt(this.rectangular) / this.sum : 0;
  }
}
