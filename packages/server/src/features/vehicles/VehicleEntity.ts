import type { VehicleRecord } from '@low-quarry/core/model/vehicle';
import { EntitySchema } from 'typeorm';

export type VehicleRow = { id: string; record: VehicleRecord };

export const VehicleEntity = new EntitySchema<VehicleRow>({
  name: 'vehicle',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_vehicle' },
    record: { type: 'jsonb' },
  },
});
