import { useQuery } from '@tanstack/react-query';
import { useAsked } from '../../ui/useRested';
import { jobsQuery } from '../jobs/jobsQueries';

/** Which open job has this registration already, in words; nothing where none has. */
export function useAlike(registration: string): string | undefined {
  const find = useAsked(registration.trim());
  const { data } = useQuery({ ...jobsQuery({ list: 'open', find, page: 1 }), enabled: find !== '' });
  const same = data?.jobs.find((job) => plain(job.registration) === plain(registration));
  return same && `Job ${same.number} has it too: ${same.customer}.`;
}

function plain(text: string): string {
  return text.replace(/[\s-]+/g, '').toLowerCase();
}
