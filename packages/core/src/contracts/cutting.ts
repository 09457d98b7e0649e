/** What the shop cuts for a car itself, and how it lies on its sheets. */
import { z } from 'zod';
import { SIDES, settingsSchema } from '../model';
import { PIECE_KINDS, templateSchema } from '../template';
import { contract, idSchema, nothing } from './contract';

const laidSchema = z.object({
  /** Its place among all pieces of the car. */
  piece: z.int(),
  /** From 0. */
  sheet: z.int(),
  /** Of its middle, from the sheet's corner, mm. */
  xMm: z.number(),
  yMm: z.number(),
  turnRad: z.number(),
  /** The piece in whose throat it lies; null for one in the sheet itself. */
  inside: z.int().nullable(),
});

export const getCutting = contract({
  method: 'get',
  path: '/api/jobs/:jobId/cutting',
  permission: 'read',
  params: z.object({ jobId: idSchema }),
  body: nothing,
  answer: z.object({
    sheet: settingsSchema.shape.sheet.unwrap(),
    pieces: z.array(
      z.object({
        /** Null for what belongs to no opening: the hanger of a crossover. */
        openingId: idSchema.nullable(),
        label: z.string(),
        side: z.enum(SIDES),
        speakerName: z.string(),
        what: z.enum(PIECE_KINDS),
        template: templateSchema,
        /** Why it cannot be cut so, in a sentence: it lies on no sheet then. */
        fault: z.string().nullable(),
      }),
    ),
    /** A ring of which nobody measured the screws has no outline: of which openings. */
    unmeasured: z.array(z.string()),
    sheets: z.array(
      z.object({
        thicknessMm: z.number(),
        sheets: z.int(),
        /** No way needs fewer. */
        atLeast: z.int(),
        laid: z.array(laidSchema),
        /** Of each sheet: so much of its length stays whole, mm. */
        leftMm: z.array(z.number()),
        /** Pieces that no sheet holds. */
        tooLarge: z.array(z.int()),
      }),
    ),
  }),
});
export type Cutting = z.infer<typeof getCutting.answer>;
