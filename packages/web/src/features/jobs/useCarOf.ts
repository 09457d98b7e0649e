/** What a job's car is called, for lines about a record of it. */
import { useQuery } from '@tanstack/react-query';
import { jobsQuery } from './jobsQueries';
import { jobTitle } from './jobTitle';

/** @returns the name, null for no job and for one that is in the bin or not loaded yet */
export function useCarOf(): (jobId: string | null) => string | null {
  const { data } = useQuery(jobsQuery);
  return (jobId) => {
    const job = data?.jobs.find(({ id }) => id === jobId);
    return job ? jobTitle(job) : null;
  };
}
