/** Jobs in the database, each with its vehicle. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { vehicleSchema } from '@low-quarry/core/model/vehicle';
import type { EntityManager } from 'typeorm';
import { JobEntity, type JobRow } from './JobEntity';

export type NewJob = Omit<Job, 'number' | 'vehicle'> & { readonly vehicleId: string };

export class JobsStore {
  constructor(private readonly manager: EntityManager) {}

  /** Soonest due first, those without a day last, then by number. */
  async list(): Promise<readonly Job[]> {
    const rows = await this.manager.find(JobEntity, {
      relations: { vehicle: true },
      order: { due_on: { direction: 'ASC', nulls: 'LAST' }, number: 'ASC' },
    });
    return rows.map(toJob);
  }

  async find(id: string): Promise<Job | null> {
    const row = await this.manager.findOne(JobEntity, { where: { id }, relations: { vehicle: true } });
    return row && toJob(row);
  }

  async insert({ id, vehicleId, customer, registration, wants, dueOn }: NewJob): Promise<void> {
    await this.manager.insert(JobEntity, { id, vehicle_id: vehicleId, customer, registration, wants, due_on: dueOn });
  }
}

function toJob({ id, number, customer, registration, wants, due_on, vehicle }: JobRow): Job {
  if (!vehicle) throw new Error('toJob: expected the row with its vehicle, got none');
  const { openings: _, ...rest } = vehicleSchema.parse(vehicle.record);
  return { id, number, customer, registration, wants, dueOn: due_on, vehicle: rest };
}
