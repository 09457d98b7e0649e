import { type Job, jobSchema } from '@low-quarry/core/contracts/jobs';
import type { SavedKind } from './SavedKind';

/** A part of a job: its version is the job's. */
export function ofJob<Rec>(part: (job: Job) => Rec): SavedKind<Rec, Job>['read'] {
  return (current) => {
    const { data } = jobSchema.safeParse(current);
    return data ? { version: data.version, record: part(data) } : null;
  };
}
