/**
 * What a supplier's list said of a part the last time it was brought in. A figure that differs from it is the shop's own: another list
 * leaves it as it is.
 */
import { z } from 'zod';

export const listedSchema = z
  .strictObject({
    supplier: z.string().min(1).max(80),
    /** The day of the list. */
    asOf: z.iso.date(),
    /** As each field of the part was said, by its key; without those that were not. */
    fields: z.record(z.string().min(1).max(40), z.json()),
  })
  .nullable()
  .default(null);
