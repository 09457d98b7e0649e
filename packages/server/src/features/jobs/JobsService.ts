/** Books cars in and reads jobs, with the state of each opening. */
import {
  BIN_DAYS,
  type Job,
  type JobInBin,
  type JobInList,
  type newJobSchema,
  type OpeningState,
  type OpeningWithState,
  type putJob,
} from '@low-quarry/core/contracts/jobs';
import { openingHolds } from '@low-quarry/core/fit/margins/checks/facts';
import { isTakenHere } from '@low-quarry/core/model/measurement';
import type { OpeningRecord } from '@low-quarry/core/model/opening';
import { partName } from '@low-quarry/core/model/parts';
import { airbagAt } from '@low-quarry/core/model/toFitOpening';
import { missingDimensions, wantedDimensions } from '@low-quarry/core/model/wantedDimensions';
import { heldBackBecause, openChecks } from '@low-quarry/core/order/openChecks';
import { isSame } from '@low-quarry/core/records/Field';
import { changedSince } from '@low-quarry/core/records/snapshot';
import type { z } from 'zod';
import { notFound, refused, versionConflict } from '../../http/AppError';
import type { ChoicesStore, StoredChoice } from '../choices/ChoicesStore';
import { type Fitting, summarise } from '../fit/Fitting';
import type { History } from '../history/History';
import type { OpeningsStore } from '../openings/OpeningsStore';
import type { VehiclesStore } from '../vehicles/VehiclesStore';
import type { JobChange, JobsStore } from './JobsStore';
import { jobLabel, noteNewJob, stateOf } from './noteJob';

const DAY_MS = 86_400_000;

export class JobsService {
  constructor(
    private readonly jobs: JobsStore,
    private readonly openings: OpeningsStore,
    private readonly choices: ChoicesStore,
    private readonly vehicles: VehiclesStore,
    private readonly readFitting: () => Promise<Fitting>,
  ) {}

  async list(): Promise<JobInList[]> {
    const jobs = await this.jobs.list();
    const openings = await this.withStates(jobs.map(({ id }) => id));
    return jobs.map((job) => ({
      ...job,
      openings: openings
        .filter(({ jobId }) => jobId === job.id)
        .map(({ id, record, state }) => ({ id, record, state })),
    }));
  }

  async get(jobId: string): Promise<{ job: Job; openings: OpeningWithState[] }> {
    const job = await this.jobs.find(jobId);
    if (!job) throw notFound('job');
    return { job, openings: await this.withStates([jobId]) };
  }

  /** A new job starts with what the library knows of the vehicle's openings. */
  async create(
    { vehicleId, ...job }: z.output<typeof newJobSchema>,
    newId: () => string,
    history: History,
  ): Promise<string> {
    const found = await this.vehicles.find(vehicleId);
    if (!found?.record.ok) {
      const message = found
        ? `What is kept of "${vehicleId}" cannot be read; its history in the library can bring it back.`
        : `"${vehicleId}" is not a vehicle of the library.`;
      throw refused(message, [{ path: 'vehicleId', message }]);
    }
    const vehicle = found.record.value;
    const id = newId();
    await this.jobs.insert({ id, vehicleId, ...job });
    const openings = vehicle.openings.map((record) => ({ id: newId(), record }));
    await this.openings.insert(id, openings);
    await noteNewJob(history, { id, vehicleId, ...job }, openings);
    return id;
  }

  async change(jobId: string, { version, ...change }: z.output<typeof putJob.body>, history: History): Promise<Job> {
    const before = await this.require(jobId);
    if (before.version !== version || !(await this.jobs.update(jobId, version, change)))
      throw versionConflict('this job', await this.require(jobId));
    const after = await this.require(jobId);
    await this.note(history, 'changed', before, after);
    return after;
  }

  /** The same for who has the job as it is: nothing is written where nothing differs. */
  async changeWhereNeeded(job: Job, change: JobChange, history: History): Promise<void> {
    const { vehicleId: _, ...now } = stateOf(job);
    if (!isSame(now, change)) await this.change(job.id, { version: job.version, ...change }, history);
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

  /** Takes what has been in the bin for longer than its grace away for good; tells how many jobs that were. */
  async purgeBin(history: History): Promise<number> {
    const over = (await this.jobs.listDeleted()).filter(
      ({ deletedAt }) => history.now.getTime() - deletedAt.getTime() > BIN_DAYS * DAY_MS,
    );
    for (const job of over) {
      await this.note(history, 'purged', job, null, job.version + 1);
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

  private async withStates(jobIds: readonly string[]): Promise<OpeningWithState[]> {
    const openings = await this.openings.listOfJobs(jobIds);
    const fitting = await this.readFitting();
    const choices = await this.choices.listOfOpenings(openings.map(({ id }) => id));
    return openings.map(({ unreadable, ...opening }) => {
      const stored = choices.get(opening.id);
      const state =
        unreadable === null
          ? openingState(opening.record, stored, fitting)
          : ({ kind: 'unreadable', sentence: unreadableSentence(unreadable) } as const);
      return { ...opening, choice: stored?.choice ?? null, state };
    });
  }
}

function unreadableSentence(why: string): string {
  return `What is kept of this opening cannot be read (${why}). Its history can bring an earlier state back.`;
}

/** What a list says of an opening: its choice's present verdict, or what is in the way of choosing or judging. */
function openingState(record: OpeningRecord, stored: StoredChoice | undefined, fitting: Fitting): OpeningState {
  return stored ? choiceState(record, stored, fitting) : openState(record);
}

/** One choice that cannot be judged is a state of its own line: the other lines, and the list, are as they were. */
function choiceState(record: OpeningRecord, stored: StoredChoice, fitting: Fitting): OpeningState {
  const parts = fitting.namesOf(stored.choice).join(' + ');
  const broken = fitting.brokenBecause(stored.choice);
  if (broken !== null) return { kind: 'cannotJudge', parts, sentence: broken };
  if (stored.isWorkUnreadable)
    return { kind: 'cannotJudge', parts, sentence: 'What is kept of its work by hand cannot be read: choose again.' };
  try {
    const undoable = fitting.undoableBecause(record, stored.choice);
    if (undoable !== null) return { kind: 'cannotJudge', parts, sentence: `${undoable} Choose again.` };
    return judgedState(record, stored, fitting);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { kind: 'cannotJudge', parts, sentence: `This choice cannot be judged: ${why}.` };
  }
}

function judgedState(record: OpeningRecord, stored: StoredChoice, fitting: Fitting): OpeningState {
  const candidate = fitting.findCandidate(stored.choice);
  const speaker = fitting.parts.get(stored.choice.speakerId);
  if (typeof candidate === 'string' || !speaker)
    throw new Error(`judgedState: expected parts of the catalogue, got ${String(candidate)}`);
  const judgement = fitting.judge(record, candidate, stored.choice.works);
  const open = openChecks(judgement, stored.choice.answers, record);
  return {
    kind: 'chosen',
    speakerName: partName(speaker),
    works: stored.choice.works,
    summary: summarise(judgement, open),
    open: [...open],
    heldBack: heldBackBecause(open, stored.verdictWhenChosen),
    verdictThen: stored.verdictWhenChosen,
    sentenceThen: stored.snapshot?.sentence ?? null,
    changedSince: stored.snapshot
      ? [...changedSince(stored.snapshot, fitting.snapshotInputs(record, stored.choice))]
      : [],
  };
}

/** Nothing is chosen. */
function openState(record: OpeningRecord): OpeningState {
  const holds = openingHolds({ ...record, airbag: airbagAt(record) });
  if (holds.length > 0) return { kind: 'hold', sentence: holds.map(({ sentence }) => sentence).join(' ') };
  const missing = missingDimensions(record);
  if (missing.length > 0) return { kind: 'toMeasure', missing: [...missing] };
  const wanted = wantedDimensions(record);
  return {
    kind: 'nothingChosen',
    known: wanted.length,
    takenHere: wanted.filter((key) => isTakenHere(record.dimensions[key])).length,
  };
}
