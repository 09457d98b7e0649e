/** Terminals and plugs that stick out of a speaker's round body, as boxes in cylinder's measures about its axis. */
import { z } from 'zod';

const bodyBoxSchema = z.strictObject({
  label: z.string().min(1).max(40),
  live: z.boolean().default(true),
  /** From the right, anticlockwise, seen from the front with the speaker's long axis level. */
  angleDeg: z.number().min(-360).max(360),
  innerMm: z.number().min(0).max(250),
  outerMm: z.number().positive().max(250),
  widthMm: z.number().positive().max(120),
  fromMm: z.number().min(0).max(300),
  toMm: z.number().positive().max(300),
});

export const bodyBoxesSchema = z
  .array(
    bodyBoxSchema.refine(({ innerMm, outerMm, fromMm, toMm }) => innerMm < outerMm && fromMm < toMm, {
      message: 'the inner face must be nearer the axis than the outer, the near face before the far one',
    }),
  )
  .max(6);
export type BodyBoxes = z.output<typeof bodyBoxesSchema>;
