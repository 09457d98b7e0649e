/** What the shop works with: its settings, the parts it can get, the vehicles it knows. */
import { z } from 'zod';
import { connectorSchema, partSchema } from '../model/parts';
import { shopSchema } from '../model/shop';
import { vehicleSchema } from '../model/vehicle';
import { contract, nothing } from './contract';

export const getShop = contract({
  method: 'get',
  path: '/api/shop',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({ version: z.int(), settings: shopSchema }),
});

export const putShop = contract({
  method: 'put',
  path: '/api/shop',
  permission: 'settings',
  params: z.object({}),
  body: z.strictObject({ version: z.int().min(1), settings: shopSchema }),
  answer: z.object({ version: z.int(), settings: shopSchema }),
});

export const getCatalogue = contract({
  method: 'get',
  path: '/api/catalogue',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({ parts: z.array(partSchema), connectors: z.array(connectorSchema) }),
});
export type Catalogue = z.infer<typeof getCatalogue.answer>;

export const listVehicles = contract({
  method: 'get',
  path: '/api/vehicles',
  permission: 'read',
  params: z.object({}),
  body: nothing,
  answer: z.object({ vehicles: z.array(vehicleSchema) }),
});
