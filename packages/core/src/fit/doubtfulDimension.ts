/**
 * Which of the opening's dimensions makes most of a margin's doubt: the one whose better measurement tells most.
 *
 * A part's own figures are left out: they are measured when it is received, not before it is ordered. The share is that
 * of the variance, so it may stay below one half where the doubt is spread.
 */
import type { Origin } from '../uncertainty/Dimension';
import type { Margin } from '../uncertainty/Margin';
import type { OpeningDimensionKey } from './Check';

export type DoubtfulDimension = {
  readonly key: OpeningDimensionKey;
  readonly origin: Origin;
  /** Part of the margin's variance, from 0 to 1. */
  readonly share: number;
};

const PREFIX = 'opening.';

/** @returns null where no dimension of the opening is in doubt */
export function doubtfulDimension({ terms, standardUncertaintyMm }: Margin): DoubtfulDimension | null {
  let most: DoubtfulDimension | null = null;
  for (const { name, dimension, sensitivity } of terms) {
    if (!name.startsWith(PREFIX)) continue;
    const share = ((sensitivity * dimension.uncertaintyMm) / standardUncertaintyMm) ** 2;
    if (share > (most?.share ?? 0)) {
      most = { key: name.slice(PREFIX.length) as OpeningDimensionKey, origin: dimension.origin, share };
    }
  }
  return most;
}
