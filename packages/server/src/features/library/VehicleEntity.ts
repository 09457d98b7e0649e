import { EntitySchema } from 'typeorm';
import { keptByDatabase } from '../../db/keptByDatabase';

export type VehicleRow = { id: string; record: object; version: number; words: string };

export const VehicleEntity = new EntitySchema<VehicleRow>({
  name: 'vehicle',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_vehicle' },
    record: { type: 'jsonb' },
    version: { type: 'integer', default: 1 },
    words: { type: 'text', ...keptByDatabase },
  },
});
