import { EntitySchema } from 'typeorm';
import type { VehicleRow } from '../vehicles/VehicleEntity';

export type JobRow = {
  id: string;
  number: number;
  vehicle_id: string;
  customer: string;
  registration: string;
  wants: string;
  due_on: string | null;
  created_at: Date;
  version: number;
  /** In the bin since; null for a job that is not. */
  deleted_at: Date | null;
  deleted_by: string | null;
  vehicle?: VehicleRow;
};

export const JobEntity = new EntitySchema<JobRow>({
  name: 'job',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'pk_job' },
    number: { type: 'integer', generated: 'increment' },
    vehicle_id: { type: 'text' },
    customer: { type: 'text' },
    registration: { type: 'text' },
    wants: { type: 'text' },
    due_on: { type: 'date', nullable: true },
    created_at: { type: 'timestamptz', default: () => 'now()' },
    version: { type: 'integer', default: 1 },
    deleted_at: { type: 'timestamptz', nullable: true },
    deleted_by: { type: 'text', nullable: true },
  },
  uniques: [{ name: 'job_number', columns: ['number'] }],
  relations: {
    vehicle: {
      type: 'many-to-one',
      target: 'vehicle',
      nullable: false,
      joinColumn: { name: 'vehicle_id', foreignKeyConstraintName: 'job_of_vehicle' },
    },
  },
});
