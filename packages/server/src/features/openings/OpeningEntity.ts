import { EntitySchema } from 'typeorm';
import type { JobRow } from '../jobs/JobEntity';

export type OpeningRow = {
  id: string;
  job_id: string;
  position: number;
  version: number;
  record: object;
  job?: JobRow;
};

export const OpeningEntity = new EntitySchema<OpeningRow>({
  name: 'opening',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_opening' },
    job_id: { type: 'uuid' },
    position: { type: 'integer' },
    version: { type: 'integer', default: 1 },
    record: { type: 'jsonb' },
  },
  uniques: [{ name: 'opening_place', columns: ['job_id', 'position'] }],
  relations: {
    job: {
      type: 'many-to-one',
      target: 'job',
      nullable: false,
      onDelete: 'CASCADE',
      joinColumn: { name: 'job_id', foreignKeyConstraintName: 'opening_of_job' },
    },
  },
});
