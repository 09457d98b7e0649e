/** Counts a lot again, lays it elsewhere, gives it back, takes it off. */
import { type ShelfLot, shelfLotSchema } from '@low-quarry/core/contracts/shelf';
import type { ShelfState } from '@low-quarry/core/model';
import { SHELF_FIELDS } from '@low-quarry/core/records';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { fieldProblems, problemSentence } from '../../ui/problemFields';
import { useConflict } from '../../ui/useConflict';
import { LotFields } from './LotFields';
import { usePutLot, useRemoveLot } from './shelfQueries';
import { type LotRead, type LotTyped, readLotSchema, toLotTyped } from './typedLot';

export function LotForm({ lot, onDone }: { readonly lot: ShelfLot; readonly onDone: () => void }) {
  // As it was when the form was opened: what others save meanwhile is told by the shop.
  const [base] = useState(lot);
  const put = usePutLot(lot.id);
  const remove = useRemoveLot(lot);
  const form = useCheckedForm<LotTyped, LotRead>(readLotSchema, toLotTyped(base), fieldProblems(put.error));
  const { panel, send } = useConflict<ShelfState>({
    fieldsOf: () => SHELF_FIELDS,
    read: (current) => {
      const { data } = shelfLotSchema.safeParse(current);
      return data ? { version: data.version, record: data } : null;
    },
    save: ({ version, record: { place, pieces, from, jobId } }, onError) =>
      put.mutate({ version, place, pieces, from, jobId }, { onError, onSuccess: onDone }),
  });
  const failure = panel ? null : (problemSentence(put.error) ?? problemSentence(remove.error));
  return (
    <form
      className="flex flex-col gap-3 border-l-4 border-hairline pl-3"
      noValidate
      onSubmit={form.handleSubmit((read) => send(base.version, base, { ...base, ...read }))}
    >
      <LotFields control={form.control} />
      <FormError>{failure}</FormError>
      {panel ? (
        <ConflictPanel what="this lot" {...panel} onTakeTheirs={onDone} />
      ) : (
        <div className="flex flex-wrap gap-3">
          <Button kind="main" type="submit" disabled={put.isPending}>
            Save S{lot.number}
          </Button>
          {lot.jobId !== null && (
            <Button disabled={put.isPending} onClick={() => send(base.version, base, { ...base, jobId: null })}>
              Give it back: free for any job
            </Button>
          )}
          <Button disabled={remove.isPending} onClick={() => remove.mutate(undefined, { onSuccess: onDone })}>
            Take it off the shelf
          </Button>
          <Button kind="quiet" onClick={onDone}>
            Leave it
          </Button>
        </div>
      )}
    </form>
  );
}
