/** What the shop works with: its settings, the parts it can get, the vehicles it knows. */
import { z } from 'zod';
import { connectorSchema, partSchema } from '../model/parts';
import { shopSchema } from '../model/shop';
import { vehicleSchema } from '../model/vehicle';
import { contract, nothing } from './contract';

/** A record that is kept and cannot be read, and why; its history can bring it back. */
export const unreadableSchema = z.object({ id: z.string(), why: z.string() });
export type Unreadable = z.infer<typeof unreadableSchema>;

export const getShop = contract({
  method: 'get',
  path: '/api/shop',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    version: z.int(),
    settings: shopSchema,
    /** Why what is kept cannot be read; then the settings are what could be, and defaults, until somebody saves them. */
    unreadable: z.string().nullable(),
  }),
});

export const putShop = contract({
  method: 'put',
  path: '/api/shop',
  permission: 'settings',
  params: z.object({}),
  body: z.strictObject({ version: z.int().min(1), settings: shopSchema }),
  answer: z.object({
    version: z.int(),
    settings: shopSchema,
    /** What is chosen and names something that these settings no longer have, in sentences. */
    findings: z.array(z.string()),
  }),
});

export const getCatalogue = contract({
  method: 'get',
  path: '/api/catalogue',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({
    parts: z.array(partSchema),
    connectors: z.array(connectorSchema),
    unreadable: z.array(unreadableSchema),
  }),
});
export type Catalogue = z.infer<typeof getCatalogue.answer>;

export const listVehicles = contract({
  method: 'get',
  path: '/api/vehicles',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({ vehicles: z.array(vehicleSchema), unreadable: z.array(unreadableSchema) }),
});
