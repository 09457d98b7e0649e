/** Jobs in the database, each with its vehicle. */
import type { Job, JobListName, JobsAsked } from '@low-quarry/core/contracts/jobs';
import {
  type JobEnd,
  type JobEnded,
  type JobFacts,
  jobFactsOf,
  jobTitle,
  needsLeave,
  OWNERS,
  type Waits,
} from '@low-quarry/core/model';
import { readStored, salvageVehicle } from '@low-quarry/core/records';
import { type EntityManager, In, IsNull, Not } from 'typeorm';
import { findWords, likeWord } from '../../db/likeWord';
import { JobEntity, type JobRow } from './JobEntity';

export type NewJob = JobFacts & { readonly id: string; readonly vehicleId: string };
export type DeletedJob = Job & { readonly deletedAt: Date; readonly deletedBy: string };
export type JobCounts = Readonly<Record<JobListName, number>>;
export type JobPage = {
  readonly jobs: readonly Job[];
  /** So many are due by then and have the words. */
  readonly total: number;
  /** So many there are, whatever words they have. */
  readonly counts: JobCounts;
};

export class JobsStore {
  constructor(private readonly manager: EntityManager) {}

  /**
   * One page of a list, without what is in the bin: open jobs soonest due first, those without a day last, or the last booked in
   * first; ended ones the last first.
   *
   * @param asked of it `find`: words that number, customer, registration or vehicle have in them, all of them
   */
  async listPage(asked: JobsAsked, pageSize: number): Promise<JobPage> {
    const { list, sort, dueBy, waits, page } = asked;
    const words = findWords(asked.find);
    const query = this.manager
      .createQueryBuilder(JobEntity, 'job')
      .where('job.deleted_at IS NULL')
      .andWhere(list === 'open' ? 'job.ended_at IS NULL' : 'job.ended_at IS NOT NULL')
      .offset((page - 1) * pageSize)
      .limit(pageSize);
    if (dueBy !== null) query.andWhere('job.dueOn <= :dueBy', { dueBy });
    if (waits !== null) query.andWhere(waitsCondition(waits));
    if (list === 'ended') query.orderBy('job.ended_at', 'DESC').addOrderBy('job.number', 'DESC');
    else if (sort === 'newest') query.orderBy('job.number', 'DESC');
    else query.orderBy('job.dueOn', 'ASC', 'NULLS LAST').addOrderBy('job.number', 'ASC');
    if (words.length > 0) query.innerJoin('job.vehicle', 'vehicle');
    for (const [at, word] of words.entries()) {
      query.andWhere(
        `lower(concat_ws(' ', job.number, job.customer, job.registration, vehicle.words)) LIKE :word${at}`,
        { [`word${at}`]: likeWord(word) },
      );
    }
    const counts = await this.counts();
    const total = words.length > 0 || dueBy !== null || waits !== null ? await query.getCount() : counts[list];
    return { jobs: await this.toJobs(await query.getMany()), total, counts };
  }

  private async counts(): Promise<JobCounts> {
    const [counts] = await this.manager.query(
      `SELECT count(*) FILTER (WHERE "ended_at" IS NULL)::int AS "open",
        count(*) FILTER (WHERE "ended_at" IS NOT NULL)::int AS "ended" FROM "job" WHERE "deleted_at" IS NULL`,
    );
    return counts;
  }

  /** What the cars of jobs that are not in the bin are called, by job. */
  async titles(ids: readonly string[]): Promise<Readonly<Record<string, string>>> {
    const rows = await this.manager.find(JobEntity, {
      where: { id: In([...new Set(ids)]), deleted_at: IsNull() },
    });
    return Object.fromEntries((await this.toJobs(rows)).map((job) => [job.id, jobTitle(job)]));
  }

  /** Open jobs with a time in the bay that begins on a day or later, by their number. */
  async listBookedSince(day: string): Promise<readonly Job[]> {
    const query = this.open().andWhere(bookedSince(), { day }).orderBy('job.number', 'ASC');
    return this.toJobs(await query.getMany());
  }

  /** Open jobs without one, the soonest due first. */
  async listNotBookedSince(
    day: string,
    most: number,
  ): Promise<{ readonly jobs: readonly Job[]; readonly total: number }> {
    const query = this.open()
      .andWhere(`NOT ${bookedSince()}`, { day })
      .orderBy('job.dueOn', 'ASC', 'NULLS LAST')
      .addOrderBy('job.number', 'ASC')
      .limit(most);
    const [rows, total] = await query.getManyAndCount();
    return { jobs: await this.toJobs(rows), total };
  }

  private open() {
    return this.manager
      .createQueryBuilder(JobEntity, 'job')
      .where('job.deleted_at IS NULL')
      .andWhere('job.ended_at IS NULL');
  }

  async find(id: string): Promise<Job | null> {
    const row = await this.manager.findOneBy(JobEntity, { id, deleted_at: IsNull() });
    return row && this.toJob(row);
  }

  async findNumbered(number: number): Promise<Job | null> {
    const row = await this.manager.findOneBy(JobEntity, { number, deleted_at: IsNull() });
    return row && this.toJob(row);
  }

  /** What is in the bin, the last first. */
  async listDeleted(): Promise<readonly DeletedJob[]> {
    const rows = await this.manager.find(JobEntity, {
      where: { deleted_at: Not(IsNull()) },
      order: { deleted_at: 'DESC' },
    });
    const jobs = await this.toJobs(rows);
    return rows.map((row, at) => toDeleted(row, jobs[at] as Job));
  }

  async findDeleted(id: string): Promise<DeletedJob | null> {
    const row = await this.manager.findOneBy(JobEntity, { id, deleted_at: Not(IsNull()) });
    return row && toDeleted(row, await this.toJob(row));
  }

  async insert({ id, vehicleId, ...facts }: NewJob): Promise<void> {
    await this.manager.insert(JobEntity, { id, vehicle_id: vehicleId, ...jobFactsOf(facts) });
  }

  /** Changes a job that still has the given version; tells whether it did. So do those below. */
  async update(id: string, version: number, facts: JobFacts): Promise<boolean> {
    return this.change(id, version, jobFactsOf(facts));
  }

  async end(id: string, version: number, as: JobEnd, at: Date): Promise<boolean> {
    return this.change(id, version, { ended_as: as, ended_at: at });
  }

  async reopen(id: string, version: number): Promise<boolean> {
    return this.change(id, version, { ended_as: null, ended_at: null });
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

  private async toJob(row: JobRow): Promise<Job> {
    return (await this.toJobs([row]))[0] as Job;
  }

  /** Of a vehicle without its openings and panels, which are most of it, and each vehicle once. */
  private async toJobs(rows: readonly JobRow[]): Promise<readonly Job[]> {
    const found: { id: string; record: object }[] = await this.manager.query(
      `SELECT "id", ("record" - ARRAY['openings', 'panels']) || '{"openings": []}' AS "record"
        FROM "vehicle" WHERE "id" = ANY($1)`,
      [[...new Set(rows.map(({ vehicle_id }) => vehicle_id))]],
    );
    const vehicles = new Map(found.map(({ id, record }) => [id, vehicleOf(id, record)]));
    return rows.map((row) => {
      const { id, number, version, vehicle_id } = row;
      const vehicle = vehicles.get(vehicle_id);
      if (!vehicle) throw new Error(`JobsStore.toJobs: expected the vehicle ${vehicle_id}, got none`);
      return { id, number, version, ...jobFactsOf(row), ended: endedOf(row), vehicle };
    });
  }

  private async change(id: string, version: number, change: Partial<JobRow>): Promise<boolean> {
    const { vehicle: _, ...columns } = change;
    return (await this.manager.update(JobEntity, { id, version }, { ...columns, version: version + 1 })).affected === 1;
  }
}

export function endedOf({ ended_as: as, ended_at: at }: Pick<JobRow, 'ended_as' | 'ended_at'>): JobEnded | null {
  return as && at ? { as, at: at.toISOString() } : null;
}

function vehicleOf(id: string, record: object): Job['vehicle'] {
  const read = readStored('vehicle', record);
  const { openings: _, ...rest } = read.ok ? read.value : salvageVehicle(record, id);
  return rest;
}

function toDeleted(row: JobRow, job: Job): DeletedJob {
  return { ...job, deletedAt: row.deleted_at as Date, deletedBy: row.deleted_by ?? 'somebody' };
}

const bookedSince = () =>
  `EXISTS (SELECT 1 FROM jsonb_array_elements(job.booked) AS "time" WHERE "time" ->> 'day' >= :day)`;

/** As `waitsFor` says it of one job. Nothing of it comes from outside: the contract names every word. */
function waitsCondition(waits: Waits): string {
  const of = waits === 'anybody' ? '' : ` AND "question" ->> 'of' = '${waits}'`;
  const isAsked = `EXISTS (SELECT 1 FROM jsonb_array_elements(job.questions) AS "question"
    WHERE "question" ->> 'answer' = '' AND "question" ->> 'askedOn' IS NOT NULL${of})`;
  if (waits !== 'anybody' && waits !== 'owner') return isAsked;
  const owners = OWNERS.filter((owner) => needsLeave({ owner })).map((owner) => `'${owner}'`);
  return `(${isAsked} OR (job.ownership ->> 'leave' = 'asked' AND job.ownership ->> 'owner' IN (${owners.join(', ')})))`;
}
