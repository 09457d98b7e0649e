/**
 * The law of propagation of uncertainty for uncorrelated inputs, first order.
 *
 * @see JCGM 100:2008, equation (10) for u_c, (G.2b) for the effective degrees of freedom (Welch–Satterthwaite)
 */
import { Variance } from './Variance';

export type UncertaintyTerm = {
  /** ∂f/∂x, in units of the result per unit of the input. */
  readonly sensitivity: number;
  /** u(x), at least 0. */
  readonly standardUncertainty: number;
  /** ν of u(x); null for infinitely many. */
  readonly degreesOfFreedom: number | null;
  /** Set for a rectangular distribution. */
  readonly isRectangular?: boolean;
};

export type CombinedUncertainty = {
  readonly standardUncertainty: number;
  /** Effective degrees of freedom, not truncated; null where every input's are infinite. */
  readonly degreesOfFreedom: number | null;
  /**
   * How much of the result is as good as one rectangular distribution, from 0 (normal) to 1; see `Variance`.
   */
  readonly rectangularShare: number;
};

/**
 * u_c and ν_eff of a result from its inputs. The order of the terms does not matter; an input that enters a formula
 * twice must come as one term with the summed sensitivity (see `Quantity`), otherwise its correlation with itself is lost.
 */
export function combineUncertainty(terms: readonly UncertaintyTerm[]): CombinedUncertainty {
  const variance = new Variance();
  for (const { sensitivity, standardUncertainty, degreesOfFreedom, isRectangular } of terms) {
    variance.add(
      (sensitivity * standardUncertainty) ** 2,
      degreesOfFreedom ?? Number.POSITIVE_INFINITY,
      isRectangular ?? false,
    );
  }
  const { sum, freedom, rectangularShare } = variance;
  return {
    standardUncertainty: Math.sqrt(sum),
    degreesOfFreedom: freedom === Number.POSITIVE_INFINITY ? null : freedom,
    rectangularShare,
  };
}
