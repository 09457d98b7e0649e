import { putVehicle } from '@low-quarry/core/contracts/vehicles';
import { type VehicleRecord, vehicleSchema } from '@low-quarry/core/model';
import { vehicleFields } from '@low-quarry/core/records';
import { call } from '../../api/call';
import type { SavedKind, Versioned } from './SavedKind';

export const savedVehicle: SavedKind<VehicleRecord, Versioned<VehicleRecord>> = {
  name: 'vehicle',
  schema: vehicleSchema,
  fieldsOf: vehicleFields,
  put: (vehicleId, body, sender) => call(putVehicle, { params: { vehicleId }, body, ...sender }),
  read: (current) => putVehicle.answer.safeParse(current).data ?? null,
  answer: putVehicle.answer,
};
