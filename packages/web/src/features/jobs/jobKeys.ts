/** Under which keys answers about jobs are kept. */
import type { JobsAsked as Asked } from '@low-quarry/core/contracts/jobs';

export const jobKeys = {
  all: ['jobs'] as const,
  lists: ['jobs', 'list'] as const,
  list: (asked: JobsAsked) => ['jobs', 'list', asked] as const,
  one: (jobId: string) => ['jobs', jobId] as const,
  /** A deletion that is under way or done from the screen that is open, by the key of what goes. */
  deletion: (queryKey: readonly unknown[]) => ['delete', ...queryKey],
};

/** Every open car, soonest due first, where nothing else is asked. */
export type JobsAsked = Pick<Asked, 'list' | 'find' | 'page'> & Partial<Asked>;
