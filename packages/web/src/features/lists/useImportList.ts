/** Sends a supplier's list: to be tried out, or to be brought in. */

import { importList } from '@low-quarry/core/contracts/supplierLists';
import type { ColumnUnit, ListColumn } from '@low-quarry/core/lists';
import { useMutation, useQueryClient } from '@tanstack/react-query';
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

export function useImportList() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ columns, units, ...list }: AskedList) =>
      call(importList, {
        params: {},
        body: { ...list, columns: columns && [...columns], units: units && [...units] },
      }),
    retry: false,
    onSuccess: (_, { tryOut }) =>
      tryOut ? undefined : queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }),
  });
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
