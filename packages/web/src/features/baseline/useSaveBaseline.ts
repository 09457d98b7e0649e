/** Saves a job's baseline; what somebody else tried meanwhile comes together with it, thing by thing. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { type Baseline, jobTitle } from '@low-quarry/core/model';
import { savedBaseline } from '../../outbox/saved/savedBaseline';
import { type Form, useSavedRecord } from '../../outbox/useSavedRecord';

export function useSaveBaseline(job: Job, onSaved: (saved: Job) => void, { name, onWaits }: Form<Baseline>) {
  const { send, ...saving } = useSavedRecord({
    kind: savedBaseline,
    recordId: job.id,
    label: `What was tried of ${jobTitle(job)}`,
    form: { name, onWaits: ({ baseline }) => onWaits(baseline) },
    onSaved,
  });
  const save = (version: number, base: Baseline, baseline: Baseline) => send(version, { baseline: base }, { baseline });
  return { ...saving, save };
}
