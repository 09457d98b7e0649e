/** Work by hand that a choice is made with, as it is kept. */
import { z } from 'zod';
import { CLOTH_MM, MOST_FILED_MM, MOST_THINNED_MM, type Work } from '../fit';

/** More is done to no car for one speaker. */
export const MOST_WORKS = 4;

const filedMm = z.number().positive().max(MOST_FILED_MM);
const radians = z.number().min(-100).max(100);
const sheetMm = z.number().positive().max(60);
const acrossMm = z.number().positive().max(600);
const faceMm = z.number().min(-300).max(300);

export const workSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('cutNotch'), notchesRad: z.array(radians.nullable()).max(4).readonly() }),
  z.strictObject({ kind: z.literal('cutCloth'), byMm: z.number().min(-CLOTH_MM).max(60) }),
  z.strictObject({ kind: z.literal('thinRing'), byMm: z.number().positive().max(MOST_THINNED_MM) }),
  z.strictObject({ kind: z.literal('fileThroat'), byMm: filedMm }),
  z.strictObject({ kind: z.literal('fileHole'), byMm: filedMm }),
  z.strictObject({ kind: z.literal('bendLugs') }),
  z.strictObject({ kind: z.literal('cutLugs'), byMm: z.number().positive().max(40) }),
  z.strictObject({
    kind: z.literal('drill'),
    holes: z
      .array(z.strictObject({ xMm: faceMm, yMm: faceMm }))
      .min(1)
      .max(12)
      .readonly(),
    kept: z.array(z.int().min(0).max(11)).max(12).readonly(),
    turnedRad: radians.default(0),
  }),
  z.strictObject({ kind: z.literal('grind'), ids: z.array(z.string().max(40)).min(1).max(12).readonly() }),
  z.strictObject({
    kind: z.literal('cutPlate'),
    thicknessMm: sheetMm,
    throatMm: z.strictObject({ length: acrossMm, width: acrossMm }),
    outsideMm: acrossMm,
    turnRad: radians,
    isSunk: z.boolean(),
    vehicleHoles: z.int().min(1).max(12),
    speakerHoles: z.int().min(1).max(12),
  }),
]) satisfies z.ZodType<Work>;

/** In the order in which it is done; each kind once. */
export const worksSchema = z
  .array(workSchema)
  .max(MOST_WORKS)
  .refine((works) => new Set(works.map(({ kind }) => kind)).size === works.length, 'name each kind of work once')
  .readonly();
