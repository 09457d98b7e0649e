/** Openings in the database. */
import type { OpeningRecord } from '@low-quarry/core/model';
import { readStored, salvageOpening, toStored } from '@low-quarry/core/records';
import { type EntityManager, In, IsNull } from 'typeorm';
import { OpeningEntity, type OpeningRow } from './OpeningEntity';

export type StoredOpening = {
  readonly id: string;
  readonly jobId: string;
  readonly version: number;
  readonly record: OpeningRecord;
  /** Why what is kept cannot be read; then the record is what could be, for showing where it is. */
  readonly unreadable: string | null;
};

export class OpeningsStore {
  constructor(private readonly manager: EntityManager) {}

  /** Not those of a job that is in the bin. */
  async find(id: string): Promise<StoredOpening | null> {
    const row = await this.manager.findOneBy(OpeningEntity, { id, job: { deleted_at: IsNull() } });
    return row && toOpening(row);
  }

  /** Nobody else changes these openings, or what is chosen for them, until the transaction ends. */
  async lock(ids: readonly string[]): Promise<void> {
    await this.manager.find(OpeningEntity, {
      where: { id: In([...ids]) },
      order: { id: 'ASC' },
      lock: { mode: 'pessimistic_write' },
    });
  }

  async list(ids: readonly string[]): Promise<readonly StoredOpening[]> {
    return (await this.manager.findBy(OpeningEntity, { id: In([...ids]) })).map(toOpening);
  }

  /** In the order of the vehicle's list. */
  async listOfJobs(jobIds: readonly string[]): Promise<readonly StoredOpening[]> {
    const rows = await this.manager.find(OpeningEntity, {
      where: { job_id: In([...jobIds]), job: { deleted_at: IsNull() } },
      order: { job_id: 'ASC', position: 'ASC' },
    });
    return rows.map(toOpening);
  }

  async insert(
    jobId: string,
    openings: readonly { readonly id: string; readonly record: OpeningRecord }[],
  ): Promise<void> {
    await this.manager.insert(
      OpeningEntity,
      openings.map(({ id, record }, position) => ({
        id,
        job_id: jobId,
        position,
        version: 1,
        record: toStored('opening', record),
      })),
    );
  }

  /** Nobody else adds a place to this car until the transaction ends; tells whether there is such a job outside the bin. */
  async lockJob(jobId: string): Promise<boolean> {
    const rows = await this.manager.query(`SELECT FROM "job" WHERE "id" = $1 AND "deleted_at" IS NULL FOR UPDATE`, [
      jobId,
    ]);
    return rows.length > 0;
  }

  /** One more, after those of the job that are there; an id that was taken out goes on counting its versions. */
  async add(jobId: string, id: string, record: OpeningRecord): Promise<number> {
    const [{ position, version }] = await this.manager.query(
      `SELECT (SELECT coalesce(max("position") + 1, 0) FROM "opening" WHERE "job_id" = $1)::integer AS "position",
        (SELECT coalesce(max("version") + 1, 1) FROM "change" WHERE "kind" = 'opening' AND "record_id" = $2)::integer AS "version"`,
      [jobId, id],
    );
    await this.manager.insert(OpeningEntity, {
      id,
      job_id: jobId,
      position,
      version,
      record: toStored('opening', record),
    });
    return version;
  }

  async remove(id: string, version: number): Promise<boolean> {
    return (await this.manager.delete(OpeningEntity, { id, version })).affected === 1;
  }

  /** Replaces the record if it still has the given version; tells whether it did. */
  async replace(id: string, version: number, record: OpeningRecord): Promise<boolean> {
    const result = await this.manager.update(
      OpeningEntity,
      { id, version },
      {
        record: toStored('opening', record),
        version: version + 1,
      },
    );
    return result.affected === 1;
  }
}

export function toOpening({ id, job_id, version, record }: OpeningRow): StoredOpening {
  const read = readStored('opening', record);
  return read.ok
    ? { id, jobId: job_id, version, record: read.value, unreadable: null }
    : { id, jobId: job_id, version, record: salvageOpening(record), unreadable: read.failure };
}
