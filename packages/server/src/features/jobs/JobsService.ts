/** Books cars in and reads jobs, with the state of each opening. */
import {
  BIN_DAYS,
  JOBS_A_PAGE,
  type Job,
  type JobInBin,
  type JobsAsked,
  type listJobs,
  type NewJob,
  type OpeningWithState,
  type putAmplifierPlan,
  type putBaseline,
  type putBay,
  type putBooked,
  type putCrossovers,
  type putFound,
  type putJob,
  type putQuieted,
  type putSmallParts,
  type putStowed,
} from '@low-quarry/core/contracts/jobs';
import {
  asCarried,
  type JobEnd,
  type JobFacts,
  type JobState,
  jobFactsOf,
  mayDo,
  type Role,
  type VehicleRecord,
} from '@low-quarry/core/model';
import { forgedSecond, isSame, signatureForbids } from '@low-quarry/core/records';
import type { z } from 'zod';
import { AppError, notFound, refused, versionConflict } from '../../http/AppError';
import type { History } from '../history/History';
import type { OpeningsStore } from '../openings/OpeningsStore';
import type { VehiclesService } from '../vehicles/VehiclesService';
import type { JobsStore } from './JobsStore';
import { jobLabel, noteNewJob, stateOf } from './noteJob';
import type { OpeningStates } from './OpeningStates';
import type { PartsChosen } from './PartsChosen';

const DAY_MS = 86_400_000;
const NOT_TICKED = 'Steps are ticked by a fitter or the owner.';
const NOT_TICKED_AT = { path: 'bay.steps', message: NOT_TICKED };

export class JobsService {
  constructor(
    private readonly jobs: JobsStore,
    private readonly openings: OpeningsStore,
    private readonly states: OpeningStates,
    /** Where parts are chosen. */
    readonly chosen: PartsChosen,
  ) {}

  async list(asked: JobsAsked): Promise<z.input<typeof listJobs.answer>> {
    const { jobs, total, counts } = await this.jobs.listPage(asked, JOBS_A_PAGE);
    const openings = await this.states.listed(jobs.map(({ id }) => id));
    return { jobs: jobs.map((job) => ({ ...job, openings: [...(openings.get(job.id) ?? [])] })), total, counts };
  }

  async get(jobId: string): Promise<{ job: Job; openings: OpeningWithState[] }> {
    const job = await this.jobs.find(jobId);
    if (!job) throw notFound('job');
    return { job, openings: [...(await this.states.ofJob(jobId))] };
  }

  /**
   * A new job starts with what the library knows of the vehicle's openings; of a vehicle that it does not know yet, with what that one
   * begins with.
   */
  async create(
    { vehicleId, newVehicle, ...job }: NewJob,
    newId: () => string,
    history: History,
    vehicles: VehiclesService,
  ): Promise<string> {
    const vehicle = newVehicle
      ? (await vehicles.add(newVehicle, newId(), 'newVehicle.')).record
      : await knownVehicle(vehicles, vehicleId);
    const id = newId();
    await this.jobs.insert({ id, vehicleId: vehicle.id, ...job });
    const openings = vehicle.openings.map((record) => ({ id: newId(), record: asCarried(record) }));
    await this.openings.insert(id, openings);
    await noteNewJob(history, { id, vehicleId: vehicle.id, ...job }, openings);
    return id;
  }

  async change(jobId: string, { version, ...change }: z.output<typeof putJob.body>, history: History): Promise<Job> {
    const before = await this.require(jobId);
    return this.write(before, version, { ...jobFactsOf(before), ...change }, history);
  }

  /** What was signed stays, but for an owner who takes the signature off. */
  async changeBaseline(
    jobId: string,
    { version, baseline }: z.output<typeof putBaseline.body>,
    history: History,
    isOwner: boolean,
  ): Promise<Job> {
    const before = await this.require(jobId);
    if (before.version === version) refuseSigned(before, baseline, isOwner);
    return this.write(before, version, { ...jobFactsOf(before), baseline }, history);
  }

  async changeFound(jobId: string, { version, found }: z.output<typeof putFound.body>, history: History): Promise<Job> {
    const before = await this.require(jobId);
    return this.write(before, version, { ...jobFactsOf(before), found }, history);
  }

  async changeAmplifierPlan(
    jobId: string,
    { version, amplifierPlan }: z.output<typeof putAmplifierPlan.body>,
    history: History,
  ): Promise<Job> {
    const before = await this.require(jobId);
    return this.write(before, version, { ...jobFactsOf(before), amplifierPlan }, history);
  }

  async changeCrossovers(
    jobId: string,
    { version, crossovers }: z.output<typeof putCrossovers.body>,
    history: History,
  ): Promise<Job> {
    const before = await this.require(jobId);
    return this.write(before, version, { ...jobFactsOf(before), crossovers }, history);
  }

  async changeStowed(
    jobId: string,
    { version, stowed }: z.output<typeof putStowed.body>,
    history: History,
  ): Promise<Job> {
    const before = await this.require(jobId);
    return this.write(before, version, { ...jobFactsOf(before), stowed }, history);
  }

  /** Who signs as the second person signs for nobody else; the counter settles what was found, and ticks nothing. */
  async changeBay(
    jobId: string,
    { version, bay }: z.output<typeof putBay.body>,
    history: History,
    roles: readonly Role[],
  ): Promise<Job> {
    const before = await this.require(jobId);
    if (before.version === version) {
      const forged = forgedSecond(before.bay, bay, history.authorName);
      if (forged) throw refused(forged.message, [forged]);
      if (!mayDo('measure', roles) && !isSame(before.bay.steps, bay.steps)) throw refused(NOT_TICKED, [NOT_TICKED_AT]);
    }
    return this.write(before, version, { ...jobFactsOf(before), bay }, history);
  }

  async changeBooked(
    jobId: string,
    { version, booked }: z.output<typeof putBooked.body>,
    history: History,
  ): Promise<Job> {
    const before = await this.require(jobId);
    return this.write(before, version, { ...jobFactsOf(before), booked }, history);
  }

  async changeSmallParts(
    jobId: string,
    { version, smallParts }: z.output<typeof putSmallParts.body>,
    history: History,
  ): Promise<Job> {
    const before = await this.require(jobId);
    return this.write(before, version, { ...jobFactsOf(before), smallParts }, history);
  }

  async changeQuieted(
    jobId: string,
    { version, quieted }: z.output<typeof putQuieted.body>,
    history: History,
  ): Promise<Job> {
    const before = await this.require(jobId);
    return this.write(before, version, { ...jobFactsOf(before), quieted }, history);
  }

  private async write(before: Job, version: number, facts: JobFacts, history: History): Promise<Job> {
    if (before.version !== version || !(await this.jobs.update(before.id, version, facts)))
      throw versionConflict('this job', await this.require(before.id));
    const after = await this.require(before.id);
    await this.note(history, 'changed', before, after);
    return after;
  }

  /** The same for who has the job as it is: nothing is written where nothing differs. */
  async changeWhereNeeded(
    job: Job,
    { ended, ...state }: Omit<JobState, 'vehicleId'>,
    history: History,
    isOwner: boolean,
  ): Promise<void> {
    let now = job;
    if (!isSame(jobFactsOf(now), state)) {
      refuseSigned(now, state.baseline, isOwner);
      now = await this.write(now, now.version, state, history);
    }
    if (isSame(now.ended?.as, ended?.as)) return;
    if (ended) await this.end(job.id, now.version, ended.as, history);
    else await this.reopen(job.id, now.version, history);
  }

  /** @param holds what keeps this car, with its openings, from being handed over */
  async endUnlessHeld(
    jobId: string,
    version: number,
    as: JobEnd,
    history: History,
    holds: (job: Job, openings: readonly OpeningWithState[]) => Promise<readonly string[]>,
  ): Promise<Job> {
    if (as === 'handedOver') {
      const { job, openings } = await this.get(jobId);
      const open = job.version === version ? await holds(job, openings) : [];
      if (open.length > 0) {
        const message = `Not handed over: ${open.slice(0, 3).join(' ')}${open.length > 3 ? ` And ${open.length - 3} more.` : ''}`;
        throw refused(message, [{ path: 'as', message }]);
      }
    }
    return this.end(jobId, version, as, history);
  }

  end(jobId: string, version: number, as: JobEnd, history: History): Promise<Job> {
    return this.changeStanding(jobId, version, history, () => this.jobs.end(jobId, version, as, history.now));
  }

  reopen(jobId: string, version: number, history: History): Promise<Job> {
    return this.changeStanding(jobId, version, history, () => this.jobs.reopen(jobId, version));
  }

  private async changeStanding(
    jobId: string,
    version: number,
    history: History,
    write: () => Promise<boolean>,
  ): Promise<Job> {
    const before = await this.require(jobId);
    if (before.version !== version || !(await write())) throw versionConflict('this job', await this.require(jobId));
    const after = await this.require(jobId);
    await this.note(history, 'changed', before, after);
    return after;
  }

  async delete(jobId: string, version: number, history: History): Promise<Date> {
    const before = await this.require(jobId);
    if (before.version !== version || !(await this.jobs.delete(jobId, version, history.now, history.authorName)))
      throw versionConflict('this job', await this.require(jobId));
    await this.note(history, 'deleted', before, null);
    return history.now;
  }

  async listBin(): Promise<JobInBin[]> {
    return (await this.jobs.listDeleted()).map(({ deletedAt, ...job }) => ({
      ...job,
      deletedAt: deletedAt.toISOString(),
      goneOn: new Date(deletedAt.getTime() + BIN_DAYS * DAY_MS).toISOString().slice(0, 10),
    }));
  }

  async restore(jobId: string, version: number, history: History): Promise<Job> {
    const inBin = await this.jobs.findDeleted(jobId);
    if (!inBin) throw notFound('job in the bin');
    if (inBin.version !== version || !(await this.jobs.restore(jobId, version)))
      throw versionConflict('this job', await this.jobs.findDeleted(jobId));
    const after = await this.require(jobId);
    await this.note(history, 'broughtBack', null, after);
    return after;
  }

  /**
   * Takes what has been in the bin for longer than its grace away for good; tells how many jobs that were.
   *
   * @param giveBack makes what is put aside for a job free again
   */
  async purgeBin(history: History, giveBack: (jobId: string) => Promise<void>): Promise<number> {
    const over = (await this.jobs.listDeleted()).filter(
      ({ deletedAt }) => history.now.getTime() - deletedAt.getTime() > BIN_DAYS * DAY_MS,
    );
    for (const job of over) {
      await this.note(history, 'purged', job, null, job.version + 1);
      await giveBack(job.id);
      await this.jobs.purge(job.id);
    }
    return over.length;
  }

  private async require(jobId: string): Promise<Job> {
    const job = await this.jobs.find(jobId);
    if (!job) throw notFound('job');
    return job;
  }

  private note(
    history: History,
    action: 'changed' | 'deleted' | 'broughtBack' | 'purged',
    before: Job | null,
    after: Job | null,
    version = after?.version ?? (before?.version ?? 0) + 1,
  ): Promise<number> {
    const job = (after ?? before) as Job;
    return history.note({
      kind: 'job',
      recordId: job.id,
      jobId: job.id,
      label: jobLabel(job),
      action,
      version,
      before: before && stateOf(before),
      after: after && stateOf(after),
    });
  }
}

function refuseSigned({ baseline: before }: Job, baseline: Job['baseline'], isOwner: boolean): void {
  const forbidden = signatureForbids(before, baseline, isOwner);
  if (forbidden) throw refused(forbidden.message, [forbidden]);
}

/** What is wrong with it is said at the field in which it was chosen. */
async function knownVehicle(vehicles: VehiclesService, vehicleId: string): Promise<VehicleRecord> {
  try {
    return (await vehicles.get(vehicleId)).record;
  } catch (error) {
    if (!(error instanceof AppError)) throw error;
    const message =
      error.code === 'not-found'
        ? `"${vehicleId}" is not a vehicle of the library.`
        : `What is kept of "${vehicleId}" cannot be read; its history in the library can bring it back.`;
    throw refused(message, [{ path: 'vehicleId', message }]);
  }
}
