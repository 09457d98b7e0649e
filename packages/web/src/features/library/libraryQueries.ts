/** Parts of the library: found, one with its version, corrected, brought in. */
import { findParts, getPart, importParts, partOrigins, partSets, putPart } from '@low-quarry/core/contracts/library';
import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { z } from 'zod';
import { call } from '../../api/call';

/** A page of the parts that are found; what is not asked for is left out. */
export function foundPartsQuery(asked: z.input<typeof findParts.params>) {
  return queryOptions({
    queryKey: ['library', 'parts', asked],
    queryFn: ({ signal }) => call(findParts, { params: asked, signal }),
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

export function partQuery(id: string) {
  return queryOptions({
    queryKey: ['library', 'part', id],
    queryFn: ({ signal }) => call(getPart, { params: { partId: id }, signal }),
    staleTime: 0,
  });
}

export function partOriginsQuery(id: string) {
  return queryOptions({
    queryKey: ['library', 'origins', id],
    queryFn: ({ signal }) => call(partOrigins, { params: { partId: id }, signal }),
    staleTime: 0,
  });
}

/** Sets that it is a piece of. */
export function partSetsQuery(id: string) {
  return queryOptions({
    queryKey: ['library', 'sets', id],
    queryFn: ({ signal }) => call(partSets, { params: { partId: id }, signal }),
    staleTime: 0,
  });
}

export function useCorrectPart(id: string) {
  const queries = useQueryClient();
  return useMutation({
    // The server reads the record by its schema and names what is wrong by its path.
    mutationFn: (body: { readonly version: number; readonly record: Readonly<Record<string, unknown>> }) =>
      call(putPart, { params: { partId: id }, body: body as never }),
    retry: false,
    onSuccess: (answer) => {
      queries.setQueryData(partQuery(id).queryKey, answer);
      // Nobody waits for it: until the form knows that it is saved, a reload would bring its text back as unsaved.
      void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
    },
  });
}
