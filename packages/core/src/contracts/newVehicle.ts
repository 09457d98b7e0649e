import { z } from 'zod';
import { variantSchema } from '../model';

/** A variant that is not in the library yet, and what its record begins with. */
export const newVehicleSchema = variantSchema.extend({
  from: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('template'), templateId: z.string().min(1, 'Choose a body.').max(80) }),
    z.strictObject({ kind: z.literal('variant'), vehicleId: z.string().min(1).max(80) }),
  ]),
});
export type NewVehicle = z.output<typeof newVehicleSchema>;
