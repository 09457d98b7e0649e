/** Books cars in and reads jobs, with the state of each opening. */
import type { Job, JobInList, newJobSchema, OpeningState, OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { chimeCheck } from '@low-quarry/core/fit/checks/chimeCheck';
import { isTakenHere, missingDimensions, type OpeningRecord, wantedDimensions } from '@low-quarry/core/model/opening';
import { partName } from '@low-quarry/core/model/parts';
import { heldBackBecause } from '@low-quarry/core/order/heldBack';
import type { z } from 'zod';
import { notFound, refused } from '../../http/AppError';
import type { ChoicesStore, StoredChoice } from '../choices/ChoicesStore';
import { type Fitting, summarise } from '../fit/Fitting';
import type { OpeningsStore } from '../openings/OpeningsStore';
import type { VehiclesStore } from '../vehicles/VehiclesStore';
import type { JobsStore } from './JobsStore';

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
  async create({ vehicleId, ...job }: z.output<typeof newJobSchema>, newId: () => string): Promise<string> {
    const vehicle = await this.vehicles.find(vehicleId);
    if (!vehicle) {
      const message = `"${vehicleId}" is not a vehicle of the library.`;
      throw refused(message, [{ path: 'vehicleId', message }]);
    }
    const id = newId();
    await this.jobs.insert({ id, vehicleId, ...job });
    await this.openings.insert(
      id,
      vehicle.openings.map((record) => ({ id: newId(), record })),
    );
    return id;
  }

  private async withStates(jobIds: readonly string[]): Promise<OpeningWithState[]> {
    const openings = await this.openings.listOfJobs(jobIds);
    const fitting = await this.readFitting();
    const choices = await this.choices.listOfOpenings(openings.map(({ id }) => id));
    return openings.map((opening) => {
      const stored = choices.get(opening.id);
      return { ...opening, choice: stored?.choice ?? null, state: openingState(opening.record, stored, fitting) };
    });
  }
}

/** What a list says of an opening: its choice's present verdict, or what is in the way of choosing. */
function openingState(record: OpeningRecord, stored: StoredChoice | undefined, fitting: Fitting): OpeningState {
  if (stored) {
    const candidate = fitting.findCandidate(stored.choice);
    const speaker = fitting.parts.get(stored.choice.speakerId);
    if (typeof candidate === 'string' || !speaker)
      throw new Error(`openingState: expected a part of the catalogue as ${String(candidate)}`);
    const summary = summarise(fitting.judge(record, candidate));
    const heldBack = heldBackBecause(summary.verdict, {
      verdictWhenChosen: stored.verdictWhenChosen,
      reason: stored.choice.reason,
    });
    return { kind: 'chosen', speakerName: partName(speaker), summary, heldBack };
  }
  const hold = holdSentence(record);
  if (hold) return { kind: 'hold', sentence: hold };
  const missing = missingDimensions(record);
  if (missing.length > 0) return { kind: 'toMeasure', missing: [...missing] };
  const wanted = wantedDimensions(record);
  return {
    kind: 'nothingChosen',
    known: wanted.length,
    takenHere: wanted.filter((key) => isTakenHere(record.dimensions[key])).length,
  };
}

function holdSentence({ secondPlug, wiring }: OpeningRecord): string | null {
  const chime = chimeCheck(secondPlug);
  if (chime.verdict === 'hold') return chime.sentence;
  if (wiring.kind === 'noWires') return 'This trim has no speaker wires here.';
  return wiring.kind === 'unknown' ? 'The factory plug has not been looked at.' : null;
}
