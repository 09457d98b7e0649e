/** Queries and changes of jobs. */
import { listVehicles } from '@low-quarry/core/contracts/catalogue';
import { deleteJob, getJob, listJobs, putJob } from '@low-quarry/core/contracts/jobs';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { call } from '../../api/call';

export const jobKeys = {
  all: ['jobs'] as const,
  list: ['jobs', 'list'] as const,
  one: (jobId: string) => ['jobs', jobId] as const,
};

export const jobsQuery = queryOptions({
  queryKey: jobKeys.list,
  queryFn: ({ signal }) => call(listJobs, { params: {}, signal }),
});

export function jobQuery(jobId: string) {
  return queryOptions({
    queryKey: jobKeys.one(jobId),
    queryFn: ({ signal }) => call(getJob, { params: { jobId }, signal }),
  });
}

export const vehiclesQuery = queryOptions({
  queryKey: ['vehicles'],
  queryFn: ({ signal }) => call(listVehicles, { params: {}, signal }),
  staleTime: 60_000,
});

export function usePutJob(jobId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: z.input<typeof putJob.body>) => call(putJob, { params: { jobId }, body }),
    retry: false,
    onSuccess: () => queries.invalidateQueries({ queryKey: jobKeys.all }),
  });
}

export function useDeleteJob(jobId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (version: number) => call(deleteJob, { params: { jobId }, body: { version } }),
    retry: false,
    onSuccess: () => queries.invalidateQueries({ queryKey: jobKeys.list }),
  });
}
