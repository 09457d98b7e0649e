/** Sends a supplier's list: to be tried out while somebody waits, or to be brought in as a piece of work. */

import type { PartKind } from '@low-quarry/core/catalogue';
import type { ColumnUnit } from '@low-quarry/core/cells';
import {
  bringList,
  importList,
  type ListAtWork,
  listAnswer,
  listProgress,
  listsAtWork,
  stopList,
} from '@low-quarry/core/contracts/supplierLists';
import { isOpenWork } from '@low-quarry/core/contracts/work';
import type { ListColumn } from '@low-quarry/core/lists';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { call } from '../../api/call';
import { useStoppable } from '../../api/useStoppable';

export type AskedList = {
  readonly name: string;
  readonly supplier: string;
  readonly base64: string;
  /** What kind of parts it is of; null to have it guessed. */
  readonly of: PartKind | null;
  /** Null to have them guessed. */
  readonly columns: readonly (ListColumn | null)[] | null;
  /** Null to go by headings and sizes. */
  readonly units: readonly (ColumnUnit | null)[] | null;
  readonly day: string;
  readonly withDoubts: boolean;
  readonly withDoubted: boolean;
};

const bodyOf = ({ columns, units, ...list }: AskedList) => ({
  ...list,
  ...{ columns: columns && [...columns], units: units && [...units] },
});

export const useTryList = () =>
  useStoppable(
    (list: AskedList, signal) => call(importList, { params: {}, body: { ...bodyOf(list), tryOut: true }, signal }),
    () => false,
  );

const KEY = ['listsAtWork'];

/** Asks for a list; how far it is, and what it brought, `useListsAtWork` tells. */
export function useBringList() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (list: AskedList) => call(bringList, { params: {}, body: bodyOf(list) }),
    retry: false,
    onSuccess: () => queries.invalidateQueries({ queryKey: KEY }),
  });
}

export function useStopList() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (listId: string) => call(stopList, { params: { listId }, body: {} }),
    onSuccess: (lists) => queries.setQueryData(KEY, lists),
  });
}

export const isAtWork = ({ work }: ListAtWork) => work !== null && isOpenWork(work);

/** One's own last lists, the newest first, asked for as long as one of them is worked on. */
export function useListsAtWork(): readonly ListAtWork[] {
  const queries = useQueryClient();
  const { data } = useQuery({
    queryKey: KEY,
    queryFn: ({ signal }) => call(listsAtWork, { params: {}, signal }),
    refetchInterval: ({ state }) => (state.data?.lists.some(isAtWork) ? LOOK_MS : false),
    retry: false,
  });
  const brought = data?.lists.flatMap(({ id, answer }) => (answer ? [id] : [])).join();
  const before = useRef<string | undefined>(undefined);
  // What a list brought while the screen was open may be anything of the library's.
  useEffect(() => {
    const isMore = before.current !== undefined && brought !== before.current;
    before.current = brought;
    if (isMore)
      void queries.invalidateQueries({ predicate: ({ queryKey: [key] }) => key !== 'session' && key !== KEY[0] });
  }, [brought, queries]);
  return data?.lists ?? [];
}

const LOOK_MS = 700;

/** How far it is, asked for as long as it is worked on. */
export function useListProgress(isPending: boolean) {
  const { data } = useQuery({
    queryKey: ['listProgress'],
    queryFn: ({ signal }) => call(listProgress, { params: {}, signal }),
    enabled: isPending,
    refetchInterval: LOOK_MS,
    gcTime: 0,
    retry: false,
  });
  return isPending ? (data?.now ?? null) : null;
}

/** What was found in the rows of a list that is in: nothing of it changes any more. */
export const useListAnswer = (listId: string) =>
  useQuery({
    queryKey: ['listAnswer', listId],
    queryFn: ({ signal }) => call(listAnswer, { params: { listId }, signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** A file's bytes as the contract takes them. */
export async function toBase64(file: Blob): Promise<string> {
  const url = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error ?? new Error('the file could not be read'));
    reader.readAsDataURL(file);
  });
  return url.slice(url.indexOf(',') + 1);
}
