/** Sends a supplier's list: to be tried out, or to be brought in. */

import type { PartKind } from '@low-quarry/core/catalogue';
import type { ColumnUnit } from '@low-quarry/core/cells';
import { importList, listProgress } from '@low-quarry/core/contracts/supplierLists';
import type { ListColumn } from '@low-quarry/core/lists';
import { useQuery } from '@tanstack/react-query';
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
  readonly tryOut: boolean;
};

export const useImportList = () =>
  useStoppable(
    ({ columns, units, ...list }: AskedList, signal) =>
      call(importList, {
        params: {},
        body: { ...list, columns: columns && [...columns], units: units && [...units] },
        signal,
      }),
    ({ tryOut }) => !tryOut,
  );

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
