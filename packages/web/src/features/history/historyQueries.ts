/** The history, a page at a time; bringing back; undo. */
import { bringBack, getUndo, listHistory, undo } from '@low-quarry/core/contracts/history';
import { infiniteQueryOptions, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { askAnew } from '../../api/askAnew';
import { call } from '../../api/call';

export type HistoryFilter = Omit<z.input<typeof listHistory.params>, 'before'>;

export function historyQuery(filter: HistoryFilter) {
  return infiniteQueryOptions({
    queryKey: ['history', filter],
    queryFn: ({ pageParam, signal }) =>
      call(listHistory, { params: { ...filter, ...(pageParam === null ? {} : { before: pageParam }) }, signal }),
    initialPageParam: null as number | null,
    getNextPageParam: ({ changes, hasMore }) => (hasMore ? (changes.at(-1)?.id ?? null) : null),
  });
}

export const undoQuery = queryOptions({
  queryKey: ['undo'],
  queryFn: ({ signal }) => call(getUndo, { params: {}, signal }),
});

/** What comes back may be anything of the shop's. */
function useReturning<Input, Answer>(mutationFn: (input: Input) => Promise<Answer>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    retry: false,
    onSettled: () => askAnew(queries, ({ queryKey }) => queryKey[0] !== 'session'),
  });
}

export const useBringBack = () =>
  useReturning(({ changeId, to }: { readonly changeId: number; readonly to: 'before' | 'after' }) =>
    call(bringBack, { params: { changeId }, body: { to } }),
  );

export const useUndo = () =>
  useReturning((changeIds: readonly number[]) => call(undo, { params: {}, body: { changeIds: [...changeIds] } }));
