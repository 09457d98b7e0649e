/** A form of what a job has by name, crossovers or boxes: kept while it is typed, saved whole, put together with what others saved. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { jobTitle } from '@low-quarry/core/model';
import { type ReactNode, useMemo } from 'react';
import type { DefaultValues, FieldValues, UseFormReturn } from 'react-hook-form';
import { z } from 'zod';
import { useMay } from '../../api/me';
import type { SavedKind } from '../../outbox/saved/SavedKind';
import { useSavedRecord } from '../../outbox/useSavedRecord';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { keptName } from './keptName';

type JobListFormProps<Typed extends FieldValues, Rec extends object> = {
  readonly job: Job;
  /** Such as "crossovers": under this name of the job's what is typed is kept. */
  readonly what: string;
  readonly kind: SavedKind<Rec, Job>;
  readonly of: (job: Job) => Rec;
  readonly toTyped: (record: Rec) => Typed;
  readonly typed: z.ZodType<Typed, Typed>;
  readonly read: z.ZodType<Rec, Typed>;
  readonly onDone: () => void;
  readonly children: (form: UseFormReturn<Typed, unknown, Rec>) => ReactNode;
};

export function JobListForm<Typed extends FieldValues, Rec extends object>({
  job,
  what,
  kind,
  of,
  toTyped,
  typed,
  read,
  onDone,
  children,
}: JobListFormProps<Typed, Rec>) {
  type Draft = { readonly version: number; readonly base: Rec; readonly typed: Typed };
  const name = keptName(what, job.id);
  const draftSchema = useMemo(() => z.object({ version: z.int(), base: kind.schema, typed }), [kind, typed]);
  const toDraft = (from: Job): Draft => ({ version: from.version, base: of(from), typed: toTyped(of(from)) });
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(name, draftSchema as z.ZodType<Draft>, () =>
    toDraft(job),
  );
  const mayChange = useMay('choose');
  const show = (draft: Draft) => {
    settle(draft);
    reset(draft.typed as DefaultValues<Typed>);
  };
  const { panel, send, drop, error, isPending, handedOver } = useSavedRecord<Rec, Job>({
    kind,
    recordId: job.id,
    label: `The ${what} of ${jobTitle(job)}`,
    form: { name, onWaits: (base) => keep({ ...state, base }) },
    onSaved: (saved) => {
      show(toDraft(saved));
      toast(`The ${what} are saved.`, { canUndo: true });
      onDone();
    },
  });
  const refused = useMemo(() => fieldProblems(error), [error]);
  const form = useCheckedForm<Typed, Rec>(read, state.typed, refused);
  const { handleSubmit, reset } = form;
  useTypedKept(form, (next) => keep({ ...state, typed: next }));
  useFollow(job.version, isTouched, () => show(toDraft(job)));
  return (
    <form
      aria-label={`The ${what}`}
      className="flex flex-col gap-4"
      noValidate
      onSubmit={handleSubmit((record) => send(state.version, state.base, record))}
    >
      <BroughtBack show={broughtBack && !handedOver} onDrop={() => show(toDraft(job))} />
      {children(form)}
      <FormError>{panel ? null : problemSentence(error, state.typed, refused)}</FormError>
      {panel && (
        <ConflictPanel
          what={`these ${what}`}
          {...panel}
          onTakeTheirs={() => {
            drop();
            show(toDraft(job));
          }}
        />
      )}
      <Button type="submit" className="self-start" disabled={isPending || !mayChange}>
        {isPending ? 'Saving …' : `Save the ${what}`}
      </Button>
    </form>
  );
}
