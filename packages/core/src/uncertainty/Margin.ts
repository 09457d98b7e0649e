/**
 * What is left of a gap after the shop's required clearance, and how sure that is.
 */

import { ROUNDING_MM, rectangularNormalCdf, rectangularNormalQuantile, studentTCdf, studentTQuantile } from '../math';
import { type Quantity, type QuantityTerm, uncertaintyOf } from './Quantity';

export type Margin = {
  /** What is left in mm; negative is missing. */
  readonly valueMm: number;
  /** Combined standard uncertainty, mm. */
  readonly standardUncertaintyMm: number;
  /** Effective degrees of freedom, cut to a whole number (JCGM 100:2008, G.4.1, note 1); null for infinitely many. */
  readonly degreesOfFreedom: number | null;
  /** Half-width of the interval whose one-sided confidence is the shop's limit (97.5 % unless set), mm. */
  readonly expandedMm: number;
  /** The interval itself, mm. It lies evenly about the value, unless several gaps are as near as this one: the least of all is less than each. */
  readonly lowerMm: number;
  readonly upperMm: number;
  /** How rectangular its distribution is, 0 to 1; see `combineUncertainty`. */
  readonly rectangularShare: number;
  readonly terms: readonly QuantityTerm[];
};

export type MarginVerdict = 'clears' | 'measure' | 'hits';

const quantiles = new Map<number, Map<number | null, number>>();

/**
 * The margin of a quantity, by Student's t with the effective degrees of freedom.
 *
 * @param confidence one-sided confidence for a verdict, between 0.5 and 1 exclusive
 */
export function toMargin(of: Quantity, confidence: number): Margin {
  const { standardUncertainty, degreesOfFreedom, rectangularShare } = uncertaintyOf(of);
  const whole = degreesOfFreedom === null ? null : wholeFreedom(degreesOfFreedom);
  const expandedMm = standardUncertainty * coverageFactor(confidence, whole, rectangularShare);
  return {
    valueMm: of.valueMm,
    standardUncertaintyMm: standardUncertainty,
    degreesOfFreedom: whole,
    expandedMm,
    lowerMm: of.valueMm - expandedMm,
    upperMm: of.valueMm + expandedMm,
    rectangularShare,
    terms: of.terms,
  };
}

/** Effective degrees of freedom as they are used: cut to a whole number, at least 1 (JCGM 100:2008, G.4.1, note 1). */
export function wholeFreedom(degreesOfFreedom: number): number {
  return Math.max(1, Math.floor(degreesOfFreedom));
}

/**
 * Clears when the interval lies at or above zero, hits when it lies at or below, otherwise measure first. A margin of
 * exactly zero that is exactly known clears: the required clearance is met.
 */
export function marginVerdict({ valueMm, expandedMm }: Pick<Margin, 'valueMm' | 'expandedMm'>): MarginVerdict {
  return intervalVerdict(valueMm, expandedMm);
}

/** The same of any quantity that must not be negative, in its own unit. */
export function intervalVerdict(value: number, expanded: number): MarginVerdict {
  if (value - expanded >= -ROUNDING_MM) return 'clears';
  return value + expanded <= 0 ? 'hits' : 'measure';
}

/**
 * P(margin ≥ 0), from 0 to 1. Apart from the margin because it costs a series, and thousands of margins are compared
 * for every one whose chance is shown.
 */
export function marginChance({ valueMm, standardUncertaintyMm, degreesOfFreedom, rectangularShare }: Margin): number {
  if (standardUncertaintyMm === 0) return valueMm >= -ROUNDING_MM ? 1 : 0;
  const z = valueMm / standardUncertaintyMm;
  return degreesOfFreedom === null ? rectangularNormalCdf(z, rectangularShare) : studentTCdf(z, degreesOfFreedom);
}

/**
 * How many half-widths of its interval a margin lies above zero: at least 1 clears, at most −1 hits. It orders
 * margins of different checks by how sure they are. A margin known exactly is as sure as can be.
 */
export function sureness({ valueMm, expandedMm }: Pick<Margin, 'valueMm' | 'expandedMm'>): number {
  if (expandedMm === 0) return valueMm >= -ROUNDING_MM ? Number.MAX_VALUE : -Number.MAX_VALUE;
  return valueMm / expandedMm;
}

/**
 * The factor from a standard uncertainty to the half-width of its interval: the quantile of Student's t with the effective
 * degrees of freedom, less what a rectangular contribution keeps it from reaching.
 *
 * The two are taken as independent corrections to the normal quantile: repeated readings have few degrees of freedom and
 * no limits, a single reading has limits and no degrees of freedom.
 *
 * @param confidence one-sided, between 0.5 and 1 exclusive
 */
export function coverageFactor(confidence: number, degreesOfFreedom: number | null, rectangularShare: number): number {
  const bounded = rectangularNormalQuantile(confidence, rectangularShare);
  if (degreesOfFreedom === null) return bounded;
  return (bounded * tQuantile(confidence, degreesOfFreedom)) / tQuantile(confidence, null);
}

/** It costs a bisection and few different ones occur, so they are kept. */
function tQuantile(confidence: number, degreesOfFreedom: number | null): number {
  let byFreedom = quantiles.get(confidence);
  if (!byFreedom) {
    byFreedom = new Map();
    quantiles.set(confidence, byFreedom);
  }
  let factor = byFreedom.get(degreesOfFreedom);
  if (factor === undefined) {
    factor = studentTQuantile(confidence, degreesOfFreedom);
    byFreedom.set(degreesOfFreedom, factor);
  }
  return factor;
}
