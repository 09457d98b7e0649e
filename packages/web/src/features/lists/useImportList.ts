/** Sends a supplier's list: to be tried out, or to be brought in. */

import { importList, listProgress } from '@low-quarry/core/contracts/supplierLists';
import type { ColumnUnit, ListColumn } from '@low-quarry/core/lists';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { call } from '../../api/call';

export type AskedList = {
  readonly name: string;
  readonly supplier: string;
  readonly base64: string;
  /** Null to have them guessed. */
  readonly columns: readonly (ListColumn | null)[] | null;
  /** Null to go by headings and sizes. */
  readonly units: readonly (ColumnUnit | null)[] | null;
  readonly day: string;
  readonly withDoubts: boolean;
  readonly withDoubted: boolean;
  readonly tryOut: boolean;
};

/** @returns the mutation, with `stop`: then nothing of it is done */
export function useImportList() {
  const queries = useQueryClient();
  const stopper = useRef(new AbortController());
  const mutation = useMutation({
    mutationFn: ({ columns, units, ...list }: AskedList) => {
      stopper.current = new AbortController();
      return call(importList, {
        params: {},
        body: { ...list, columns: columns && [...columns], units: units && [...units] },
        signal: stopper.current.signal,
      });
    },
    retry: false,
    onSuccess: (_, { tryOut }) =>
      tryOut ? undefined : queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }),
  });
  return {
    ...mutation,
    stop: () => {
      stopper.current.abort();
      mutation.reset();
    },
  };
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
