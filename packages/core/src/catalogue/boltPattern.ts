/** Patterns of screw holes in parts, as records and as the shapes that the checks work on. */
import { z } from 'zod';
import { type BoltPattern, type HoleMm, patternHoles } from '../geometry';
import { rectangular } from '../uncertainty';
import { degToRad } from '../units';
import type { ReadLength } from './orderable';
import { lengthMm } from './outline';

export const patternSchema = z.strictObject({
  shape: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('circle'),
      count: z.int().min(2).max(12),
      diameterMm: lengthMm,
      firstAngleDeg: z.number().min(0).max(360),
    }),
    z.strictObject({ kind: z.literal('rectangle'), widthMm: lengthMm, heightMm: lengthMm }),
    /** Anywhere: each hole plain, slotted, or a keyhole whose neck runs in the slot's direction. */
    z.strictObject({
      kind: z.literal('free'),
      holes: z
        .array(
          z.strictObject({
            xMm: z.number().min(-250).max(250),
            yMm: z.number().min(-250).max(250),
            kind: z.enum(['plain', 'slot', 'keyhole']).default('plain'),
            slotMm: z.number().min(0).max(40).default(0),
            slotDeg: z.number().min(-360).max(360).default(0),
          }),
        )
        .min(2)
        .max(24),
    }),
  ]),
  holeDiameterMm: z.number().positive().max(20),
  slotMm: z.number().min(0).max(40).default(0),
  slotRuns: z.enum(['radial', 'tangential']).default('tangential'),
});

export function toPattern({ shape, ...rest }: z.infer<typeof patternSchema>, length: ReadLength): BoltPattern {
  switch (shape.kind) {
    case 'circle': {
      const { count, diameterMm, firstAngleDeg } = shape;
      return {
        ...rest,
        shape: { kind: 'circle', count, diameter: length(diameterMm), firstAngleRad: degToRad(firstAngleDeg) },
      };
    }
    case 'rectangle':
      return { ...rest, shape: { kind: 'rectangle', width: length(shape.widthMm), height: length(shape.heightMm) } };
    case 'free': {
      const holes = shape.holes.map(({ slotDeg, ...hole }) => ({ ...hole, slotRad: degToRad(slotDeg) }));
      return { ...rest, shape: { kind: 'free', holes, position: length(0) } };
    }
  }
}

/** Where the holes of a pattern are, without the doubt that its maker's rounding leaves. */
export function patternHolesOf(pattern: z.infer<typeof patternSchema>): readonly HoleMm[] {
  return patternHoles(toPattern(pattern, (valueMm) => rectangular(valueMm, 0, 'catalogue')));
}
