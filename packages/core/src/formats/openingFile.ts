/** An opening as a file: what is known of it, and how the shop that measured it judges. */
import { z } from 'zod';
import { openingRecordSchema, SETTINGS_DEFAULTS, settingsSchema } from '../model';

const rulesSchema = settingsSchema.pick({
  clearancesMm: true,
  confidence: true,
  halfWidthsMm: true,
  resolutionsMm: true,
  stock: true,
  mostRaisedMm: true,
  returnCostMinor: true,
  minuteCostMinor: true,
});

export const openingFileSchema = z.strictObject({
  format: z.literal('opening'),
  version: z.literal(1),
  opening: openingRecordSchema,
  /** Defaults are those a shop starts with. */
  rules: rulesSchema.default(() => rulesSchema.strip().parse(SETTINGS_DEFAULTS)),
});
export type OpeningFile = z.infer<typeof openingFileSchema>;
