/** Puts some of a part on the shelf. */
import { z } from 'zod';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useKept } from '../../ui/useKept';
import { LotFields } from './LotFields';
import { useAddLot } from './shelfQueries';
import { type LotRead, type LotTyped, lotTypedSchema, NEW_LOT, readLotSchema } from './typedLot';

const draftSchema = z.object({ typed: lotTypedSchema });

export function NewLot({ partId }: { readonly partId: string }) {
  const add = useAddLot();
  const begin = () => ({ typed: NEW_LOT });
  const { state, keep, settle, broughtBack } = useKept(`lot.new.${partId}`, draftSchema, begin);
  const form = useCheckedForm<LotTyped, LotRead>(readLotSchema, state.typed, fieldProblems(add.error));
  useTypedKept(form, (typed) => keep({ typed }));
  const clear = () => {
    settle(begin());
    form.reset(NEW_LOT);
  };
  return (
    <form
      className="flex flex-col gap-3"
      noValidate
      onSubmit={form.handleSubmit((read) => add.mutate({ ...read, partId, jobId: null }, { onSuccess: clear }))}
    >
      <BroughtBack show={broughtBack} onDrop={clear} />
      <LotFields control={form.control} />
      <FormError>{problemSentence(add.error)}</FormError>
      <Button type="submit" className="self-start" disabled={add.isPending}>
        Put it on the shelf
      </Button>
    </form>
  );
}
