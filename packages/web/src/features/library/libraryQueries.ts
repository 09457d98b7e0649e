/** A part or a vehicle with its version, and correcting it. */
import { findParts, getPart, getVehicle, importParts, putPart, putVehicle } from '@low-quarry/core/contracts/library';
import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { call } from '../../api/call';

export type LibraryKind = 'part' | 'vehicle';
type Versioned = { readonly version: number; readonly record: Readonly<Record<string, unknown>> };

export function foundPartsQuery(find: string, page: number) {
  return queryOptions({
    queryKey: ['library', 'parts', find, page],
    queryFn: ({ signal }) => call(findParts, { params: { find, page }, signal }),
    placeholderData: keepPreviousData,
  });
}

/** The server reads the pack by its schema and names what is wrong by its path. */
export function useImportParts() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { readonly name: string; readonly pack: unknown; readonly tryOut: boolean }) =>
      call(importParts, { params: {}, body: body as never }),
    retry: false,
    onSuccess: (_, { tryOut }) =>
      tryOut ? undefined : queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' }),
  });
}

export function libraryQuery(kind: LibraryKind, id: string) {
  return queryOptions({
    queryKey: ['library', kind, id],
    queryFn: ({ signal }): Promise<Versioned> =>
      kind === 'part'
        ? call(getPart, { params: { partId: id }, signal })
        : call(getVehicle, { params: { vehicleId: id }, signal }),
    staleTime: 0,
  });
}

export function useCorrect(kind: LibraryKind, id: string) {
  const queries = useQueryClient();
  return useMutation({
    // The server reads the record by its schema and names what is wrong by its path.
    mutationFn: (body: Versioned): Promise<Versioned> =>
      kind === 'part'
        ? call(putPart, { params: { partId: id }, body: body as never })
        : call(putVehicle, { params: { vehicleId: id }, body: body as never }),
    retry: false,
    onSuccess: async (answer) => {
      queries.setQueryData(libraryQuery(kind, id).queryKey, answer);
      await queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
    },
  });
}
