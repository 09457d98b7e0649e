/** A piece to cut, drawn at 1:1 as it lies on the car, seen from the cabin: x to the right, y up, mm. */
import { z } from 'zod';

const ellipseSchema = z.object({
  xMm: z.number(),
  yMm: z.number(),
  angleRad: z.number(),
  halfLengthMm: z.number(),
  halfWidthMm: z.number(),
});

const templateHoleSchema = z.object({
  xMm: z.number(),
  yMm: z.number(),
  diameterMm: z.number(),
  /** Whose screw goes through it. */
  of: z.enum(['car', 'speaker']),
  /** The flange lies over its head, which is sunk. */
  isSunk: z.boolean(),
});
export type TemplateHole = z.infer<typeof templateHoleSchema>;

export const templateSchema = z.object({
  thicknessMm: z.number(),
  outside: ellipseSchema,
  throat: ellipseSchema,
  holes: z.array(templateHoleSchema).readonly(),
  /** What is left between two holes, and between a hole and an edge, mm: the least of all. */
  leastWallMm: z.number(),
  /** Where the wire comes from, anticlockwise from +x, rad: its notch is there. Null where nobody noted it. */
  wireRad: z.number().nullable(),
});
export type Template = z.infer<typeof templateSchema>;
