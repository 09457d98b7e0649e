/**
 * A form for some of what is kept of a part: what is typed stays on the device until the shop has it, and only these keys are sent. What
 * somebody else saved of the rest meanwhile comes in by itself.
 */
import type { PartRecord } from '@low-quarry/core/catalogue';
import { isSame } from '@low-quarry/core/records';
import { useMemo, useRef } from 'react';
import type { FieldValues } from 'react-hook-form';
import { z } from 'zod';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useFollow } from '../../ui/form/useFollow';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { problemSentence } from '../../ui/problemFields';
import { toast } from '../../ui/toast';
import { useKept } from '../../ui/useKept';
import { type Rec, useCorrection } from './useCorrection';

export type PartFormProps = { readonly version: number; readonly record: PartRecord };

type Options<Typed extends FieldValues, Read> = PartFormProps & {
  /** Names its drafts. */
  readonly name: string;
  readonly typedSchema: z.ZodType<Typed>;
  /** What is typed, as keys of the record. */
  readonly readSchema: z.ZodType<Read, Typed>;
  readonly toTyped: (record: PartRecord) => Typed;
  /** Said when it is saved. */
  readonly saved: string;
};

/** @param options.readSchema reads all the keys that the form has, and no other */
export function usePartForm<Typed extends FieldValues, Read extends FieldValues & Partial<PartRecord>>({
  name,
  version,
  record,
  typedSchema,
  readSchema,
  toTyped,
  saved,
}: Options<Typed, Read>) {
  const draftSchema = useRef(
    z.object({ version: z.int(), typed: typedSchema, was: z.record(z.string(), z.unknown()) }),
  );
  type Draft = { readonly version: number; readonly typed: Typed; readonly was: Rec };
  // What the form's keys were is read back from what it begins with: so no list of them can be forgotten.
  const toDraft = (on: number, part: PartRecord): Draft => {
    const typed = toTyped(part);
    return { version: on, typed, was: readSchema.parse(typed) as Rec };
  };
  const begin = () => toDraft(version, record);
  const { state, keep, settle, isTouched, broughtBack } = useKept<Draft>(
    `${name}.${record.id}`,
    draftSchema.current as unknown as z.ZodType<Draft>,
    begin,
  );
  const sent = useRef<Typed | null>(null);
  const { correct, refused, conflict, panel, send, drop } = useCorrection(record.id, (answer) => {
    const next = toDraft(answer.version, answer.record as PartRecord);
    // What was typed since it was sent stays, on top of what the shop has now.
    const typed = form.getValues();
    if (isSame(typed, sent.current)) show(next);
    else keep({ ...next, typed });
    toast(saved, { canUndo: true });
  });
  const atFields = useMemo(
    () => refused.map(({ path, message }) => ({ path: path.replace(/^record\./, ''), message })),
    [refused],
  );
  const form = useCheckedForm<Typed, Read>(readSchema, state.typed, atFields);
  useTypedKept(form, (typed) => keep({ ...state, typed }));
  const show = (draft: Draft) => {
    settle(draft);
    form.reset(draft.typed);
  };
  useFollow(version, isTouched, () => show(begin()));
  const frame = {
    broughtBack,
    onDrop: () => show(begin()),
    onSubmit: form.handleSubmit((read) => {
      sent.current = structuredClone(form.getValues());
      // A key that the form had and has no more is taken away, not left as it was.
      const rest = Object.fromEntries(Object.entries(record).filter(([key]) => !(key in state.was)));
      send(state.version, { ...rest, ...state.was }, { ...rest, ...read });
    }),
    isBusy: correct.isPending,
    failure: conflict ? null : problemSentence(correct.error),
    panel: conflict &&
      panel && {
        ...panel,
        onTakeTheirs: () => {
          drop();
          show(toDraft(conflict.theirs.version, conflict.theirs.record as PartRecord));
        },
      },
  };
  return { control: form.control, refused, frame };
}
