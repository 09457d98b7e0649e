/** Puts a part of the library on the order list for something that has to be at hand, or takes it off again. */
import type { Job } from '@low-quarry/core/contracts/jobs';
import { putSmallParts } from '@low-quarry/core/contracts/jobs';
import { smallPartsSchema } from '@low-quarry/core/model';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { z } from 'zod';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';
import { changeOnNewest } from '../../api/changeOnNewest';
import { toast } from '../../ui/toast';

const storedSchema = z.object({ version: z.int(), smallParts: smallPartsSchema });

/** @param partId null to take it off */
type Taken = { readonly need: string; readonly partId: string | null };

export function useTakePart({ id, version, smallParts }: Pick<Job, 'id' | 'version' | 'smallParts'>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ need, partId }: Taken) =>
      changeOnNewest({ version, smallParts }, storedSchema, async (stored) => {
        const others = stored.smallParts.filter((each) => each.need !== need);
        const next = partId === null ? others : [...others, { need, partId }];
        await call(putSmallParts, { params: { jobId: id }, body: { version: stored.version, smallParts: next } });
      }),
    retry: false,
    onSuccess: (_, { need, partId }) => {
      toast(`${need}: ${partId === null ? 'off the list' : 'on the list'}.`, { canUndo: true });
      void askAnew(queries, ['undo']);
    },
    onSettled: () => {
      for (const name of ['orders', 'jobs']) void askAnew(queries, [name]);
    },
  });
}
