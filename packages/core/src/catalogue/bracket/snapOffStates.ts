/** The states of a bracket with tabs snapped off. */
import { z } from 'zod';
import { patternSchema } from '../boltPattern';
import { outlineSchema } from '../outline';

/** What differs from the bracket as it comes. */
export const snapOffsSchema = z
  .array(
    z.strictObject({
      id: z.string().regex(/^[a-z0-9-]{1,20}$/, 'use lower-case letters, digits and -'),
      name: z.string().min(1).max(60),
      vehicleBolts: patternSchema.nullable().default(null),
      speakerBolts: patternSchema.nullable().default(null),
      throat: outlineSchema.nullable().default(null),
    }),
  )
  .max(8);
export type SnapOffs = z.output<typeof snapOffsSchema>;
