/** What can be done to a job itself: its end, the bin. */
import { BIN_DAYS, type Job } from '@low-quarry/core/contracts/jobs';
import { JOB_END_WORDS, JOB_ENDS } from '@low-quarry/core/model';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { toast } from '../../ui/toast';
import { useLeadOn } from '../../ui/useLeadOn';
import { endedWords } from './dueWords';
import { useDeleteJob, useEndJob } from './jobsQueries';

export function JobForms({ job }: { readonly job: Job }) {
  return (
    <div className="flex flex-col gap-6">
      <EndJob job={job} />
      <DeleteJob job={job} />
    </div>
  );
}

/** The car has left, or nothing comes of it. */
function EndJob({ job }: { readonly job: Job }) {
  const end = useEndJob(job.id);
  return (
    <div className="flex flex-col items-start gap-2 border-t border-ink pt-3">
      <p className="text-muted">
        {job.ended
          ? `${endedWords(job.ended)}. It can be taken up again as it was.`
          : 'A job that has ended leaves the list of open ones and stays as it is, to be found under “Ended”.'}
      </p>
      <FormError>{end.error?.message ?? null}</FormError>
      <span className="flex flex-wrap gap-2">
        {job.ended ? (
          <Button disabled={end.isPending} onClick={() => end.mutate({ version: job.version, as: null })}>
            Take job {job.number} up again
          </Button>
        ) : (
          JOB_ENDS.map((as) => (
            <Button key={as} disabled={end.isPending} onClick={() => end.mutate({ version: job.version, as })}>
              Job {job.number} is {JOB_END_WORDS[as]}
            </Button>
          ))
        )}
      </span>
    </div>
  );
}

function DeleteJob({ job }: { readonly job: Job }) {
  const remove = useDeleteJob(job.id);
  const leadOn = useLeadOn();
  return (
    <div className="flex flex-col items-start gap-2 border-t border-ink pt-3">
      <p className="text-muted">
        The bin keeps the job with its measurements and choices for {BIN_DAYS} days; whoever deletes it can also undo
        it.
      </p>
      <FormError>{remove.error?.message ?? null}</FormError>
      <Button
        disabled={remove.isPending}
        onClick={() =>
          remove.mutate(job.version, {
            onSuccess: () => {
              toast(`Job ${job.number} is in the bin.`, { canUndo: true });
              leadOn('/');
            },
          })
        }
      >
        Put job {job.number} into the bin
      </Button>
    </div>
  );
}
