/** Ends the job, or puts it into the bin. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';

const JobForms = late(() => import('./JobForms').then((code) => code.JobForms));

export function ChangeJob({ job }: { readonly job: Job }) {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title={`Job ${job.number}`}
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => <Button {...props}>End or delete</Button>}
    >
      <JobForms job={job} />
    </Layer>
  );
}
