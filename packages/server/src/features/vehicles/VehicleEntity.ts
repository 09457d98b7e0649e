import { EntitySchema } from 'typeorm';

export type VehicleRow = { id: string; record: object; version: number };

export const VehicleEntity = new EntitySchema<VehicleRow>({
  name: 'vehicle',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_vehicle' },
    record: { type: 'jsonb' },
    version: { type: 'integer', default: 1 },
  },
});
