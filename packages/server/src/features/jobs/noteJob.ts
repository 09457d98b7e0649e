/** What the history keeps of a job. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import type { OpeningRecord } from '@low-quarry/core/model';
import { type JobState, jobFactsOf, placeLabel } from '@low-quarry/core/model';
import type { History } from '../history/History';
import type { NewJob } from './JobsStore';

export function jobLabel({ customer, registration }: Pick<Job, 'customer' | 'registration'>): string {
  return registration ? `${customer}, ${registration}` : customer;
}

export function stateOf(job: Job): JobState {
  return { vehicleId: job.vehicle.id, ...jobFactsOf(job), ended: job.ended };
}

/** The first lines of a new job: of itself and of each of its openings. */
export async function noteNewJob(
  history: History,
  { id, vehicleId, ...facts }: NewJob,
  openings: readonly { readonly id: string; readonly record: OpeningRecord }[],
): Promise<void> {
  const first = { jobId: id, action: 'created', version: 1, before: null } as const;
  const after: JobState = { vehicleId, ...jobFactsOf(facts), ended: null };
  await history.note({ ...first, kind: 'job', recordId: id, label: jobLabel(facts), after });
  for (const opening of openings) {
    await history.note({
      ...first,
      kind: 'opening',
      recordId: opening.id,
      label: placeLabel(opening.record),
      after: opening.record,
    });
  }
}
