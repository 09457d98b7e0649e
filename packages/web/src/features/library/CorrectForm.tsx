/** A record as it is kept, to be put right. */
import { keysOf } from '@low-quarry/core/records';
import { z } from 'zod';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { FormArea } from '../../ui/form/FormArea';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { ProblemList } from '../../ui/ProblemList';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useConflict } from '../../ui/useConflict';
import { useKept } from '../../ui/useKept';
import { useCorrectPart } from './libraryQueries';

const recordSchema = z.record(z.string(), z.unknown());
type Rec = z.infer<typeof recordSchema>;
const versionedSchema = z.object({ version: z.int(), record: recordSchema });
const draftSchema = z.object({ version: z.int(), base: recordSchema, text: z.string() });
type Draft = z.infer<typeof draftSchema>;
const typedSchema = z.object({
  text: z.string().transform((text, context): Rec => {
    const record = readRecord(text);
    if (record) return record;
    context.addIssue('This is not an object in JSON. Put the record back as it was, then change what is wrong.');
    return z.NEVER;
  }),
});
/** What is refused stands at its path in the record, not at a field of the form. */
const NO_FIELDS: never[] = [];

type CorrectFormProps = {
  readonly id: string;
  readonly version: number;
  readonly record: Readonly<Record<string, unknown>>;
};

function toDraft(version: number, record: Rec): Draft {
  return { version, base: record, text: JSON.stringify(record, null, 2) };
}

export function CorrectForm({ id, version, record }: CorrectFormProps) {
  const { state, keep, settle, isTouched, broughtBack } = useKept(`library.${id}`, draftSchema, () =>
    toDraft(version, record),
  );
  const form = useCheckedForm(typedSchema, { text: state.text }, NO_FIELDS);
  const { control, handleSubmit, reset } = form;
  useTypedKept(form, ({ text }) => keep({ ...state, text }));
  const show = (draft: Draft) => {
    settle(draft);
    reset({ text: draft.text });
  };
  const correct = useCorrectPart(id);
  const { conflict, panel, send, drop } = useConflict<Rec>({
    fieldsOf: keysOf,
    read: (current) => versionedSchema.safeParse(current).data ?? null,
    save: ({ version: on, record: next }, onError) =>
      correct.mutate(
        { version: on, record: next },
        { onError, onSuccess: (saved) => show(toDraft(saved.version, saved.record)) },
      ),
  });
  const refused = fieldProblems(correct.error);
  useFollow(version, isTouched, () => show(toDraft(version, record)));
  return (
    <form
      onSubmit={handleSubmit(({ text: typed }) => send(state.version, state.base, typed))}
      className="flex flex-col gap-3"
      noValidate
    >
      <BroughtBack show={broughtBack} onDrop={() => show(toDraft(version, record))} />
      <FormArea
        control={control}
        name="text"
        label="Record, JSON"
        hint={`Version ${state.version}. Lengths in mm, angles in degrees.`}
        rows={24}
        spellCheck={false}
        className="font-mono text-[13px] leading-5"
      />
      {refused.length > 0 && (
        <div role="alert" className="border-l-4 border-hits bg-paper px-3 py-2 text-hits">
          <ProblemList problems={refused} />
        </div>
      )}
      <FormError>{conflict ? null : problemSentence(correct.error)}</FormError>
      {conflict && panel && (
        <ConflictPanel
          what="this record"
          {...panel}
          onTakeTheirs={() => {
            drop();
            show(toDraft(conflict.theirs.version, conflict.theirs.record));
          }}
        />
      )}
      <Button kind="main" type="submit" className="self-start" disabled={correct.isPending}>
        Save the correction
      </Button>
    </form>
  );
}

function readRecord(text: string): Rec | null {
  try {
    return recordSchema.safeParse(JSON.parse(text)).data ?? null;
  } catch {
    return null;
  }
}
