import { EntitySchema } from 'typeorm';
import { keptByDatabase } from '../../db/keptByDatabase';

export type VehicleRow = {
  id: string;
  record: object;
  version: number;
  words: string;
  found_by: string;
  year_from: number | null;
  year_to: number | null;
};

export const VehicleEntity = new EntitySchema<VehicleRow>({
  name: 'vehicle',
  columns: {
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'pk_vehicle' },
    record: { type: 'jsonb' },
    version: { type: 'integer', default: 1 },
    /** What a job is found by. */
    words: { type: 'text', ...keptByDatabase },
    /** What the variant itself is found by, without accents. */
    found_by: { type: 'text', ...keptByDatabase },
    year_from: { type: 'integer', nullable: true, ...keptByDatabase },
    year_to: { type: 'integer', nullable: true, ...keptByDatabase },
  },
  indices: [{ name: 'vehicle_by_words', columns: ['found_by'], synchronize: false }],
});
