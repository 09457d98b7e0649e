/**
 * What a supplier's list said of a speaker the last time it was brought in. A figure that differs from it is the shop's own: another list
 * leaves it as it is.
 */
import { z } from 'zod';

export const LISTED_FIELDS = [
  'basket',
  'flange',
  'flangeThicknessMm',
  'mountingDepthMm',
  'depthDatum',
  'frontHeightMm',
  'magnetDiameterMm',
  'massG',
  'bolts',
  'terminals',
  'impedanceOhm',
  'rmsW',
  'otherRating',
  'sensitivityDb',
  'sensitivityAt',
] as const;
export type ListedField = (typeof LISTED_FIELDS)[number];

export const listedSchema = z
  .strictObject({
    supplier: z.string().min(1).max(80),
    /** The day of the list. */
    asOf: z.iso.date(),
    /** As each field of the speaker was said; without those that were not. */
    fields: z.partialRecord(z.enum(LISTED_FIELDS), z.json()),
  })
  .nullable()
  .default(null);
