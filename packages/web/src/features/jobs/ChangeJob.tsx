/** Changes what was written down when the car was booked in, or puts the job into the bin. */
import { BIN_DAYS, type Job } from '@low-quarry/core/contracts/jobs';
import { Dialog } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../ui/Button';
import { Field, INPUT } from '../../ui/Field';
import { FormError } from '../../ui/FormError';
import { problemFields, problemSentence } from '../../ui/problemFields';
import { Layer } from '../../ui/Shell';
import { TextField } from '../../ui/TextField';
import { useDeleteJob, usePutJob } from './jobsQueries';

export function ChangeJob({ job }: { readonly job: Job }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button>Change the job</Button>
      </Dialog.Trigger>
      <Layer title={`Job ${job.number}`}>
        <div className="flex flex-col gap-6">
          <JobForm job={job} onDone={() => setOpen(false)} />
          <DeleteJob job={job} />
        </div>
      </Layer>
    </Dialog.Root>
  );
}

function JobForm({ job, onDone }: { readonly job: Job; readonly onDone: () => void }) {
  const [customer, setCustomer] = useState(job.customer);
  const [registration, setRegistration] = useState(job.registration);
  const [wants, setWants] = useState(job.wants);
  const [dueOn, setDueOn] = useState(job.dueOn ?? '');
  const put = usePutJob(job.id);
  const errors = problemFields(put.error);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    put.mutate({ version: job.version, customer, registration, wants, dueOn: dueOn || null }, { onSuccess: onDone });
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <TextField label="Customer" value={customer} autoComplete="off" error={errors.customer} onType={setCustomer} />
      <TextField
        label="Registration"
        value={registration}
        autoComplete="off"
        error={errors.registration}
        onType={setRegistration}
      />
      <Field label="What is wanted" error={errors.wants}>
        {(ids) => (
          <textarea
            {...ids}
            rows={3}
            value={wants}
            onChange={({ target }) => setWants(target.value)}
            className={`${INPUT} py-2`}
          />
        )}
      </Field>
      <TextField label="Due on" type="date" value={dueOn} error={errors.dueOn} onType={setDueOn} />
      <FormError>{problemSentence(put.error)}</FormError>
      <Button kind="main" type="submit" disabled={put.isPending}>
        Save job {job.number}
      </Button>
    </form>
  );
}

function DeleteJob({ job }: { readonly job: Job }) {
  const remove = useDeleteJob(job.id);
  const navigate = useNavigate();
  return (
    <div className="flex flex-col items-start gap-2 border-t border-ink pt-3">
      <p className="text-muted">
        The bin keeps the job with its measurements and choices for {BIN_DAYS} days; whoever deletes it can also undo
        it.
      </p>
      <FormError>{remove.error?.message ?? null}</FormError>
      <Button
        disabled={remove.isPending}
        onClick={() => remove.mutate(job.version, { onSuccess: () => navigate('/') })}
      >
        Put job {job.number} into the bin
      </Button>
    </div>
  );
}
