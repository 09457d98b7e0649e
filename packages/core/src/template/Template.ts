/** A piece to cut, drawn at 1:1 as it lies on the car, seen from the cabin: x to the right, y up, mm. */
import { z } from 'zod';

const edgeSchema = z.object({
  xMm: z.number(),
  yMm: z.number(),
  angleRad: z.number(),
  halfLengthMm: z.number(),
  halfWidthMm: z.number(),
  /** Of what is no ellipse: a closed line, anticlockwise; middle and halves are those of its box then. */
  corners: z
    .array(z.object({ xMm: z.number(), yMm: z.number() }))
    .readonly()
    .optional(),
});
export type Edge = z.infer<typeof edgeSchema>;

export const HOLE_OF = ['car', 'speaker', 'box'] as const;

const templateHoleSchema = z.object({
  xMm: z.number(),
  yMm: z.number(),
  diameterMm: z.number(),
  /** Whose screw goes through it. */
  of: z.enum(HOLE_OF),
  /** The counterbore for its head, from the speaker's side; sunk by hand where one would meet another hole, or leave too thin a floor; null for none. */
  sunk: z.union([z.object({ diameterMm: z.number(), depthMm: z.number() }), z.literal('byHand')]).nullable(),
});
export type TemplateHole = z.infer<typeof templateHoleSchema>;

export const templateSchema = z.object({
  thicknessMm: z.number(),
  outside: edgeSchema,
  throat: edgeSchema,
  holes: z.array(templateHoleSchema).readonly(),
  /** What is left between two holes, and between a hole and an edge, mm: the least of all. */
  leastWallMm: z.number(),
  /** How deep a screw's pilot may be in it, mm: the depth stop is set to that. */
  pilotMm: z.number(),
  /** Whether a wire comes through under it. */
  hasNotch: z.boolean(),
  /** Where that comes from, anticlockwise from +x, rad: its notch is there. Null where nobody noted it. */
  wireRad: z.number().nullable(),
});
export type Template = z.infer<typeof templateSchema>;
