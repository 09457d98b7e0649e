/** Lots on the shelf: found, counted, put aside, taken off. */
import { addLot, listShelf, putAside, putLot, removeLot, type ShelfLot } from '@low-quarry/core/contracts/shelf';
import type { ShelfState } from '@low-quarry/core/model';
import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';
import { toast } from '../../ui/toast';

type Asked = { readonly find?: string; readonly part?: string; readonly page?: number };

export function shelfQuery(asked: Asked) {
  return queryOptions({
    queryKey: ['shelf', asked],
    queryFn: ({ signal }) => call(listShelf, { params: asked, signal }),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
}

/** @param said once it is done */
function useShelfChange<Given, Answer>(change: (given: Given) => Promise<Answer>, said: (answer: Answer) => string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    retry: false,
    onSuccess: (answer) => {
      toast(said(answer), { canUndo: true });
      for (const name of ['shelf', 'orders', 'undo']) void askAnew(queries, [name]);
    },
  });
}

export function useAddLot() {
  return useShelfChange(
    (body: ShelfState) => call(addLot, { params: {}, body }),
    ({ number, place }) => `S${number} is on the shelf at ${place}.`,
  );
}

type Wish = Omit<ShelfState, 'partId'> & { readonly version: number };

export function usePutLot(lotId: string) {
  return useShelfChange(
    (body: Wish) => call(putLot, { params: { lotId }, body }),
    ({ number }) => `S${number} is saved.`,
  );
}

export function usePutAside(jobId: string) {
  return useShelfChange(
    ({ lot: { id, version }, pieces }: { readonly lot: ShelfLot; readonly pieces: number }) =>
      call(putAside, { params: { lotId: id }, body: { version, jobId, pieces } }),
    ({ number, pieces }) => `${pieces} put aside for this job, as S${number}.`,
  );
}

export function useRemoveLot({ id: lotId, version, number }: ShelfLot) {
  return useShelfChange(
    (_: undefined) => call(removeLot, { params: { lotId }, body: { version } }),
    () => `S${number} is off the shelf.`,
  );
}
