/** Changes what was written down when the car was booked in, or puts the job into the bin. */
import { BIN_DAYS, type Job, jobSchema } from '@low-quarry/core/contracts/jobs';
import { JOB_END_WORDS, JOB_ENDS, type JobFacts, jobFactsOf, jobFactsSchema } from '@low-quarry/core/model';
import { JOB_FIELDS } from '@low-quarry/core/records';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { Field, INPUT } from '../../ui/Field';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { problemFields, problemSentence } from '../../ui/problemFields';
import { TextField } from '../../ui/TextField';
import { useConflict } from '../../ui/useConflict';
import { useKept } from '../../ui/useKept';
import { endedWords } from './dueWords';
import { useDeleteJob, useEndJob, usePutJob } from './jobsQueries';

// A form is what is typed: of a job's facts as they are kept.
const draftSchema = z.object({ version: z.int(), base: jobFactsSchema, form: jobFactsSchema });

export function ChangeJob({ job }: { readonly job: Job }) {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title={`Job ${job.number}`}
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => <Button {...props}>Change the job</Button>}
    >
      <div className="flex flex-col gap-6">
        <JobForm job={job} onDone={() => setOpen(false)} />
        <EndJob job={job} />
        <DeleteJob job={job} />
      </div>
    </Layer>
  );
}

function JobForm({ job, onDone }: { readonly job: Job; readonly onDone: () => void }) {
  const fresh = () => ({ version: job.version, base: jobFactsOf(job), form: jobFactsOf(job) });
  // What was typed on stays what it was, also when somebody else saves meanwhile.
  const kept = useKept(`job.${job.id}`, draftSchema, fresh);
  const { version, base, form } = kept.state;
  const put = usePutJob(job.id);
  const errors = problemFields(put.error);
  const { panel, send } = useConflict<JobFacts>({
    fields: JOB_FIELDS,
    read: (current) => {
      const read = jobSchema.safeParse(current);
      return read.success ? { version: read.data.version, record: jobFactsOf(read.data) } : null;
    },
    save: (on, facts, onError) =>
      put.mutate(
        { version: on, ...facts },
        {
          onError,
          onSuccess: (saved) => {
            kept.settle({ version: saved.version, base: jobFactsOf(saved), form: jobFactsOf(saved) });
            onDone();
          },
        },
      ),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    send(version, base, form);
  };
  const type = (change: Partial<JobFacts>) => kept.keep({ ...kept.state, form: { ...form, ...change } });
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
      <BroughtBack show={kept.broughtBack} onDrop={() => kept.settle(fresh())} />
      <TextField
        label="Customer"
        value={form.customer}
        autoComplete="off"
        error={errors.customer}
        onType={(customer) => type({ customer })}
      />
      <TextField
        label="Registration"
        value={form.registration}
        autoComplete="off"
        error={errors.registration}
        onType={(registration) => type({ registration })}
      />
      <Field label="What is wanted" error={errors.wants}>
        {(ids) => (
          <textarea
            {...ids}
            rows={3}
            value={form.wants}
            onChange={({ target }) => type({ wants: target.value })}
            className={`${INPUT} py-2`}
          />
        )}
      </Field>
      <TextField
        label="Due on"
        type="date"
        value={form.dueOn ?? ''}
        error={errors.dueOn}
        onType={(dueOn) => type({ dueOn: dueOn || null })}
      />
      <FormError>{panel ? null : problemSentence(put.error)}</FormError>
      {panel ? (
        <ConflictPanel
          what="this job"
          {...panel}
          onTakeTheirs={() => {
            kept.settle(fresh());
            onDone();
          }}
        />
      ) : (
        <Button kind="main" type="submit" disabled={put.isPending}>
          Save job {job.number}
        </Button>
      )}
    </form>
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
