/** What can be done to a job itself: its facts, its end, the bin. */
import { BIN_DAYS, type Job, jobSchema, putJob } from '@low-quarry/core/contracts/jobs';
import { JOB_END_WORDS, JOB_ENDS, type JobFacts, jobFactsOf, jobFactsSchema } from '@low-quarry/core/model';
import { JOB_FIELDS } from '@low-quarry/core/records';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { dateOf } from '../../ui/form/dateOf';
import { FormArea } from '../../ui/form/FormArea';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useConflict } from '../../ui/useConflict';
import { useKept } from '../../ui/useKept';
import { endedWords } from './dueWords';
import { useDeleteJob, useEndJob, usePutJob } from './jobsQueries';

type JobFormProps = { readonly job: Job; readonly onDone: () => void };

// A form is what is typed: of a job's facts as they are kept.
const draftSchema = z.object({ version: z.int(), base: jobFactsSchema, form: jobFactsSchema });
type Draft = z.infer<typeof draftSchema>;
const factsFormSchema = putJob.body.omit({ version: true });

export function JobForms({ job, onDone }: JobFormProps) {
  return (
    <div className="flex flex-col gap-6">
      <FactsForm job={job} onDone={onDone} />
      <EndJob job={job} />
      <DeleteJob job={job} />
    </div>
  );
}

function toDraft(job: Job): Draft {
  return { version: job.version, base: jobFactsOf(job), form: jobFactsOf(job) };
}

function FactsForm({ job, onDone }: JobFormProps) {
  // What was typed on stays what it was, also when somebody else saves meanwhile.
  const { state, keep, settle, broughtBack } = useKept(`job.${job.id}`, draftSchema, () => toDraft(job));
  const put = usePutJob(job.id);
  const form = useCheckedForm(factsFormSchema, state.form, fieldProblems(put.error));
  const { control, handleSubmit, reset } = form;
  useTypedKept(form, (typed) => keep({ ...state, form: typed }));
  const show = (saved: Job) => {
    const draft = toDraft(saved);
    settle(draft);
    reset(draft.form);
  };
  const { panel, send } = useConflict<JobFacts>({
    fieldsOf: () => JOB_FIELDS,
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
            show(saved);
            onDone();
          },
        },
      ),
  });
  return (
    <form
      onSubmit={handleSubmit((typed) => send(state.version, state.base, typed))}
      className="flex flex-col gap-3"
      noValidate
    >
      <BroughtBack show={broughtBack} onDrop={() => show(job)} />
      <FormText control={control} name="customer" label="Customer" autoComplete="off" />
      <FormText control={control} name="registration" label="Registration" autoComplete="off" />
      <FormArea control={control} name="wants" label="What is wanted" rows={3} />
      <FormText control={control} name="dueOn" label="Due on" type="date" read={dateOf} />
      <FormError>{panel ? null : problemSentence(put.error)}</FormError>
      {panel ? (
        <ConflictPanel
          what="this job"
          {...panel}
          onTakeTheirs={() => {
            show(job);
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
        onClick={() =>
          remove.mutate(job.version, {
            onSuccess: () => {
              toast(`Job ${job.number} is in the bin.`, { canUndo: true });
              void navigate('/');
            },
          })
        }
      >
        Put job {job.number} into the bin
      </Button>
    </div>
  );
}
