/** How makers rate what a speaker stands. */
import { z } from 'zod';

/** Of a rating that is not RMS, what it is: only RMS compares. */
export const RATING_KINDS = ['peak', 'range', 'unstated'] as const;

/** What a speaker stands, as its maker rates it. */
export const rated = {
  impedanceOhm: z.number().positive().max(32).nullable(),
  /** null where the maker says none that is RMS. */
  rmsW: z.number().positive().max(5000).nullable(),
  /** What the maker says instead of RMS, or besides it. */
  otherRating: z
    .strictObject({ watt: z.number().positive().max(50_000), kind: z.enum(RATING_KINDS) })
    .nullable()
    .default(null),
};
