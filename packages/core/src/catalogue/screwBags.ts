/** The screws that come in a part's box. */
import { z } from 'zod';

const screwBagSchema = z.strictObject({
  count: z.int().min(1).max(40),
  diameterMm: z.number().min(2).max(10),
  /** Under the head. */
  lengthMm: z.number().min(4).max(120),
  /** Width of the heads; null where the catalogue does not say. */
  headMm: z.number().min(2).max(30).nullable().default(null),
});
/** What comes in the box; none where the catalogue does not say. */
export const screwBags = z.array(screwBagSchema).max(6).default([]);
