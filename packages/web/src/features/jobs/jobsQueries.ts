/** Queries and changes of jobs. */

import { deleteJob, endJob, getJob, listJobs, reopenJob } from '@low-quarry/core/contracts/jobs';
import type { JobEnd } from '@low-quarry/core/model';
import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';
import { type JobsAsked, jobKeys } from './jobKeys';

/** A list is kept once, whether its usual sort and days are asked for by name or not. */
export function jobsQuery(some: JobsAsked) {
  const asked = { sort: 'due', dueBy: null, waits: null, ...some } as const;
  return queryOptions({
    queryKey: jobKeys.list(asked),
    queryFn: ({ signal }) => call(listJobs, { params: asked, signal }),
    placeholderData: keepPreviousData,
  });
}

export function jobQuery(jobId: string) {
  return queryOptions({
    queryKey: jobKeys.one(jobId),
    queryFn: ({ signal }) => call(getJob, { params: { jobId }, signal }),
  });
}

/** Ends a job, or opens one again that has ended. */
export function useEndJob(jobId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ version, as }: { readonly version: number; readonly as: JobEnd | null }) =>
      as
        ? call(endJob, { params: { jobId }, body: { version, as } })
        : call(reopenJob, { params: { jobId }, body: { version } }),
    retry: false,
    onSuccess: () => askAnew(queries, jobKeys.all),
  });
}

export function useDeleteJob(jobId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationKey: jobKeys.deletion(jobKeys.one(jobId)),
    // Known as long as the screen is open from which it was asked.
    gcTime: 0,
    mutationFn: (version: number) => call(deleteJob, { params: { jobId }, body: { version } }),
    retry: false,
    onSuccess: () => askAnew(queries, jobKeys.lists),
  });
}
