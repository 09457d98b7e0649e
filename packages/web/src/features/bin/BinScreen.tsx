/** What was deleted, and can still come back? */
import { BIN_DAYS, type JobInBin, listBin, restoreJob } from '@low-quarry/core/contracts/jobs';
import { jobTitle } from '@low-quarry/core/model';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';
import { useMay } from '../../api/me';
import { shopDay } from '../../text/shopDays';
import { whenWords } from '../../text/whenWords';
import { Button, LinkButton } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { toast } from '../../ui/toast';
import { jobKeys } from '../jobs/jobKeys';

const binQuery = queryOptions({
  queryKey: [...jobKeys.all, 'bin'],
  queryFn: ({ signal }) => call(listBin, { params: {}, signal }),
});

export function BinScreen() {
  const bin = useQuery(binQuery);
  return (
    <Shell
      title="Bin"
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/bin', label: 'Bin' },
      ]}
    >
      <p className="max-w-2xl">
        What is deleted stays here for {BIN_DAYS} days and can come back as it was. After that only the history tells of
        it.
      </p>
      <Answered query={bin} what="the bin">
        {({ jobs }) =>
          jobs.length === 0 ? (
            <Empty>The bin is empty.</Empty>
          ) : (
            <ul className="border-t border-ink">
              {jobs.map((job) => (
                <DeletedJob key={job.id} job={job} />
              ))}
            </ul>
          )
        }
      </Answered>
    </Shell>
  );
}

function DeletedJob({ job }: { readonly job: JobInBin }) {
  const mayRestore = useMay('jobs');
  const queries = useQueryClient();
  const restore = useMutation({
    mutationFn: () => call(restoreJob, { params: { jobId: job.id }, body: { version: job.version } }),
    retry: false,
    onSuccess: () => toast(`Job ${job.number} is among the jobs again.`, { canUndo: true }),
    onSettled: () => askAnew(queries, jobKeys.all),
  });
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-b border-hairline py-2">
      <div>
        <p>
          <strong className="text-[17px]">{jobTitle(job)}</strong>, {job.customer} · job {job.number}
        </p>
        <p className="text-muted">
          Deleted {whenWords(job.deletedAt, new Date())} by {job.deletedBy}. Gone for good on {shopDay(job.goneOn)}.
        </p>
        <FormError>{restore.error?.message ?? null}</FormError>
      </div>
      <div className="flex flex-wrap gap-2">
        <LinkButton kind="quiet" to={`/history?job=${job.id}`} className="inline-flex items-center">
          History
        </LinkButton>
        {mayRestore && (
          <Button disabled={restore.isPending} onClick={() => restore.mutate()}>
            Take job {job.number} out of the bin
          </Button>
        )}
      </div>
    </li>
  );
}
