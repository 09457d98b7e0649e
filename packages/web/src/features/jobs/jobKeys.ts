/** Under which keys answers about jobs are kept. */
import type { JobListName } from '@low-quarry/core/contracts/jobs';

export const jobKeys = {
  all: ['jobs'] as const,
  lists: ['jobs', 'list'] as const,
  list: (asked: JobsAsked) => ['jobs', 'list', asked] as const,
  one: (jobId: string) => ['jobs', jobId] as const,
};

export type JobsAsked = { readonly list: JobListName; readonly find: string; readonly page: number };
