/** Variants of the library as they are found: a line of each. */
import { z } from 'zod';
import { variantSchema } from '../model';
import { contract, nothing } from './contract';
import { unreadableSchema } from './unreadable';

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
