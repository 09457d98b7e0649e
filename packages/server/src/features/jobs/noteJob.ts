/** What the history keeps of a job. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import type { OpeningRecord } from '@low-quarry/core/model/opening';
import { placeLabel } from '@low-quarry/core/model/place';
import type { JobState } from '@low-quarry/core/records/recordKinds';
import type { History } from '../history/History';
import type { NewJob } from './JobsStore';

export function jobLabel({ customer, registration }: Pick<Job, 'customer' | 'registration'>): string {
  return registration ? `${customer}, ${registration}` : customer;
}

export function stateOf({ vehicle, customer, registration, wants, dueOn }: Job): JobState {
  return { vehicleId: vehicle.id, customer, registration, wants, dueOn };
}

/** The first lines of a new job: of itself and of each of its openings. */
export async function noteNewJob(
  history: History,
  { id, ...job }: NewJob,
  openings: readonly { readonly id: string; readonly record: OpeningRecord }[],
): Promise<void> {
  const first = { jobId: id, action: 'created', version: 1, before: null } as const;
  await history.note({ ...first, kind: 'job', recordId: id, label: jobLabel(job), after: job });
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
