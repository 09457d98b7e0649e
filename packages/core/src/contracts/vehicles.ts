/** Vehicles: variants that are found as one types, added from a template or from another trim, and corrected. */
import { z } from 'zod';
import { bodyTemplateSchema } from '../formats';
import { vehicleSchema } from '../model';
import { contract, nothing } from './contract';
import { newVehicleSchema } from './newVehicle';

const idSchema = z.string().min(1).max(80);

/** What is usual for each body, for a vehicle that no record knows. */
export const listTemplates = contract({
  method: 'get',
  path: '/api/templates',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({ templates: z.array(z.object({ id: z.string(), template: bodyTemplateSchema })) }),
});
export type ListedTemplate = z.infer<typeof listTemplates.answer>['templates'][number];

/** Into the library, without a job. */
export const addVehicle = contract({
  method: 'post',
  path: '/api/vehicles',
  permission: 'vehicles',
  params: z.object({}),
  body: newVehicleSchema,
  answer: z.object({ version: z.int(), record: vehicleSchema }),
});

export const getVehicle = contract({
  method: 'get',
  path: '/api/vehicles/:vehicleId',
  permission: 'read',
  params: z.object({ vehicleId: idSchema }),
  body: nothing,
  answer: z.object({ version: z.int(), record: vehicleSchema }),
});

/** Jobs that are booked in keep what they began with. Who is no owner fills in what nobody had written, and changes what they wrote themselves. */
export const putVehicle = contract({
  method: 'put',
  path: '/api/vehicles/:vehicleId',
  permission: 'vehicles',
  params: z.object({ vehicleId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), record: vehicleSchema }),
  answer: z.object({ version: z.int(), record: vehicleSchema }),
});
