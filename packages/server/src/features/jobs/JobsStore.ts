/** Jobs in the database, each with its vehicle. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { readStored, salvageVehicle } from '@low-quarry/core/records/storedRecord';
import { type EntityManager, IsNull, Not } from 'typeorm';
import { JobEntity, type JobRow } from './JobEntity';

export type NewJob = Omit<Job, 'number' | 'vehicle' | 'version'> & { readonly vehicleId: string };
export type JobChange = Pick<Job, 'customer' | 'registration' | 'wants' | 'dueOn'>;
export type DeletedJob = Job & { readonly deletedAt: Date; readonly deletedBy: string };

export class JobsStore {
  constructor(private readonly manager: EntityManager) {}

  /** Soonest due first, those without a day last, then by number; without what is in the bin. */
  async list(): Promise<readonly Job[]> {
    const rows = await this.manager.find(JobEntity, {
      where: { deleted_at: IsNull() },
      relations: { vehicle: true },
      order: { due_on: { direction: 'ASC', nulls: 'LAST' }, number: 'ASC' },
    });
    return rows.map(toJob);
  }

  async find(id: string): Promise<Job | null> {
    const row = await this.manager.findOne(JobEntity, {
      where: { id, deleted_at: IsNull() },
      relations: { vehicle: true },
    });
    return row && toJob(row);
  }

  /** What is in the bin, the last first. */
  async listDeleted(): Promise<readonly DeletedJob[]> {
    const rows = await this.manager.find(JobEntity, {
      where: { deleted_at: Not(IsNull()) },
      relations: { vehicle: true },
      order: { deleted_at: 'DESC' },
    });
    return rows.map(toDeleted);
  }

  async findDeleted(id: string): Promise<DeletedJob | null> {
    const row = await this.manager.findOne(JobEntity, {
      where: { id, deleted_at: Not(IsNull()) },
      relations: { vehicle: true },
    });
    return row && toDeleted(row);
  }

  async insert({ id, vehicleId, customer, registration, wants, dueOn }: NewJob): Promise<void> {
    await this.manager.insert(JobEntity, { id, vehicle_id: vehicleId, customer, registration, wants, due_on: dueOn });
  }

  /** Changes a job that still has the given version; tells whether it did. So do the two below. */
  async update(id: string, version: number, { customer, registration, wants, dueOn }: JobChange): Promise<boolean> {
    return this.change(id, version, { customer, registration, wants, due_on: dueOn });
  }

  async delete(id: string, version: number, at: Date, by: string): Promise<boolean> {
    return this.change(id, version, { deleted_at: at, deleted_by: by });
  }

  async restore(id: string, version: number): Promise<boolean> {
    return this.change(id, version, { deleted_at: null, deleted_by: null });
  }

  /** Gone for good, with its openings and choices; the history keeps what they were. */
  async purge(id: string): Promise<void> {
    await this.manager.delete(JobEntity, { id });
  }

  private async change(id: string, version: number, change: Partial<JobRow>): Promise<boolean> {
    const { vehicle: _, ...columns } = change;
    return (await this.manager.update(JobEntity, { id, version }, { ...columns, version: version + 1 })).affected === 1;
  }
}

function toJob({ id, number, version, customer, registration, wants, due_on, vehicle }: JobRow): Job {
  if (!vehicle) throw new Error('toJob: expected the row with its vehicle, got none');
  const read = readStored('vehicle', vehicle.record);
  const { openings: _, ...rest } = read.ok ? read.value : salvageVehicle(vehicle.record, vehicle.id);
  return { id, number, version, customer, registration, wants, dueOn: due_on, vehicle: rest };
}

function toDeleted(row: JobRow): DeletedJob {
  return { ...toJob(row), deletedAt: row.deleted_at as Date, deletedBy: row.deleted_by ?? 'somebody' };
}
