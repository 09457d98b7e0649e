/** Corrections to the library: a part or a vehicle as a record with a version. */
import { z } from 'zod';
import { partSchema } from '../catalogue';
import { vehicleSchema } from '../model';
import { contract, nothing } from './contract';

const idSchema = z.string().min(1).max(80);

export const getPart = contract({
  method: 'get',
  path: '/api/parts/:partId',
  permission: 'library',
  params: z.object({ partId: idSchema }),
  body: nothing,
  answer: z.object({ version: z.int(), record: partSchema }),
});

export const putPart = contract({
  method: 'put',
  path: '/api/parts/:partId',
  permission: 'library',
  params: z.object({ partId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), record: partSchema }),
  answer: z.object({ version: z.int(), record: partSchema }),
});

export const getVehicle = contract({
  method: 'get',
  path: '/api/vehicles/:vehicleId',
  permission: 'library',
  params: z.object({ vehicleId: idSchema }),
  body: nothing,
  answer: z.object({ version: z.int(), record: vehicleSchema }),
});

/** Jobs that are booked in keep what they began with. */
export const putVehicle = contract({
  method: 'put',
  path: '/api/vehicles/:vehicleId',
  permission: 'library',
  params: z.object({ vehicleId: idSchema }),
  body: z.strictObject({ version: z.int().min(1), record: vehicleSchema }),
  answer: z.object({ version: z.int(), record: vehicleSchema }),
});
