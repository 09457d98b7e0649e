/** Vehicles: variants that are found as one types, added from a template or from another trim, and corrected. */
import { z } from 'zod';
import { bodyTemplateSchema } from '../formats';
import { variantSchema, vehicleSchema } from '../model';
import { contract, nothing } from './contract';
import { newVehicleSchema } from './newVehicle';
import { unreadableSchema } from './unreadable';

const idSchema = z.string().min(1).max(80);

/** A variant as a list shows it. */
export const foundVehicleSchema = z.object({
  ...variantSchema.shape,
  id: z.string(),
  openings: z.int(),
  /** So many jobs of this shop had one. */
  jobs: z.int(),
});
export type FoundVehicle = z.infer<typeof foundVehicleSchema>;

export const VEHICLES_A_PAGE = 25;

/**
 * Variants by words of their make, model, other names, years, body, trim, audio package, steering side or market, in any order; words with a
 * slip in them find what is written like them. The best match first; without words, those that were in the shop last.
 */
export const findVehicles = contract({
  method: 'get',
  path: '/api/vehicles',
  permission: 'read',
  params: z.object({
    find: z.string().max(100).default(''),
    /** The first is 1. */
    page: z.coerce.number().int().min(1).max(100_000).default(1),
  }),
  body: nothing,
  answer: z.object({
    found: z.array(foundVehicleSchema),
    total: z.int(),
    /** None has every word: these have some. */
    isPartial: z.boolean(),
    unreadable: z.array(unreadableSchema),
  }),
});
export type FoundVehicles = z.infer<typeof findVehicles.answer>;

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
