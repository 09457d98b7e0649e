/** Saves a job's baseline; what somebody else tried meanwhile comes together with it, thing by thing. */
import { type Job, jobSchema } from '@low-quarry/core/contracts/jobs';
import type { Baseline } from '@low-quarry/core/model';
import { baselineFields } from '@low-quarry/core/records';
import { useConflict } from '../../ui/useConflict';
import { usePutBaseline } from '../jobs/jobsQueries';

type WithBaseline = { readonly baseline: Baseline };

export function useSaveBaseline(jobId: string, onSaved: (saved: Job) => void) {
  const { mutate, error, isPending } = usePutBaseline(jobId);
  const { panel, send, drop } = useConflict<WithBaseline>({
    fieldsOf: baselineFields,
    read: (current) => {
      const read = jobSchema.safeParse(current);
      return read.success ? { version: read.data.version, record: { baseline: read.data.baseline } } : null;
    },
    save: (version, { baseline }, onError) => mutate({ version, baseline }, { onError, onSuccess: onSaved }),
  });
  const save = (version: number, base: Baseline, baseline: Baseline) => send(version, { baseline: base }, { baseline });
  return { panel, save, drop, error, isPending };
}
